package tachylim.server.words;

import com.ibm.icu.text.ListFormatter;
import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.i18n.LocaleContextHolder;
import tachylim.words.Reason;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** One language: its catalogue, in ICU message format, put together with the values of a reason. This class is immutable. */
public final class Words {

    private static final List<String> LANGUAGES = List.of("en", "de");
    private static final Map<String, Words> KNOWN =
            LANGUAGES.stream().collect(Collectors.toUnmodifiableMap(language -> language, Words::new));

    /** Some words differ by the family of the instrument, which only a page knows. */
    private static final Map<String, String> ANY_INSTRUMENT = Map.of("instrument", "OTHER");

    private final Locale locale;
    private final Map<String, String> messages;

    private Words(String language) {
        this.locale = Locale.forLanguageTag(language);
        this.messages = read("/words/" + language + ".json");
    }

    private static Map<String, String> read(String file) {
        try (InputStream stream = Words.class.getResourceAsStream(file)) {
            return JsonMapper.shared().readValue(stream.readAllBytes(), new TypeReference<>() {});
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** Those of a language; English where it has no catalogue. */
    public static Words in(Locale wanted) {
        return KNOWN.getOrDefault(wanted.getLanguage(), KNOWN.get("en"));
    }

    /** Those of every language. */
    public static Stream<Words> all() {
        return KNOWN.values().stream();
    }

    /** Those of the language that the request at hand was made in. */
    public static Words spoken() {
        return in(LocaleContextHolder.getLocale());
    }

    /** Those of the first of some languages that has a catalogue; English where none has. */
    public static Words in(Enumeration<Locale> wanted) {
        while (wanted.hasMoreElements()) {
            Words words = KNOWN.get(wanted.nextElement().getLanguage());
            if (words != null) {
                return words;
            }
        }
        return KNOWN.get("en");
    }

    public Locale locale() {
        return locale;
    }

    /** A message with its values, each after its name. */
    public String say(String code, Object... namesAndValues) {
        return say(Reason.of(code, namesAndValues));
    }

    /** A reason in words, with the reasons that are part of it. */
    public String say(Reason reason) {
        if (reason.saysNothing()) {
            return "";
        }
        String message = messages.get(reason.code());
        if (message == null) {
            throw new IllegalArgumentException("The catalogue " + locale + " has no words for " + reason);
        }
        Map<String, Object> values = new HashMap<>(ANY_INSTRUMENT);
        reason.values().forEach((name, value) -> values.put(name, shown(value)));
        return new MessageFormat(message, locale).format(values);
    }

    private Object shown(Object value) {
        if (value instanceof LocalDate day) {
            return DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG)
                    .withLocale(locale)
                    .format(day);
        }
        if (value instanceof LocalDateTime time) {
            return shown(time.toLocalDate()) + ", "
                    + DateTimeFormatter.ofPattern("HH:mm").format(time);
        }
        if (value instanceof List<?> reasons) {
            return ListFormatter.getInstance(locale)
                    .format(reasons.stream().map(this::shown).toList());
        }
        return value instanceof Reason part ? say(part) : value;
    }
}

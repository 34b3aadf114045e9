package tachylim.server.words;

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
import org.springframework.context.i18n.LocaleContextHolder;
import tachylim.words.Reason;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** One language: its catalogues, in ICU message format, put together with the values of a reason. This class is immutable. */
public final class Words {

    private static final List<String> LANGUAGES = List.of("en", "de");
    private static final Map<String, Words> KNOWN =
            LANGUAGES.stream().collect(Collectors.toUnmodifiableMap(language -> language, Words::new));

    private final Locale locale;
    private final Map<String, String> messages = new HashMap<>();

    private Words(String language) {
        this.locale = Locale.forLanguageTag(language);
        for (String catalogue : List.of("", "refusals.")) {
            messages.putAll(read("/words/" + catalogue + language + ".json"));
        }
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

    /** A message without values. */
    public String say(String code) {
        return say(Reason.of(code));
    }

    /** A reason in words, with the reasons that are part of it. */
    public String say(Reason reason) {
        String message = messages.get(reason.code());
        if (message == null) {
            throw new IllegalArgumentException("The catalogue " + locale + " has no words for " + reason);
        }
        Map<String, Object> values = new HashMap<>();
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
        return value instanceof Reason part ? say(part) : value;
    }
}

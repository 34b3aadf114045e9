package tachylim.server.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.words.Reason;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The catalogues, and what is made of a reason by them. */
class WordsTest {

    private static final Pattern CODE = Pattern.compile("\"(refusal\\.[A-Za-z0-9.]+)[\" ]");

    private static Map<String, String> refusals(String language) throws IOException {
        return JsonMapper.shared()
                .readValue(
                        Files.readString(Path.of("../words/refusals." + language + ".json")), new TypeReference<>() {});
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    @Test
    void everyRefusalHasWordsAndNoWordsAreLeftOver() throws IOException {
        TreeSet<String> codes = new TreeSet<>();
        for (String module : List.of("core", "shown", "server")) {
            try (Stream<Path> files = Files.walk(Path.of("..", module, "src/main/java"))) {
                files.filter(file -> file.toString().endsWith(".java"))
                        .forEach(file -> CODE.matcher(read(file)).results().forEach(code -> codes.add(code.group(1))));
            }
        }
        assertThat(refusals("en").keySet()).containsExactlyElementsOf(codes);
    }

    @ParameterizedTest
    @ValueSource(strings = {"en", "de"})
    void everyLanguageAsksForTheSameValues(String language) throws IOException {
        assertThat(asked(refusals(language))).isEqualTo(asked(refusals("en")));
    }

    private static Map<String, TreeSet<String>> asked(Map<String, String> messages) {
        Map<String, TreeSet<String>> asked = new TreeMap<>();
        messages.forEach((code, message) ->
                asked.put(code, new TreeSet<>(new MessageFormat(message, Locale.ENGLISH).getArgumentNames())));
        return asked;
    }

    @Test
    void aReasonIsSaidWithItsPartsAndDaysInTheLanguageAskedFor() {
        Reason reason = Reason.of(
                "refusal.markService.noteWasDecidedAsWhatWas",
                "note",
                4,
                "before",
                "R",
                "orElse",
                Reason.of("refusal.mark.on", "day", LocalDate.of(2026, 3, 2)));
        assertThat(Words.in(Locale.UK).say(reason)).startsWith("You decided on R on March 2, 2026 for note 4.");
        assertThat(Words.in(Locale.GERMANY).say(reason)).startsWith("Für Ton 4 hast du R am 2. März 2026 entschieden.");
    }

    @Test
    void theFirstLanguageThatIsKnownIsSpokenAndEnglishOtherwise() {
        assertThat(Words.in(Collections.enumeration(List.of(Locale.FRENCH, Locale.GERMAN)))
                        .locale())
                .isEqualTo(Locale.GERMAN);
        assertThat(Words.in(Collections.emptyEnumeration()).locale()).isEqualTo(Locale.ENGLISH);
        assertThat(Words.in(Locale.FRENCH).locale()).isEqualTo(Locale.ENGLISH);
    }

    @Test
    void aCodeWithoutWordsIsAFault() {
        assertThatThrownBy(() -> Words.in(Locale.ENGLISH).say("refusal.unheardOf"))
                .hasMessageContaining("refusal.unheardOf");
    }
}

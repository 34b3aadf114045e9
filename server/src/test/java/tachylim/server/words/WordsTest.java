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
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.load.Cap;
import tachylim.method.School;
import tachylim.passage.InstrumentFamily;
import tachylim.passage.Readiness;
import tachylim.take.Measured;
import tachylim.task.PassKind;
import tachylim.words.Reason;
import tachylim.workout.Done;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The catalogues, and what is made of a reason by them. */
class WordsTest {

    /** A code that is asked for by name. */
    private static final Pattern ASKED =
            Pattern.compile("(?:Reason|Refusal)\\.of\\(\\s*\"([A-Za-z0-9.]+[A-Za-z0-9])\"");

    /** How the codes of a family begin, whose ends are the names of things. */
    private static final Pattern FAMILY = Pattern.compile("\"([A-Za-z]+\\.)\" ?\\+|say\\(`([A-Za-z]+\\.)\\$\\{");

    private static Map<String, String> catalogue(String language) throws IOException {
        return JsonMapper.shared()
                .readValue(Files.readString(Path.of("../words/" + language + ".json")), new TypeReference<>() {});
    }

    private static String sources() throws IOException {
        StringBuilder all = new StringBuilder();
        for (String module : List.of("core/src/main", "shown/src/main", "server/src/main", "web/src")) {
            try (Stream<Path> files = Files.walk(Path.of("..", module))) {
                files.filter(file -> file.toString().matches(".*\\.(java|tsx?)"))
                        .forEach(file -> all.append(read(file)));
            }
        }
        return all.toString();
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    @Test
    void everyReasonHasWordsAndNoWordsAreLeftOver() throws IOException {
        String sources = sources();
        Set<String> known = catalogue("en").keySet();
        assertThat(known)
                .containsAll(ASKED.matcher(sources)
                        .results()
                        .map(code -> code.group(1))
                        .toList());
        List<String> families = FAMILY.matcher(sources)
                .results()
                .map(found -> found.group(1) == null ? found.group(2) : found.group(1))
                .toList();
        assertThat(known.stream()
                        .filter(code -> families.stream().noneMatch(code::startsWith))
                        .filter(code -> !sources.contains("\"" + code + "\"") && !sources.contains("\"" + code + " ")))
                .isEmpty();
    }

    @Test
    void everyNameOfAFamilyHasWords() throws IOException {
        Set<String> known = catalogue("en").keySet();
        assertThat(Stream.of(School.values())
                        .flatMap(school -> Stream.of("", ".hint", ".use").map(end -> "method." + school + end)))
                .isSubsetOf(known);
        assertThat(Stream.of(Readiness.values()).map(Readiness::title).map(Reason::code))
                .isSubsetOf(known);
        assertThat(Stream.of(Done.Cause.values()).map(Done.Cause::sentence).map(Reason::code))
                .isSubsetOf(known);
        assertThat(Stream.of(PassKind.values()).map(kind -> "next." + kind)).isSubsetOf(known);
        assertThat(Stream.of(Measured.Why.values()).map(why -> "heardWhy." + why))
                .isSubsetOf(known);
        assertThat(Stream.of(Cap.Rule.values()).map(rule -> "rule." + rule)).isSubsetOf(known);
        assertThat(Stream.of(InstrumentFamily.values())
                        .flatMap(family -> family.usualArticulations().stream())
                        .map(Reason::code))
                .isSubsetOf(known);
    }

    @ParameterizedTest
    @ValueSource(strings = {"en", "de"})
    void everyLanguageAsksForTheSameValues(String language) throws IOException {
        assertThat(asked(catalogue(language))).isEqualTo(asked(catalogue("en")));
    }

    private static Map<String, TreeSet<String>> asked(Map<String, String> messages) {
        Map<String, TreeSet<String>> asked = new TreeMap<>();
        messages.forEach((code, message) ->
                asked.put(code, new TreeSet<>(new MessageFormat(message, Locale.ENGLISH).getArgumentNames())));
        return asked;
    }

    /** What is chosen by a number is words, and not the name of a figure with its format. */
    @ParameterizedTest
    @ValueSource(strings = {"en", "de"})
    void noChoiceEndsInAFormat(String language) throws IOException {
        Pattern broken = Pattern.compile("(?:=[0-9]+|one|other|true|false) \\{[^{}]*, number\\}");
        assertThat(catalogue(language).entrySet().stream()
                        .filter(message -> broken.matcher(message.getValue()).find()))
                .isEmpty();
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

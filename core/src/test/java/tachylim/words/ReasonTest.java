package tachylim.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tachylim.tempo.Tempo;

/** What is to be said, as data. */
class ReasonTest {

    @Test
    void itKeepsNumbersDaysAndReasonsAsTheyAreAndWritesTheRest() {
        LocalDate day = LocalDate.of(2026, 3, 2);
        Reason part = Reason.of("b");
        Reason reason = Reason.of("a", "most", 3, "day", day, "part", part, "tempo", Tempo.of(96));
        assertThat(reason.values()).isEqualTo(Map.of("most", 3L, "day", day, "part", part, "tempo", 96L));
    }

    @Test
    void ofNumbersOnlyWhatIsNotWholeHasAPoint() {
        Reason reason = Reason.of("a", "whole", 12.0, "half", 0.5, "much", 1e300, "none", Double.NaN);
        assertThat(reason.values().values()).containsExactly(12L, 0.5, 1e300, Double.NaN);
    }

    @Test
    void anEmptyTextSaysNothingAndChangesNoSentence() {
        Reason one = Reason.of("one");
        assertThat(Reason.text("")).isEqualTo(Reason.NONE);
        assertThat(Reason.NONE.saysNothing()).isTrue();
        assertThat(one.then(Reason.NONE)).isEqualTo(one);
        assertThat(Reason.NONE.then(one)).isEqualTo(one);
        assertThat(one.then(Reason.of("two")).values()).containsValues(one, Reason.of("two"));
    }

    @Test
    void itStandsInADocumentWithItsValues() {
        Reason reason = Reason.of(
                "a",
                "tempo",
                Tempo.of(96.4),
                "half",
                0.5,
                "why",
                Reason.of("b", "words", "x"),
                "all",
                List.of(Reason.of("c")));
        assertThat(Reason.CODEC.read(Reason.CODEC.write(reason))).isEqualTo(reason);
        assertThat(Reason.CODEC.read(Reason.CODEC.write(Reason.NONE))).isEqualTo(Reason.NONE);
        assertThat(Reason.CODEC.read("")).isEqualTo(Reason.NONE);
        assertThat(Reason.CODEC.read(null)).isEqualTo(Reason.NONE);
    }

    @Test
    void aSentenceOfAnOldDocumentIsSaidAsItStands() {
        assertThat(Reason.CODEC.read("You asked for a rest.")).isEqualTo(Reason.text("You asked for a rest."));
        for (Object none : List.of(3, Map.of(), Map.of("code", "a"), Map.of("code", 3, "values", Map.of()))) {
            assertThatThrownBy(() -> Reason.CODEC.read(none)).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void itIsReadFromAConstraintsMessage() {
        assertThat(Reason.parse("refusal.name")).isEqualTo(Reason.of("refusal.name"));
        assertThat(Reason.parse(Tempo.RANGE).values().keySet()).containsExactlyInAnyOrder("least", "most");
    }

    @Test
    void whatWasGivenIsRepeatedByItsFirstLetters() {
        assertThat(Reason.shortened("2-1-1")).isEqualTo("2-1-1");
        assertThat(Reason.shortened("x".repeat(31))).isEqualTo("x".repeat(30) + "…");
    }

    @Test
    void aRefusalTellsEngineersItsCodeAndPlayersNothing() {
        RuntimeException cause = new RuntimeException();
        assertThatThrownBy(() -> {
                    throw Refusal.of("refusal.name", "most", 80).because(cause);
                })
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("refusal.name {most=80}")
                .hasCause(cause);
    }
}

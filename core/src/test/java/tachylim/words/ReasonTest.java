package tachylim.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
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
        assertThat(reason.values())
                .isEqualTo(Map.of(
                        "most",
                        3,
                        "day",
                        day,
                        "part",
                        part,
                        "tempo",
                        Tempo.of(96).toString()));
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

package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class SetbackLadderTest {

    private static final SetbackLadder AT_92 = new SetbackLadder(Tempo.of(92), 3, Tempo.of(104), 4);

    @Test
    void aStepBackThenTwoUp() {
        assertThat(Played.tempos(Played.well(AT_92))).containsExactly(89.0, 95.0, 92.0, 98.0, 95.0, 101.0, 98.0, 104.0);
    }

    @Test
    void aBrokenPassTakesTheBaseBack() {
        Position up = AT_92.opening().after(Answer.expected());
        assertThat(Played.tempos(Played.by(
                        AT_92,
                        play -> play.tempo().bpm() > 94
                                ? new Answer(Verdict.BROKE, Tension.ALERT)
                                : Answer.expected())))
                .startsWith(89.0, 95.0, 86.0)
                .allMatch(bpm -> bpm <= 95);
        assertThat(up.after(new Answer(Verdict.ROUGH, Tension.LIGHT))
                        .move()
                        .why()
                        .values())
                .containsEntry("base", 92L);
    }

    @Test
    void settingsOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new SetbackLadder(Tempo.of(100), 3, Tempo.of(90), 4))
                .hasMessageContaining("limit");
        assertThatThrownBy(() -> new SetbackLadder(Tempo.of(80), 0, Tempo.of(90), 4))
                .hasMessageContaining("pairs");
    }
}

package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class ThinningOutTest {

    private static final ThinningOut WORKED = new ThinningOut(Tempo.of(66), Tempo.of(132), 6, 14, 2);

    @Test
    void temposRiseInEqualRatiosAndRepetitionsThinOut() {
        assertThat(Played.tempos(Played.well(WORKED))).containsExactly(66.0, 76.0, 87.0, 100.0, 115.0, 132.0);
        assertThat(Played.well(WORKED))
                .extracting(play -> play.task().ask().of())
                .containsExactly(14, 9, 6, 4, 3, 2);
    }

    @Test
    void whatGripsMakesAllThatFollowsSlower() {
        assertThat(Played.tempos(Played.by(
                        WORKED,
                        play -> play.tempo().bpm() >= 100
                                ? new Answer(Verdict.ROUGH, Tension.GRIPPING, 1)
                                : play.task().ask().expected())))
                .containsExactly(66.0, 76.0, 87.0, 100.0, 93.0, 93.0);
    }

    @Test
    void settingsOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new ThinningOut(Tempo.of(90), Tempo.of(80), 6, 14, 2))
                .hasMessageContaining("up from");
        assertThatThrownBy(() -> new ThinningOut(Tempo.of(60), Tempo.of(80), 1, 14, 2))
                .hasMessageContaining("tempos");
    }
}

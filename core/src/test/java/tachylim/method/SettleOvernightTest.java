package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class SettleOvernightTest {

    @Test
    void aFewTimesJustUnderTheCeilingAndNoMore() {
        List<Move.Play> plays = Played.well(SettleOvernight.under(Played.SPAN));
        assertThat(Played.tempos(plays)).containsExactly(119.0, 119.0);
        assertThat(plays).extracting(play -> play.task().ask().of()).containsExactly(3, 3);
    }

    @Test
    void settingsOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new SettleOvernight(Tempo.of(100), 0, 3)).hasMessageContaining("sets");
        assertThat(new SettleOvernight(Tempo.of(100), 1, 3)
                        .opening()
                        .after(new Answer(Verdict.CLEAN, Tension.LOCKED))
                        .move())
                .isInstanceOf(Move.Finish.class);
    }
}

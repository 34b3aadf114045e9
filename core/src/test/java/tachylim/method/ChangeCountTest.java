package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.count.Change;
import tachylim.passage.Section;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class ChangeCountTest {

    @Test
    void theTargetSaysHowManyAreWanted() {
        assertThat(new Change(Tempo.of(112), 2).needed()).isEqualTo(56);
        ChangeCount count = ChangeCount.at(Played.SPAN);
        assertThat(count.wanted()).isEqualTo(69);
        Move.Play first = (Move.Play) count.opening().move();
        assertThat(first.task().notes()).contains(new Section(7, 8));
        assertThat(first.task().ask()).isEqualTo(Ask.count(69));
        assertThat(Played.well(count)).hasSize(2);
    }

    @Test
    void aMinuteOrHalfAMinute() {
        assertThatThrownBy(() -> new ChangeCount(Tempo.of(100), 0, 45, 56, 1)).hasMessageContaining("30 or 60");
        assertThat(new ChangeCount(Tempo.of(100), 0, 30, 28, 3)
                        .opening()
                        .after(new Answer(Verdict.ROUGH, Tension.LOCKED, 20))
                        .move())
                .isInstanceOf(Move.Finish.class);
    }
}

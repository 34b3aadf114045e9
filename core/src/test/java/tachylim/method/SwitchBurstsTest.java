package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Pulse;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class SwitchBurstsTest {

    private static final SwitchBursts OVER_124 =
            new SwitchBursts(Tempo.of(126), Tempo.of(124), Tempo.of(136), 2, 2, 9, 6);

    @Test
    void theQuickBeatsMoveThroughTheSection() {
        List<Move.Play> plays = Played.well(OVER_124);
        assertThat(plays)
                .extracting(play -> ((Pulse.Switching) play.task().pulse()).from())
                .containsExactly(0, 2, 4, 6, 0, 2);
        assertThat(Played.tempos(plays)).isSorted().allMatch(bpm -> bpm > 124 && bpm <= 136);
    }

    @Test
    void itEndsWhereNothingAboveTheCeilingIsLeft() {
        Answer broke = new Answer(Verdict.BROKE, Tension.LIGHT);
        assertThat(OVER_124.opening().after(broke).move().why().code()).isEqualTo("method.tooLow");
        assertThat(OVER_124.opening()
                        .after(Answer.expected())
                        .after(Answer.expected())
                        .after(broke)
                        .after(broke)
                        .move())
                .isInstanceOf(Move.Finish.class);
        assertThat(OVER_124.opening()
                        .under(Tempo.of(123), Reason.text("It gripped"))
                        .move())
                .isInstanceOf(Move.Finish.class);
    }

    @Test
    void withoutRoomAboveTheCeilingItIsAClimb() {
        assertThat(SwitchBursts.over(Played.SPAN)).isInstanceOf(SwitchBursts.class);
        assertThatThrownBy(() -> new SwitchBursts(Tempo.of(120), Tempo.of(124), Tempo.of(136), 2, 2, 9, 6))
                .hasMessageContaining("ceiling");
    }
}

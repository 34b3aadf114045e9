package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Pulse;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class FreeBurstsTest {

    private static final FreeBursts FIVE = new FreeBursts(Tempo.of(56), Tempo.of(130), 6, 20, 5);

    private static double seconds(Position position) {
        return ((Pulse.Free) ((Move.Play) position.move()).task().pulse()).seconds();
    }

    @Test
    void easyThenFastThenEasyUntilLoose() {
        assertThat(Played.well(FIVE)).hasSize(10);
        Position burst = FIVE.opening().unjudged();
        assertThat(seconds(burst)).isEqualTo(6);
        assertThat(seconds(burst.after(Answer.expected()))).isEqualTo(20);
    }

    @Test
    void whatGotMessyIsShorterTheNextTime() {
        Position easy = FIVE.opening().unjudged().after(new Answer(Verdict.ROUGH, Tension.LIGHT, 3.5));
        assertThat(easy.move().why()).isEqualTo(Reason.of("free.messy", "seconds", 4));
        assertThat(seconds(easy.unjudged())).isEqualTo(3.5);
    }

    @Test
    void aGripEndsIt() {
        assertThat(FIVE.opening()
                        .after(new Answer(Verdict.CLEAN, Tension.GRIPPING))
                        .move())
                .isInstanceOf(Move.Finish.class);
        assertThatThrownBy(() -> new FreeBursts(Tempo.of(56), Tempo.of(130), 30, 20, 5))
                .hasMessageContaining("bursts");
    }
}

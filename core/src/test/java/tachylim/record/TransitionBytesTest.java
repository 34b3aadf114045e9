package tachylim.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.take.Measured.Transition;

class TransitionBytesTest {

    @Test
    void whatIsWrittenIsReadBack() {
        List<Transition> transitions = List.of(
                new Transition(1, 0.0463, 0.0021, 0.214, true),
                new Transition(300, -0.0125, 0.011, 1.5, false),
                new Transition(7, 0, 0, 0, true));
        assertThat(TransitionBytes.read(TransitionBytes.of(transitions))).isEqualTo(transitions);
        assertThat(TransitionBytes.of(transitions)).hasSize(27);
    }

    @Test
    void whatIsFarOffIsKeptAsFarAsItCanBe() {
        Transition far = new Transition(2, 9, 0.001, 60, true);
        Transition read = TransitionBytes.read(TransitionBytes.of(List.of(far))).get(0);
        assertThat(read.off()).isEqualTo(3.2767);
        assertThat(read.interval()).isEqualTo(32.767);
    }

    @Test
    void aLongPassIsKeptUpToALimit() {
        Transition one = new Transition(1, 0, 0, 0.2, false);
        assertThat(TransitionBytes.read(TransitionBytes.of(Collections.nCopies(2_500, one))))
                .hasSize(TransitionBytes.MOST);
    }

    @Test
    void otherBytesAreRefused() {
        assertThatThrownBy(() -> TransitionBytes.read(new byte[10])).isInstanceOf(IllegalArgumentException.class);
    }
}

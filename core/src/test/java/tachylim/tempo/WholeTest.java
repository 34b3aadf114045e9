package tachylim.tempo;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class WholeTest {

    @Test
    void aWholeNumberIsItselfWhateverItsLastBitsAre() {
        for (double figure : new double[] {65, Math.nextDown(65.0), Math.nextUp(65.0), 65 - 1e-9, 65 + 1e-9}) {
            assertThat(Whole.below(figure)).isEqualTo(65);
            assertThat(Whole.above(figure)).isEqualTo(65);
        }
        assertThat(Whole.below(64.99)).isEqualTo(64);
        assertThat(Whole.above(64.01)).isEqualTo(65);
        assertThat(Whole.above(1e-12)).isZero();
    }
}

package tachylim.tempo;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class RoundingTest {

    @Test
    void aWholeNumberIsItselfWhateverItsLastBitsAre() {
        for (double figure : new double[] {65, Math.nextDown(65.0), Math.nextUp(65.0), 65 - 1e-9, 65 + 1e-9}) {
            assertThat(Rounding.below(figure)).isEqualTo(65);
            assertThat(Rounding.above(figure)).isEqualTo(65);
        }
        assertThat(Rounding.below(64.99)).isEqualTo(64);
        assertThat(Rounding.above(64.01)).isEqualTo(65);
        assertThat(Rounding.above(1e-12)).isZero();
    }
}

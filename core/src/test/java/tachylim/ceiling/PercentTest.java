package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class PercentTest {

    @Test
    void itIsTheGaussiansIntervalInPercentAndNeverBelowNothing() {
        Percent percent = Percent.of(new Moments(0.02, 0.0001), 2);
        assertThat(percent.middle()).isCloseTo(100 * (Math.exp(0.04) - 1), within(1e-9));
        assertThat(percent.low()).isCloseTo(100 * (Math.exp(0.04 - 2 * 1.2816 * 0.01) - 1), within(1e-9));
        assertThat(percent.high()).isCloseTo(100 * (Math.exp(0.04 + 2 * 1.2816 * 0.01) - 1), within(1e-9));
        assertThat(Percent.of(new Moments(-0.01, 0.0001), 1))
                .extracting(Percent::low, Percent::middle)
                .containsExactly(0.0, 0.0);
    }
}

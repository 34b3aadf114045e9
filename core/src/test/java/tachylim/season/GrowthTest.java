package tachylim.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import tachylim.ceiling.Moments;
import tachylim.tempo.Tempo;

class GrowthTest {

    private static final Growth GROWTH =
            new Growth(new Moments(Math.log(100), 0.0004), new Moments(0.004, 4e-6), 0.001, true);

    @Test
    void dosesAddIdleDaysTakeAndBothMakeItLessSure() {
        Moments then = GROWTH.after(20, 3, 30);
        assertThat(then.mean()).isCloseTo(Math.log(100) + 0.08 - 0.003, within(1e-12));
        assertThat(then.variance()).isCloseTo(0.0004 + 4e-6 * 400 + 9e-6 * 30, within(1e-12));
    }

    @Test
    void practiceThatSeemedToTakeAwayTakesNothing() {
        Growth falling = new Growth(GROWTH.level(), new Moments(-0.002, 4e-6), 0, true);
        assertThat(falling.after(20, 0, 30).mean()).isEqualTo(Math.log(100));
    }

    @Test
    void aTempoIsLikelyTwoTimesInThree() {
        Moments then = GROWTH.after(20, 0, 30);
        assertThat(Growth.chance(then, Tempo.of(Math.exp(then.mean())))).isCloseTo(0.5, within(1e-9));
        assertThat(Growth.chance(then, Growth.likely(then))).isBetween(0.666, 0.71);
    }

    @Test
    void portionsOnDifferentDaysTeachMoreThanOnTheSame() {
        double spread = GROWTH.byPortions(60, 6, 10).mean();
        assertThat(spread).isCloseTo(Math.log(100) + 0.004 * 10 * (1 - Math.exp(-6 / 8.0)), within(1e-12));
        assertThat(GROWTH.byPortions(60, 6, 5).mean()).isLessThan(spread);
    }

    @Test
    void whatIsGivenTooSeldomLosesBetween() {
        assertThat(GROWTH.byPortions(0, 6, 30).mean()).isLessThan(Math.log(100));
        double seldom = GROWTH.byPortions(6, 6, 30).mean();
        double often = GROWTH.byPortions(48, 6, 30).mean();
        assertThat(seldom).isCloseTo(Math.log(100) + 0.004 * Gains.dose(6) - 0.001 * 26, within(1e-12));
        assertThat(often).isCloseTo(Math.log(100) + 0.004 * 8 * Gains.dose(6), within(1e-12));
    }
}

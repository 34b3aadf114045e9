package tachylim.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Moments;

class GainsTest {

    private static final double ERROR = 0.03;

    /** A passage that gains at a rate, played on some days, and loses on the others from the fourth on. */
    private static List<Gains.Day> days(double rate, double loss, int days, int every, Random random) {
        List<Gains.Day> told = new ArrayList<>();
        double level = Math.log(100);
        for (int day = 0; day < days; day++) {
            if (day % every == 0) {
                double seen = level + ERROR * random.nextGaussian();
                told.add(new Gains.Day(day, 10, Optional.of(new Moments(seen, ERROR * ERROR))));
                level += rate * Gains.dose(10);
            } else if (day % every > Gains.IDLE_DAYS) {
                level -= loss;
            }
        }
        return told;
    }

    @Test
    void aDoseIsMostOfADaysTeachingInAFewMinutes() {
        assertThat(Gains.dose(0)).isZero();
        assertThat(Gains.dose(8)).isCloseTo(1 - 1 / Math.E, within(1e-12));
        assertThat(Gains.dose(-3)).isZero();
        assertThat(Gains.dose(1e6)).isEqualTo(1);
    }

    @Test
    void withoutAnyDayItIsWhatPlayersUsuallyGain() {
        Gains gains = Gains.of(List.of(List.of()));
        assertThat(gains.usual().mean()).isEqualTo(0.003);
        assertThat(gains.loss().mean()).isCloseTo(0.0015, within(1e-12));
        assertThat(gains.passages().get(0).mean()).isEqualTo(0.003);
        assertThat(gains.passages().get(0).variance())
                .isGreaterThan(gains.usual().variance());
        assertThat(gains.days()).isZero();
        assertThat(Gains.of(List.of()).passages()).isEmpty();
    }

    @Test
    void aRateIsFoundAndAPassageThatIsNewIsTakenToBeLikeTheOthers() {
        Random random = new Random(3);
        for (double rate : new double[] {0.0005, 0.003, 0.007}) {
            Gains gains = Gains.of(List.of(
                    days(rate, 0, 80, 1, random),
                    days(rate, 0, 80, 2, random),
                    days(rate, 0, 80, 2, random),
                    List.of()));
            assertThat(gains.passages().get(0).mean()).isCloseTo(rate, within(0.001));
            assertThat(gains.usual().mean()).isCloseTo(rate, within(0.0016));
            assertThat(gains.passages().get(3).mean()).isEqualTo(gains.usual().mean());
            assertThat(gains.passages().get(0).variance())
                    .isLessThan(gains.passages().get(3).variance() / 4);
            assertThat(gains.days()).isEqualTo(160);
        }
    }

    /** Of many players the true rate lies within two deviations about nineteen times in twenty. */
    @Test
    void theDeviationOfARateIsHonest() {
        Random random = new Random(11);
        int inside = 0;
        int all = 300;
        for (int i = 0; i < all; i++) {
            double rate = 0.003 + 0.002 * random.nextGaussian();
            Moments told = Gains.of(List.of(days(rate, 0.0015, 60, 1 + i % 3, random)))
                    .passages()
                    .get(0);
            inside += Math.abs(told.mean() - rate) <= 2 * Math.sqrt(told.variance()) ? 1 : 0;
        }
        assertThat(inside / (double) all).isBetween(0.92, 1.0);
    }

    @Test
    void whatIsLostWithoutPracticeIsLearnedFromLongerGaps() {
        Random random = new Random(5);
        List<List<Gains.Day>> forgetful = new ArrayList<>();
        List<List<Gains.Day>> keeping = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            forgetful.add(days(0.003, 0.004, 300, 10, random));
            keeping.add(days(0.003, 0, 300, 10, random));
        }
        Moments lost = Gains.of(forgetful).loss();
        Moments kept = Gains.of(keeping).loss();
        assertThat(lost.mean()).isGreaterThan(0.002);
        assertThat(kept.mean()).isLessThan(0.001);
        assertThat(lost.variance()).isLessThan(1e-6);
    }
}

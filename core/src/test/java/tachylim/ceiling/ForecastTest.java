package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.tempo.Tempo;

class ForecastTest {

    private static final double SEEN = 0.03 * 0.03;

    /** A day each {@code every} days on which ln ceiling is seen exactly where it is, by a measurement of 3%. */
    private static List<Forecast.Measured> days(int count, int every, double first, double gain) {
        List<Forecast.Measured> days = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            days.add(measured(i * every, first + gain * i * every, SEEN));
        }
        return days;
    }

    /** The morning knows next to nothing, so the day is all that is known in the evening. */
    private static Forecast.Measured measured(long day, double mean, double variance) {
        double vague = 1;
        double precision = 1 / variance + 1 / vague;
        return new Forecast.Measured(day, new Moments(mean, vague), new Moments(mean, 1 / precision));
    }

    private static Forecast of(List<Forecast.Measured> days) {
        return Forecast.of(days).orElseThrow();
    }

    @Test
    void belowThreeWeeksItIsSilent() {
        assertThat(Forecast.of(days(10, 2, Math.log(100), 0.002))).isEmpty();
        assertThat(Forecast.of(days(3, 14, Math.log(100), 0.002))).isEmpty();
        assertThat(Forecast.of(List.of())).isEmpty();
        assertThat(Forecast.of(days(12, 2, Math.log(100), 0.002))).isPresent();
    }

    @Test
    void aDayOnWhichNothingWasLearnedDoesNotCount() {
        List<Forecast.Measured> days = days(12, 2, Math.log(100), 0.002);
        List<Forecast.Measured> more = new ArrayList<>(days);
        Moments same = new Moments(Math.log(500), 0.01);
        more.add(new Forecast.Measured(23, same, same));
        assertThat(of(more).at(40)).isEqualTo(of(days).at(40));
    }

    @Test
    void aSteadyGainGoesOnAndItsIntervalWidens() {
        Forecast forecast = of(days(30, 2, Math.log(100), 0.003));
        assertThat(forecast.weeklyGain()).isCloseTo(Math.expm1(0.021), within(0.005));
        assertThat(forecast.at(86).middle().bpm()).isCloseTo(100 * Math.exp(0.003 * 86), within(3.0));
        assertThat(forecast.at(120).giveOrTake()).isGreaterThan(forecast.at(86).giveOrTake());
        assertThat(forecast.at(86).giveOrTake()).isGreaterThan(forecast.at(58).giveOrTake());
    }

    @Test
    void theChanceOfATempoFallsWithItAndRisesWithTheDays() {
        Forecast forecast = of(days(30, 2, Math.log(100), 0.003));
        assertThat(forecast.chance(Tempo.of(118), 86))
                .isGreaterThan(forecast.chance(Tempo.of(125), 86))
                .isLessThan(forecast.chance(Tempo.of(118), 110));
        assertThat(forecast.prospect(Tempo.of(112), 86)).isEqualTo(Forecast.Prospect.ON_COURSE);
        assertThat(forecast.prospect(Tempo.of(160), 86)).isEqualTo(Forecast.Prospect.UNLIKELY);
    }

    @Test
    void whatWouldHaveToChangeIsWhatMakesItLikely() {
        Forecast forecast = of(days(30, 2, Math.log(100), 0.003));
        Tempo target = Tempo.of(132);
        long day = forecast.dayOf(target, 58).orElseThrow();
        assertThat(forecast.chance(target, day)).isGreaterThanOrEqualTo(Forecast.LIKELY);
        assertThat(forecast.chance(target, day - 1)).isLessThan(Forecast.LIKELY);
        assertThat(forecast.chance(forecast.likelyOn(86), 86)).isGreaterThanOrEqualTo(Forecast.LIKELY);
        assertThat(forecast.timesTheGain(target, 86).orElseThrow()).isGreaterThan(1.2);
        assertThat(forecast.timesTheGain(Tempo.of(90), 86)).contains(1.0);
    }

    @Test
    void whereNothingIsGainedNoDayIsNamed() {
        Forecast forecast = of(days(30, 2, Math.log(100), -0.002));
        assertThat(forecast.dayOf(Tempo.of(140), 58)).isEmpty();
        assertThat(forecast.timesTheGain(Tempo.of(140), 86)).isEmpty();
    }

    /** The smoothed line looks back from today; what was known on a day was known without the days after it. */
    @Test
    void onlyTheSmoothedLineUsesTheFuture() {
        List<Smoother.Day> filtered = new ArrayList<>();
        for (int day = 0; day < 20; day++) {
            filtered.add(new Smoother.Day(day, Math.log(100 + day % 3), SEEN));
        }
        List<Smoother.Day> other = new ArrayList<>(filtered);
        other.set(19, new Smoother.Day(19, Math.log(130), SEEN));
        assertThat(Smoother.smooth(other).get(10).mean())
                .isNotEqualTo(Smoother.smooth(filtered).get(10).mean());
        assertThat(Smoother.smooth(filtered).get(19)).isEqualTo(filtered.get(19));
    }
}

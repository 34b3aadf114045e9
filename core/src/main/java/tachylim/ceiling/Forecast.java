package tachylim.ceiling;

import java.util.List;
import java.util.Optional;
import org.apache.commons.statistics.distribution.NormalDistribution;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;

/**
 * Where a ceiling is heading: a local linear trend of ln ceiling (Harvey 1989, section 2.3), filtered over the days on
 * which it was measured and carried on into the future with its growing uncertainty.
 *
 * <p>The trend goes on from what is believed now. A day counts by what was learned on it alone, which follows from what was believed in its morning and in its
 * evening, so that no day counts twice. Before {@value #LEAST_DAYS} days with {@value #LEAST_MEASURED} of them played
 * nothing is said: a trend of a week is weather. It goes on as practice goes on, and is no promise. This class is
 * immutable.
 */
public final class Forecast {

    /** So many days have to lie between the first and the last. */
    public static final int LEAST_DAYS = 21;

    /** And so many of them have to be played. */
    public static final int LEAST_MEASURED = 6;

    /** Chances from which a date is on course, and below which it is unlikely. */
    public static final double ON_COURSE = 0.6;

    public static final double UNLIKELY = 0.2;

    /** What is said to be likely: about 2 in 3. */
    public static final double LIKELY = 2 / 3.0;

    private static final int FARTHEST_DAYS = 730;

    /** How much one day differs from the next, ln BPM: being in form, and no skill. */
    public static final double FORM = 0.018;

    /** How far the skill and its trend wander in a day, ln BPM. */
    public static final double LEVEL_WANDERS = 0.003;

    private static final double TREND_WANDERS = 0.0001;

    /** The trend of players nothing is known of, ln BPM a day. */
    private static final double USUAL_TREND = 0.0015;

    private static final double USUAL_TREND_SD = 0.0025;

    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);
    private static final double TO_TENTH = NORMAL.inverseCumulativeProbability(0.9);

    private final long day;
    private final double level;
    private final double trend;
    private final double levelVariance;
    private final double covariance;
    private final double trendVariance;

    private Forecast(
            long day, double level, double trend, double levelVariance, double covariance, double trendVariance) {
        this.day = day;
        this.level = level;
        this.trend = trend;
        this.levelVariance = levelVariance;
        this.covariance = covariance;
        this.trendVariance = trendVariance;
    }

    /**
     * A day on which a section was played. This class is immutable.
     *
     * @param day days since any fixed day
     * @param morning what was believed of ln ceiling before the first pass of it
     * @param evening what was believed after the last
     */
    public record Measured(long day, Moments morning, Moments evening) {

        /** What the day alone says of ln ceiling; empty when nothing was learned on it. */
        public Optional<Moments> own() {
            double precision = 1 / evening.variance() - 1 / morning.variance();
            return precision <= 0
                    ? Optional.empty()
                    : Optional.of(new Moments(
                            (evening.mean() / evening.variance() - morning.mean() / morning.variance()) / precision,
                            1 / precision));
        }
    }

    /** How a date looks. */
    public enum Prospect {
        ON_COURSE,
        BEHIND,
        UNLIKELY;

        /** What a chance is called. */
        public static Prospect of(double chance) {
            return chance >= Forecast.ON_COURSE ? ON_COURSE : chance >= Forecast.UNLIKELY ? BEHIND : UNLIKELY;
        }
    }

    /**
     * The forecast from some days, in order; empty while they are too few.
     */
    public static Optional<Forecast> of(List<Measured> days) {
        List<Measured> telling =
                days.stream().filter(one -> one.own().isPresent()).toList();
        if (telling.size() < LEAST_MEASURED || telling.get(telling.size() - 1).day - telling.get(0).day < LEAST_DAYS) {
            return Optional.empty();
        }
        Measured first = telling.get(0);
        Forecast now = new Forecast(
                first.day,
                first.evening.mean(),
                USUAL_TREND,
                first.evening.variance() + FORM * FORM,
                0,
                USUAL_TREND_SD * USUAL_TREND_SD);
        for (Measured next : telling.subList(1, telling.size())) {
            now = now.on(next.day).after(next.own().orElseThrow());
        }
        return Optional.of(now.from(telling.get(telling.size() - 1).evening));
    }

    /** The same trend from what is believed now: one ceiling today, not two. */
    private Forecast from(Moments today) {
        return new Forecast(day, today.mean(), trend, today.variance(), 0, trendVariance);
    }

    /** The same on a later day, before anything is played on it. */
    private Forecast on(long later) {
        double days = later - day;
        double wandering = TREND_WANDERS * TREND_WANDERS * days;
        return new Forecast(
                later,
                level + trend * days,
                trend,
                levelVariance
                        + 2 * covariance * days
                        + trendVariance * days * days
                        + LEVEL_WANDERS * LEVEL_WANDERS * days
                        + wandering * days * days / 3,
                covariance + trendVariance * days + wandering * days / 2,
                trendVariance + wandering);
    }

    /** What is known after a day that says {@code seen}. */
    private Forecast after(Moments seen) {
        double expected = levelVariance + seen.variance() + FORM * FORM;
        double surprise = seen.mean() - level;
        double gain = levelVariance / expected;
        double trendGain = covariance / expected;
        return new Forecast(
                day,
                level + gain * surprise,
                trend + trendGain * surprise,
                levelVariance - gain * levelVariance,
                covariance - gain * covariance,
                trendVariance - trendGain * covariance);
    }

    /** The ceiling on a day, the last that was measured or a later one, with its 80% interval. */
    public Band at(long later) {
        Forecast then = on(later);
        double reach = TO_TENTH * Math.sqrt(then.levelVariance);
        return new Band(
                Tempo.clamped(Math.exp(then.level - reach)),
                Tempo.clamped(Math.exp(then.level)),
                Tempo.clamped(Math.exp(then.level + reach)));
    }

    /** The chance that a tempo is in control on a day. */
    public double chance(Tempo target, long later) {
        Forecast then = on(later);
        return NORMAL.cumulativeProbability((then.level - target.log()) / Math.sqrt(then.levelVariance));
    }

    /** How the chance of a tempo on a day is to be called. */
    public Prospect prospect(Tempo target, long later) {
        return Prospect.of(chance(target, later));
    }

    /** The first day from {@code from} on which a tempo is likely; empty when it is not within two years. */
    public Optional<Long> dayOf(Tempo target, long from) {
        for (long later = Math.max(from, day); later <= day + FARTHEST_DAYS; later++) {
            if (chance(target, later) >= LIKELY) {
                return Optional.of(later);
            }
        }
        return Optional.empty();
    }

    /** The tempo that is likely on a day. */
    public Tempo likelyOn(long later) {
        Forecast then = on(later);
        return Tempo.clamped(Rounding.below(
                Math.exp(then.level - NORMAL.inverseCumulativeProbability(LIKELY) * Math.sqrt(then.levelVariance))));
    }

    /**
     * How many times as much would have to be gained in a day for a tempo to be likely on a day; a rule of thumb, as if
     * gain went with minutes. Empty when nothing is gained now, or the day is today.
     */
    public Optional<Double> timesTheGain(Tempo target, long later) {
        Forecast then = on(later);
        double days = later - day;
        double wanted =
                (target.log() + NORMAL.inverseCumulativeProbability(LIKELY) * Math.sqrt(then.levelVariance) - level)
                        / Math.max(1, days);
        return trend <= 0 || days < 1 ? Optional.empty() : Optional.of(Math.max(1, wanted / trend));
    }

    /** What is gained in a week at this pace, as a share of the ceiling; below 0 when it is lost. */
    public double weeklyGain() {
        return Math.expm1(7 * trend);
    }
}

package tachylim.season;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Moments;

/**
 * What a player gains by practice, and loses without it, learned from all passages together. A day's minutes m on a passage
 * add {@code r·(1 − e^(−m/τ))} to its ln ceiling, with {@code τ} = {@value #LEARNING_MINUTES} minutes;
 * after {@value #IDLE_DAYS} days without it it loses a little each day.
 *
 * <p>Each passage has a rate r of its own, and the rates of a player lie about a rate of theirs: a passage that was played
 * little is taken to be like the others (a hierarchical normal model; Gelman et al. 2013, section 5.4). The rate of a passage
 * is filtered with its level over the days on which it was measured. These are rules of thumb. This class is immutable.
 *
 * @param usual the rate of the player, ln ceiling a day of very many minutes
 * @param loss what is lost on each further day without practice, ln ceiling
 * @param passages the rate of each passage, in the order they were given
 * @param days on how many days anything was measured
 */
public record Gains(Moments usual, Moments loss, List<Moments> passages, int days) {

    /** Of what a day can teach, so many minutes teach all but a third. */
    private static final double LEARNING_MINUTES = 8;

    /** So many days without a passage cost nothing. */
    static final int IDLE_DAYS = 3;

    /** What is taken of players nothing is known of, ln ceiling. */
    private static final Moments USUAL = new Moments(0.003, 0.002 * 0.002);

    private static final Moments LOSS = new Moments(0.0015, 0.001 * 0.001);

    /** How much the rates of one player's passages differ. */
    private static final double AMONG_PASSAGES = 0.002 * 0.002;

    /** How much one day differs from the next by being in form, and how far a skill wanders in a day, ln ceiling. */
    private static final double FORM = Forecast.FORM * Forecast.FORM;

    private static final double WANDERS = Forecast.LEVEL_WANDERS * Forecast.LEVEL_WANDERS;

    public Gains {
        passages = List.copyOf(passages);
    }

    /**
     * A day of a passage.
     *
     * @param day days since any fixed day
     * @param minutes the effort minutes that the passage had on it
     * @param told what the day alone says of its ln ceiling; empty when it says nothing
     */
    public record Day(long day, double minutes, Optional<Moments> told) {}

    /** How much of what a day can teach so many minutes teach, 0 to 1. */
    public static double dose(double minutes) {
        return 1 - Math.exp(-Math.max(0, minutes) / LEARNING_MINUTES);
    }

    /** How far a ln ceiling wanders in so many days by itself, as a variance. */
    static double wandering(double days) {
        return WANDERS * days;
    }

    /**
     * What is learned from the days of each passage, in order.
     */
    public static Gains of(List<List<Day>> passages) {
        List<Optional<Moments>> told = new ArrayList<>();
        double lossPrecision = 1 / LOSS.variance();
        double lossSum = LOSS.mean() / LOSS.variance();
        int days = 0;
        for (List<Day> passage : passages) {
            Filter filter = new Filter();
            passage.forEach(filter::take);
            told.add(filter.rateAlone());
            lossPrecision += filter.lossPrecision;
            lossSum += filter.lossSum;
            days += filter.measured;
        }
        List<Moments> rates = new ArrayList<>();
        for (int i = 0; i < told.size(); i++) {
            Moments others = mean(told, i);
            Moments before = new Moments(others.mean(), others.variance() + AMONG_PASSAGES);
            rates.add(told.get(i).map(one -> together(before, one)).orElse(before));
        }
        return new Gains(mean(told, -1), new Moments(lossSum / lossPrecision, 1 / lossPrecision), rates, days);
    }

    /** The player's rate by what the passages say, but for one. */
    private static Moments mean(List<Optional<Moments>> told, int without) {
        Moments mean = USUAL;
        for (int i = 0; i < told.size(); i++) {
            if (i != without && told.get(i).isPresent()) {
                Moments one = told.get(i).orElseThrow();
                mean = together(mean, new Moments(one.mean(), one.variance() + AMONG_PASSAGES));
            }
        }
        return mean;
    }

    private static Moments together(Moments one, Moments other) {
        double precision = 1 / one.variance() + 1 / other.variance();
        return new Moments((one.mean() / one.variance() + other.mean() / other.variance()) / precision, 1 / precision);
    }

    /** The level of a passage and its rate, filtered together from day to day. */
    private static final class Filter {

        private static final double RATE_VARIANCE = USUAL.variance() + AMONG_PASSAGES;

        private boolean begun;
        private long last;
        private long played;
        private double level;
        private double levelVariance;
        private double rate = USUAL.mean();
        private double covariance;
        private double rateVariance = RATE_VARIANCE;
        private double idle;
        private double lossPrecision;
        private double lossSum;
        private int measured;

        void take(Day day) {
            if (begun) {
                levelVariance += wandering(day.day - last);
                double more = Math.max(0, day.day - played - 1 - IDLE_DAYS) - Math.max(0, last - played - IDLE_DAYS);
                level -= LOSS.mean() * Math.max(0, more);
                idle += Math.max(0, more);
            }
            // What a day teaches is there the day after.
            day.told.ifPresent(this::see);
            if (begun && day.minutes > 0) {
                double dose = dose(day.minutes);
                level += rate * dose;
                levelVariance += 2 * covariance * dose + rateVariance * dose * dose;
                covariance += rateVariance * dose;
            }
            last = day.day;
            if (day.minutes > 0) {
                played = day.day;
            }
        }

        private void see(Moments told) {
            measured++;
            if (!begun) {
                begun = true;
                level = told.mean();
                levelVariance = told.variance() + FORM;
                return;
            }
            double expected = levelVariance + told.variance() + FORM;
            double surprise = told.mean() - level;
            if (idle > 0) {
                lossPrecision += idle * idle / expected;
                lossSum += (LOSS.mean() * idle - surprise) * idle / expected;
                idle = 0;
            }
            double gain = levelVariance / expected;
            double rateGain = covariance / expected;
            level += gain * surprise;
            rate += rateGain * surprise;
            rateVariance -= rateGain * covariance;
            covariance -= gain * covariance;
            levelVariance -= gain * levelVariance;
        }

        /** What the days of this passage alone say of its rate. */
        Optional<Moments> rateAlone() {
            double precision = 1 / rateVariance - 1 / RATE_VARIANCE;
            return precision <= 1
                    ? Optional.empty()
                    : Optional.of(new Moments(
                            (rate / rateVariance - USUAL.mean() / RATE_VARIANCE) / precision, 1 / precision));
        }
    }
}

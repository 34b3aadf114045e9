package tachylim.ceiling;

import tachylim.load.Layoff;

/**
 * How far a skill wanders while nobody looks: about 0.6% by the square root of the days, and after a week without
 * practice wider still and lower. What practice adds is not here, but in the trend that each player shows. This class is
 * immutable.
 *
 * @param drift what is lost, ln BPM, 0 or less
 * @param sd the standard deviation of ln BPM
 */
record Wandering(double drift, double sd) {

    private static final double NIGHTLY = 0.006;
    private static final double LAYOFF_DRIFT = 0.004;
    private static final double MOST_DRIFT = 0.12;
    private static final double LAYOFF_WIDENING = 0.005;
    private static final double MOST_WIDENING = 0.10;

    /** From the evening of a day on which it was played to a day {@code days} later, 1 or more. */
    static Wandering over(long days) {
        double away = Math.max(0, days - Layoff.LEAST);
        return new Wandering(
                -Math.min(MOST_DRIFT, LAYOFF_DRIFT * away),
                Math.hypot(NIGHTLY * Math.sqrt(days), Math.min(MOST_WIDENING, LAYOFF_WIDENING * away)));
    }

    /** A skill that is the same, told of other music. */
    static Wandering toOther(double widening) {
        return new Wandering(0, Math.hypot(NIGHTLY, widening));
    }
}

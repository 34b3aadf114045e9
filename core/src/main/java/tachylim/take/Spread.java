package tachylim.take;

/**
 * How much a trained player's intervals differ by themselves: {@code √(6² + (0.04·I)²)} ms, above what is just noticed (Friberg
 * and Sundberg 1995).
 */
final class Spread {

    private static final double LEAST = 0.006;
    private static final double OF_INTERVAL = 0.04;
    private static final double SLIPS = 3.2;
    private static final double OF_MEASURE = 2.2;
    private static final double UNEVEN = 1.9;

    private Spread() {}

    /** The spread of an interval, both in seconds. */
    static double of(double interval) {
        return Math.hypot(LEAST, OF_INTERVAL * interval);
    }

    /** A transition that is off by more than this has slipped, in seconds. */
    static double slip(double interval, double sigma) {
        return Math.hypot(SLIPS * of(interval), OF_MEASURE * sigma);
    }

    /** Intervals that differ by more than this are uneven, in seconds. */
    static double uneven(double interval) {
        return UNEVEN * of(interval);
    }
}

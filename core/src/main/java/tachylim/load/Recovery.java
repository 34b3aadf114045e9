package tachylim.load;

/**
 * How far the hands have recovered, from 0 to 1: fast playing draws on it. A heuristic for rests.
 *
 * <p>Above the comfortable tempo {@code e} it falls by {@code (v/e − 1)/K} a second; resting, it fills toward 1
 * with time constant τ; slow playing at ratio {@code q = v/e} up to 1 fills it with {@code τ/(1 − 0.6q)}.
 * After the W′ balance of Skiba and others (2012). This class is immutable.
 *
 * @param level 0 to 1
 * @param k seconds, how long a player can spend above the comfortable tempo; 2 s when unknown
 */
public record Recovery(double level, double k) {

    /** K when nothing is known of the player, in seconds. */
    public static final double USUAL_K = 2;

    /** The time constant of filling at rest, in seconds. */
    public static final double TAU = 25;

    /** No burst may leave less than this. */
    public static final double LEAST_AFTER_BURST = 0.15;

    private static final double SLOW_PLAYING = 0.6;

    /**
     * @throws IllegalArgumentException if the level is outside 0..1 or k not positive
     */
    public Recovery {
        if (!(level >= 0 && level <= 1)) {
            throw new IllegalArgumentException("Recovery lies between 0 and 1, not at " + level);
        }
        if (!(k > 0)) {
            throw new IllegalArgumentException("K is a time above zero, not " + k);
        }
    }

    /** Rested, with the usual K. */
    public static Recovery full() {
        return new Recovery(1, USUAL_K);
    }

    /**
     * The recovery after playing.
     *
     * @param ratio tempo over the comfortable tempo, positive
     * @param seconds how long, not negative
     */
    public Recovery afterPlaying(double ratio, double seconds) {
        return ratio > 1
                ? new Recovery(Math.max(0, level - cost(ratio, seconds, k)), k)
                : filled(seconds, TAU / (1 - SLOW_PLAYING * ratio));
    }

    /** The recovery after {@code seconds} of rest. */
    public Recovery afterRest(double seconds) {
        return filled(seconds, TAU);
    }

    private Recovery filled(double seconds, double tau) {
        return new Recovery(1 - (1 - level) * Math.exp(-seconds / tau), k);
    }

    /** What playing for {@code seconds} at {@code ratio} times the comfortable tempo takes from a recovery. */
    public static double cost(double ratio, double seconds, double k) {
        return Math.max(0, (ratio - 1) / k * seconds);
    }

    /**
     * The rest that brings the recovery up to {@code wanted}.
     *
     * @param wanted a level below 1
     * @return seconds, 0 when it is there already
     */
    public double restUntil(double wanted) {
        return wanted <= level ? 0 : TAU * Math.log((1 - level) / (1 - wanted));
    }

    /**
     * The level that becomes {@code wanted} by slow playing, so that the rest before it can be shorter.
     *
     * @param ratio tempo over the comfortable tempo, up to 1
     * @return the level needed before, not below 0
     */
    public static double beforeSlowPlaying(double wanted, double ratio, double seconds) {
        if (ratio > 1) {
            return wanted;
        }
        double tau = TAU / (1 - SLOW_PLAYING * ratio);
        return Math.max(0, 1 - (1 - wanted) * Math.exp(seconds / tau));
    }
}

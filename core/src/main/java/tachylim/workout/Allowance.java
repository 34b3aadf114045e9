package tachylim.workout;

import java.util.List;
import tachylim.load.Effort;
import tachylim.load.Limit;

/**
 * What may still be done today. This class is immutable.
 *
 * @param effort effort left
 * @param burstSeconds seconds of fast playing left, not negative: with none, nothing is measured and nothing goes above the comfortable tempo
 * @param playingSeconds seconds of playing left, not negative
 */
public record Allowance(Effort effort, double burstSeconds, double playingSeconds) {

    /** Nothing may be done any more. */
    public static final Allowance NONE = new Allowance(Effort.NONE, 0, 0);

    /** With less than this left, nothing is planned: in effort minutes, and in seconds of playing. */
    private static final Effort LEAST_EFFORT = new Effort(2);

    private static final double LEAST_SECONDS = 120;

    /**
     * @throws IllegalArgumentException if a part is negative
     */
    public Allowance {
        if (burstSeconds < 0 || playingSeconds < 0) {
            throw new IllegalArgumentException("What is left of a day is not negative");
        }
    }

    /** What the limits of a day leave, one of each kind. */
    public static Allowance of(List<Limit> limits) {
        return new Allowance(
                new Effort(left(limits, Limit.Kind.EFFORT)),
                left(limits, Limit.Kind.BURST_SECONDS),
                60 * left(limits, Limit.Kind.PLAYING_MINUTES));
    }

    private static double left(List<Limit> limits, Limit.Kind kind) {
        return limits.stream()
                .filter(limit -> limit.kind() == kind)
                .findFirst()
                .orElseThrow()
                .left();
    }

    /** Whether enough is left to be worth warming up for. */
    public boolean isWorthStarting() {
        return !LEAST_EFFORT.isMoreThan(effort) && playingSeconds >= LEAST_SECONDS;
    }

    /** What is left once some of it is used; nothing is left where more was used than there was. */
    Allowance less(Effort usedEffort, double usedBurstSeconds, double usedPlayingSeconds) {
        return new Allowance(
                effort.less(usedEffort),
                Math.max(0, burstSeconds - usedBurstSeconds),
                Math.max(0, playingSeconds - usedPlayingSeconds));
    }
}

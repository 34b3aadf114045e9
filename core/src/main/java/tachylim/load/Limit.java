package tachylim.load;

import tachylim.words.Reason;

/**
 * One limit of today and how much of it is used. This class is immutable.
 *
 * @param kind which limit
 * @param cap how much may be done today, in the kind's unit, not negative
 * @param used how much is done, in the same unit
 * @param why where the cap comes from
 */
public record Limit(Kind kind, double cap, double used, Reason why) {

    /** The limits a day can have, each with its unit. Fast playing is bursts, and a share of what measures. */
    public enum Kind {
        EFFORT(false),
        BURST_SECONDS(true),
        PLAYING_MINUTES(false);

        private final boolean inSeconds;

        Kind(boolean inSeconds) {
            this.inSeconds = inSeconds;
        }

        /** What it counts. */
        public Reason unit() {
            return Reason.of(
                    switch (this) {
                        case EFFORT -> "refusal.unit.effort";
                        case BURST_SECONDS -> "refusal.unit.bursts";
                        case PLAYING_MINUTES -> "refusal.unit.playing";
                    });
        }

        /** Whether it counts seconds, which are shown as a clock shows them. */
        public boolean isInSeconds() {
            return inSeconds;
        }
    }

    /** What is left, in the kind's unit, not negative. */
    public double left() {
        return Math.max(0, cap - used);
    }

    /** How far above it the pages outside of workouts close too, as a share of it. */
    private static final double CLOSED_ABOVE = 1.1;

    /** Whether so much is used that nothing of it may be had on any page: who plays outside of workouts is warned at the cap first. */
    public boolean isClosed() {
        return used >= CLOSED_ABOVE * cap;
    }

    /** The used share, 1 or more when nothing is left. */
    public double share() {
        return cap <= 0 ? 1 : used / cap;
    }
}

package tachylim.load;

/**
 * One limit of today and how much of it is used. This class is immutable.
 *
 * @param kind which limit
 * @param cap how much may be done today, in the kind's unit, not negative
 * @param used how much is done, in the same unit
 * @param why where the cap comes from, one sentence
 */
public record Limit(Kind kind, double cap, double used, String why) {

    /** The limits a day can have. Each names its unit. */
    public enum Kind {
        EFFORT("effort minutes"),
        BURST_SECONDS("seconds of bursts"),
        PLAYING_MINUTES("minutes of playing");

        private final String unit;

        Kind(String unit) {
            this.unit = unit;
        }

        public String unit() {
            return unit;
        }
    }

    /** What is left, in the kind's unit, not negative. */
    public double left() {
        return Math.max(0, cap - used);
    }

    /** The used share, 1 or more when nothing is left. */
    public double share() {
        return cap <= 0 ? 1 : used / cap;
    }
}

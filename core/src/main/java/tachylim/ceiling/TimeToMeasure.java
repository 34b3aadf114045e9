package tachylim.ceiling;

import tachylim.words.Reason;

/** When a ceiling test is worth its time: while the ceiling is not known well, and when what is known is old. */
public final class TimeToMeasure {

    /** A ceiling that is known to no better than this either way is worth measuring. */
    private static final double WIDE = 0.06;

    /** After so many days a figure is old. */
    private static final long OLD_DAYS = 14;

    private TimeToMeasure() {}

    /**
     * Why the ceiling should be measured; nothing to say when it need not be.
     *
     * @param estimate what is known today
     * @param daysSincePlayed days since it was played; null when it never was
     */
    public static Reason why(Estimate estimate, Long daysSincePlayed) {
        if (daysSincePlayed == null) {
            return Reason.of("measure.never");
        }
        if (daysSincePlayed >= OLD_DAYS) {
            return Reason.of("measure.old", "days", daysSincePlayed);
        }
        double giveOrTake = estimate.ceiling().giveOrTake();
        return giveOrTake > WIDE ? Reason.of("measure.vague", "percent", Math.round(100 * giveOrTake)) : Reason.NONE;
    }
}

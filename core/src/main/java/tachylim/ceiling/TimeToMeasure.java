package tachylim.ceiling;

/** When a ceiling test is worth its time: while the ceiling is not known well, and when what is known is old. */
public final class TimeToMeasure {

    /** A ceiling that is known to no better than this either way is worth measuring. */
    private static final double WIDE = 0.06;

    /** After so many days a figure is old. */
    private static final long OLD_DAYS = 14;

    private TimeToMeasure() {}

    /**
     * Why the ceiling should be measured, one sentence; empty when it need not be.
     *
     * @param estimate what is known today
     * @param daysSincePlayed days since it was played; null when it never was
     */
    public static String why(Estimate estimate, Long daysSincePlayed) {
        if (daysSincePlayed == null) {
            return "It has not been played yet: a ceiling test finds out where it stands.";
        }
        if (daysSincePlayed >= OLD_DAYS) {
            return "Last played " + daysSincePlayed + " days ago: a ceiling test says where it stands now.";
        }
        double giveOrTake = estimate.ceiling().giveOrTake();
        return giveOrTake > WIDE
                ? "Its ceiling is known to ±" + Math.round(100 * giveOrTake)
                        + "% only: a ceiling test of up to 14 passes brings that to a few."
                : "";
    }
}

package tachylim.ceiling;

/**
 * How fast a piece really is today. This class is immutable.
 *
 * @param ease clean 95 times in 100, or the tempo of tension 2 where that is lower
 * @param ceiling clean 80 times in 100: the headline
 * @param breakdown broken every other time
 */
public record Estimate(Band ease, Band ceiling, Band breakdown) {

    /** An interval wider than this share either way is not enough evidence. */
    public static final double WIDEST = 0.08;

    /** Whether the ceiling is known well enough to be stated. */
    public boolean enoughEvidence() {
        return ceiling.giveOrTake() <= WIDEST;
    }
}

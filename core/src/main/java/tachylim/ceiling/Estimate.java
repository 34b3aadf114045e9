package tachylim.ceiling;

import tachylim.tempo.Tempo;

/**
 * How fast a piece really is today. This class is immutable.
 *
 * @param ease clean 95 times in 100, or the tempo of tension 2 where that is lower
 * @param ceiling clean 80 times in 100: the headline
 * @param breakdown broken every other time
 * @param passes how many whole rested passes' worth of evidence it rests on, not negative; 0 for a guess
 */
public record Estimate(Band ease, Band ceiling, Band breakdown, double passes) {

    /** However sure a first guess is, it takes this many passes to be evidence. */
    public static final double LEAST_PASSES = 3;

    /** An interval wider than this share either way is not enough evidence. */
    public static final double WIDEST = 0.08;

    /** A tempo over the ease tempo. */
    public double overEase(Tempo tempo) {
        return tempo.ratioTo(ease.middle());
    }

    /** Whether the ceiling is known well enough to be stated. */
    public boolean enoughEvidence() {
        return passes >= LEAST_PASSES && ceiling.giveOrTake() <= WIDEST;
    }
}

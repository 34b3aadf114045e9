package tachylim.variation;

import java.util.Arrays;
import java.util.List;

/**
 * How much each transition of a passage needs to be trained: 1, and more where it has broken lately.
 *
 * <p>Each break counts 1 on its day and half as much every {@value #HALF_LIFE_DAYS} days after: a rule of
 * thumb, so that last week's trouble still counts and last month's hardly does.
 */
public final class TransitionNeed {

    /** A break counts half after this many days. */
    public static final double HALF_LIFE_DAYS = 7;

    /** Breaks from longer ago are not looked at: a sixteenth of one is left. */
    public static final int DAYS = 28;

    private TransitionNeed() {}

    /**
     * A transition that broke. This class is immutable.
     *
     * @param transition the transition, from 0
     * @param daysAgo days since, 0 or more
     */
    public record Break(int transition, long daysAgo) {}

    /**
     * The need of each of {@code transitions} transitions.
     *
     * @param transitions how many transitions there are
     * @param breaks the breaks noted; those of other transitions are passed over
     */
    public static double[] of(int transitions, List<Break> breaks) {
        double[] need = new double[Math.max(0, transitions)];
        Arrays.fill(need, 1);
        for (Break one : breaks) {
            if (one.transition() >= 0 && one.transition() < transitions) {
                need[one.transition()] += Math.pow(0.5, Math.max(0, one.daysAgo()) / HALF_LIFE_DAYS);
            }
        }
        return need;
    }
}

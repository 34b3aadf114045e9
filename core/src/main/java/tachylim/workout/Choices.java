package tachylim.workout;

import tachylim.load.Caution;
import tachylim.method.IntervalBursts;
import tachylim.method.SteadyClimb;

/**
 * What the player may choose about a workout. This class is immutable.
 *
 * @param school the method of its core
 * @param bursts bursts at most, 1 to 12
 * @param burstBeats beats of a burst, 1 or 2
 * @param controlledShare slow passes between bursts as a share of the ceiling, 0.55 to 0.70
 * @param firstBurstShare the first burst as a share of the ceiling, 1.01 to 1.10
 * @param cleanInARow clean passes that earn a step of a climb, 1 to 6
 * @param caution the reserve wanted before a burst
 * @param focus what to attend to, one thing, up to 60 characters
 */
public record Choices(
        School school,
        int bursts,
        int burstBeats,
        double controlledShare,
        double firstBurstShare,
        int cleanInARow,
        Caution caution,
        String focus) {

    private static final int LONGEST_FOCUS = 60;

    /**
     * @throws IllegalArgumentException if a choice is outside its range
     */
    public Choices {
        check(bursts >= 1 && bursts <= 12, "Choose 1 to 12 bursts, not " + bursts);
        check(burstBeats == 1 || burstBeats == 2, "A burst lasts 1 or 2 beats, not " + burstBeats);
        check(
                controlledShare >= 0.55 && controlledShare <= 0.70,
                "Slow passes lie at 55 to 70% of the ceiling, not at " + percent(controlledShare));
        check(
                firstBurstShare >= 1.01 && firstBurstShare <= 1.10,
                "The first burst lies 1 to 10% above the ceiling, not at " + percent(firstBurstShare) + " of it");
        check(cleanInARow >= 1 && cleanInARow <= 6, "A step is earned by 1 to 6 clean passes, not " + cleanInARow);
        check(focus.length() <= LONGEST_FOCUS, "A focus is at most " + LONGEST_FOCUS + " characters");
    }

    private static void check(boolean holds, String refusal) {
        if (!holds) {
            throw new IllegalArgumentException(refusal);
        }
    }

    private static String percent(double share) {
        return Math.round(share * 100) + "%";
    }

    /** What is chosen when nothing is. */
    public static Choices usual() {
        return new Choices(
                School.INTERVAL_BURSTS,
                8,
                2,
                IntervalBursts.USUAL_CONTROLLED,
                IntervalBursts.USUAL_FIRST,
                SteadyClimb.USUAL_CLEAN_IN_A_ROW,
                Caution.USUAL,
                "relaxed hand");
    }
}

package tachylim.workout;

import java.util.List;
import java.util.OptionalLong;
import tachylim.ceiling.Estimate;
import tachylim.method.School;
import tachylim.tempo.Tempo;

/**
 * Which method a section wants now, with the reason: from what is known of it, how far it is from its target, where it breaks,
 * the days and the burst time left, and what was used lately. A rule of thumb, to be overruled at any time.
 *
 * @param school the method
 * @param why the reason, one sentence with its numbers
 */
public record WhichMethod(School school, String why) {

    /** So close to the target little steps are enough, as a share. */
    private static final double NEAR = 1.03;

    /** So far from it bursts would only train the slip, as a share. */
    private static final double FAR = 1.3;

    /** Before a performance nothing new is tried for so many days. */
    private static final long LAST_DAYS = 2;

    /** A performance so near is rehearsed. */
    private static final long WEEK = 7;

    /** After a method was used so often in a row another one is worth a try. */
    private static final int ENOUGH_IN_A_ROW = 3;

    /**
     * The method for a section.
     *
     * @param daysLeft days until it is needed; empty without a date
     * @param left what may still be done today
     * @param lately the methods of its last workouts, the newest first
     */
    public static WhichMethod now(Theme theme, OptionalLong daysLeft, Allowance left, List<School> lately) {
        Estimate estimate = theme.estimate();
        Tempo ceiling = estimate.ceiling().middle();
        double gap = theme.target().ratioTo(ceiling);
        long days = daysLeft.orElse(Long.MAX_VALUE);
        if (!estimate.enoughEvidence()) {
            return new WhichMethod(
                    School.STEADY_CLIMB,
                    "The ceiling is known to ±"
                            + Math.round(100 * estimate.ceiling().giveOrTake())
                            + "% only: a climb and its probes come first.");
        }
        if (days >= 0 && days <= LAST_DAYS) {
            return new WhichMethod(School.PERFORMANCE_RUN, inDays(days) + ": play it through, and try nothing new.");
        }
        if (gap <= 1) {
            return days >= 0 && days <= WEEK
                    ? new WhichMethod(
                            School.PERFORMANCE_RUN,
                            "The ceiling of " + ceiling + " has passed the target, and "
                                    + inDays(days).toLowerCase() + ": play it through.")
                    : new WhichMethod(
                            School.UPKEEP,
                            "The ceiling of " + ceiling + " has passed the target of " + theme.target() + ".");
        }
        if (!theme.known().awkward().isEmpty()) {
            var band = theme.known().awkward().get(0);
            return new WhichMethod(
                    School.NARROW_STEPS,
                    "You miss more between " + band.from() + " and " + band.to() + " BPM than above.");
        }
        if (left.burstSeconds() <= 0) {
            return new WhichMethod(School.SETBACK_LADDER, "Today's burst time is used: a ladder needs none.");
        }
        if (gap > FAR) {
            return new WhichMethod(
                    School.TAPER,
                    "From " + ceiling + " to " + theme.target()
                            + " it is far: many slow repetitions, then few faster ones.");
        }
        if (!theme.weak().isEmpty()) {
            int transition = theme.weak().get(0);
            return new WhichMethod(
                    School.GROWING_BURSTS,
                    "It breaks between notes " + (transition + 1) + " and " + (transition + 2)
                            + ": a few notes at speed, from there outward.");
        }
        if (gap <= NEAR) {
            return new WhichMethod(
                    School.CREST_AND_SETTLE,
                    "From " + ceiling + " to " + theme.target()
                            + " it is a small step: settle under it until it is easy.");
        }
        boolean often = lately.size() >= ENOUGH_IN_A_ROW
                && lately.subList(0, ENOUGH_IN_A_ROW).stream().allMatch(School.INTERVAL_BURSTS::equals);
        return often
                ? new WhichMethod(
                        School.SWITCH_BURSTS,
                        "Interval bursts were used " + ENOUGH_IN_A_ROW + " times in a row: the same on one click.")
                : new WhichMethod(
                        School.INTERVAL_BURSTS,
                        "From " + ceiling + " to " + theme.target() + " it is " + Math.round(100 * (gap - 1))
                                + "%: short bursts above the ceiling, slow passes between.");
    }

    private static String inDays(long days) {
        return days == 0 ? "It is today" : days == 1 ? "It is tomorrow" : "It is in " + days + " days";
    }
}

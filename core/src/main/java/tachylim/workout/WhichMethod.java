package tachylim.workout;

import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import tachylim.ceiling.Estimate;
import tachylim.method.School;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Which method a section wants now, with the reason: from what is known of it, how far it is from its target, where it breaks,
 * the days and the burst time left, and what was used lately. A rule of thumb, to be overruled at any time.
 *
 * @param school the method
 * @param why the reason, with its numbers
 */
public record WhichMethod(School school, Reason why) {

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

    /** A ceiling that is believed to gain less than this in a day of practice stands still, ln BPM. */
    private static final double STANDING = 0.001;

    /** What is tried in between, and where a ceiling stands still: another way to the same end. */
    private static final Map<School, School> OTHERWISE = Map.of(
            School.TAPER, School.SETBACK_LADDER,
            School.CREST_AND_SETTLE, School.SETTLE_OVERNIGHT,
            School.GROWING_BURSTS, School.INTERVAL_BURSTS,
            School.NARROW_STEPS, School.ARCH,
            School.SETBACK_LADDER, School.PULSE_LADDER);

    /**
     * The method for a section; another one after some days of the same.
     *
     * @param daysLeft days until it is needed; empty without a date
     * @param left what may still be done today
     * @param lately the methods of its last workouts, the newest first
     */
    public static WhichMethod now(Theme theme, OptionalLong daysLeft, Allowance left, List<School> lately) {
        WhichMethod usual = usual(theme, daysLeft, left, lately);
        School other = OTHERWISE.get(usual.school);
        return other != null && isOften(usual.school, lately)
                ? new WhichMethod(
                        other,
                        Reason.of(
                                isStanding(theme) ? "which.still" : "which.turn",
                                "method",
                                Reason.of("method." + usual.school.name()),
                                "times",
                                ENOUGH_IN_A_ROW))
                : usual;
    }

    private static boolean isOften(School school, List<School> lately) {
        return lately.size() >= ENOUGH_IN_A_ROW
                && lately.subList(0, ENOUGH_IN_A_ROW).stream().allMatch(school::equals);
    }

    private static boolean isStanding(Theme theme) {
        return theme.known().belief().map(belief -> belief.gain() < STANDING).orElse(false);
    }

    private static WhichMethod usual(Theme theme, OptionalLong daysLeft, Allowance left, List<School> lately) {
        Estimate estimate = theme.estimate();
        Tempo ceiling = estimate.ceiling().middle();
        double gap = theme.target().ratioTo(ceiling);
        long days = daysLeft.orElse(Long.MAX_VALUE);
        if (!estimate.enoughEvidence()) {
            return new WhichMethod(
                    School.STEADY_CLIMB,
                    Reason.of(
                            "which.vague",
                            "percent",
                            Math.round(100 * estimate.ceiling().giveOrTake())));
        }
        if (days >= 0 && days <= LAST_DAYS) {
            return new WhichMethod(School.PERFORMANCE_RUN, Reason.of("which.perform", "days", days));
        }
        // What is shown is whole: a ceiling of 111.6 is said to be 112, and is there.
        if (gap <= 1 || ceiling.onMetronome().compareTo(theme.target()) >= 0) {
            return days >= 0 && days <= WEEK
                    ? new WhichMethod(
                            School.PERFORMANCE_RUN, Reason.of("which.readyPerform", "ceiling", ceiling, "days", days))
                    : new WhichMethod(
                            School.UPKEEP, Reason.of("which.ready", "ceiling", ceiling, "target", theme.target()));
        }
        if (!theme.known().awkward().isEmpty()) {
            var band = theme.known().awkward().get(0);
            return new WhichMethod(
                    School.NARROW_STEPS, Reason.of("which.awkward", "from", band.from(), "to", band.to()));
        }
        if (left.burstSeconds() <= 0) {
            return new WhichMethod(School.SETBACK_LADDER, Reason.of("which.noBursts"));
        }
        if (gap > FAR) {
            return new WhichMethod(School.TAPER, Reason.of("which.far", "ceiling", ceiling, "target", theme.target()));
        }
        if (!theme.weak().isEmpty()) {
            int transition = theme.weak().get(0);
            return new WhichMethod(
                    School.GROWING_BURSTS, Reason.of("which.breaks", "from", transition + 1, "to", transition + 2));
        }
        if (gap <= NEAR) {
            return new WhichMethod(
                    School.CREST_AND_SETTLE, Reason.of("which.small", "ceiling", ceiling, "target", theme.target()));
        }
        return isOften(School.INTERVAL_BURSTS, lately)
                ? new WhichMethod(School.SWITCH_BURSTS, Reason.of("which.another", "times", ENOUGH_IN_A_ROW))
                : new WhichMethod(
                        School.INTERVAL_BURSTS,
                        Reason.of(
                                "which.bursts",
                                "ceiling",
                                ceiling,
                                "target",
                                theme.target(),
                                "percent",
                                Math.round(100 * (gap - 1))));
    }
}

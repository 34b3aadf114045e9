package tachylim.load;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import tachylim.words.Reason;

/**
 * Coming back after a layoff or a symptom: what was usual before is not usual now. After g days away the first day has at
 * most {@value #FIRST} of it, and more each day until, after min(21, max(3, g)) days, all of it is allowed again; there are
 * no bursts in the first third. A rule of thumb. This class is immutable.
 *
 * @param day which day of the return today is, from 0
 * @param length how many days it takes, {@value #SHORTEST} to {@value #LONGEST}
 * @param away how many days nothing was played; 0 after a symptom
 * @param usual the effort of a usual day before
 */
public record Return(int day, int length, int away, Effort usual) {

    public static final double FIRST = 0.4;
    static final int SHORTEST = 3;
    static final int LONGEST = 21;

    /** Without a break in the days of a return, in seconds. */
    public static final double UNBROKEN_SECONDS = 8 * 60;

    /**
     * @throws IllegalArgumentException if the day is not one of it
     */
    public Return {
        if (length < SHORTEST || length > LONGEST || day < 0 || day >= length) {
            throw new IllegalArgumentException("Day " + day + " of a return of " + length);
        }
    }

    /** The return from the last layoff, if today belongs to it. */
    static Optional<Return> afterLayoff(History history) {
        return Layoff.last(history).flatMap(one -> since(history, one.from(), one.back(), one.away()));
    }

    /** Whether a layoff ended so few days ago that weeks before it are in what a week is compared with. */
    static boolean isNear(History history) {
        return Layoff.last(history)
                .filter(one -> ChronoUnit.DAYS.between(one.back(), history.today()) < History.MONTH)
                .isPresent();
    }

    /** The return from the rest after a symptom that was over on a day, if today belongs to it. */
    static Optional<Return> afterSymptom(History history, LocalDate over) {
        return since(history, over, over, 0);
    }

    private static Optional<Return> since(History history, LocalDate until, LocalDate back, int away) {
        int length = Math.min(LONGEST, Math.max(SHORTEST, away));
        long day = ChronoUnit.DAYS.between(back, history.today());
        Effort usual = history.median(until, 1).orElse(history.usualEffort());
        return day >= 0 && day < length ? Optional.of(new Return((int) day, length, away, usual)) : Optional.empty();
    }

    /** How much of a usual day today may have, {@value #FIRST} to 1. */
    public double share() {
        return FIRST + (1 - FIRST) * day / (length - 1);
    }

    /** The effort that today may have. */
    public Effort cap() {
        return usual.times(share());
    }

    /** Whether it is too early for bursts: in the first third. */
    public boolean isTooEarlyForBursts() {
        return day < (length + 2) / 3;
    }

    Reason why() {
        return Reason.of(
                "cap.return",
                "day",
                day + 1,
                "length",
                length,
                "away",
                away,
                "percent",
                Math.round(100 * share()),
                "usual",
                Math.round(usual.minutes()));
    }
}

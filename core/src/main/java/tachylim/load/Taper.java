package tachylim.load;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;

/**
 * Doing less before a performance: over the last {@value #DAYS} days down to {@value #LAST} of a usual day, and nothing above
 * the ceiling in the last {@value #NO_BURSTS} and on the day itself. This class is immutable.
 *
 * @param daysLeft days until the performance, 0 to {@value #DAYS}
 */
public record Taper(int daysLeft) {

    public static final int DAYS = 7;
    public static final double LAST = 0.4;
    public static final int NO_BURSTS = 2;

    /**
     * @throws IllegalArgumentException if it is another number of days
     */
    public Taper {
        if (daysLeft < 0 || daysLeft > DAYS) {
            throw new IllegalArgumentException("A taper is 0 to " + DAYS + " days before, not " + daysLeft);
        }
    }

    /** The taper before the nearest of some performances, if today is near enough to one. */
    static Optional<Taper> before(Collection<LocalDate> performances, LocalDate today) {
        return performances.stream()
                .filter(day -> !day.isBefore(today))
                .min(Comparator.naturalOrder())
                .map(day -> ChronoUnit.DAYS.between(today, day))
                .filter(days -> days <= DAYS)
                .map(days -> new Taper(days.intValue()));
    }

    /** How much of a usual day today may have, {@value #LAST} to 1. */
    public double share() {
        return LAST + (1 - LAST) * daysLeft / DAYS;
    }

    /** Whether it is too late for bursts. */
    public boolean isTooLateForBursts() {
        return daysLeft <= NO_BURSTS;
    }
}

package tachylim.load;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.stream.Stream;

/**
 * Where a player lives, and so when their day turns: at {@value #TURNS_AT} in the morning, since what is
 * practised after midnight belongs to the evening before.
 *
 * <p>Moving to another zone holds only once the running day has ended in both, and a day that has begun is
 * never gone back behind, so that no instant ever has two days' caps open. A move can be asked for once a day.
 * This class is immutable.
 *
 * @param zone the zone lived in until the next move holds
 * @param next the zone moved to, null when there is no move
 * @param nextFrom from when it holds, null when there is no move
 * @param askedOn the day on which the last move was asked for, null if never
 * @param askedAt when it was asked for, null if never
 */
public record DayBoundary(ZoneId zone, ZoneId next, Instant nextFrom, LocalDate askedOn, Instant askedAt) {

    /** The hour at which a day turns. */
    public static final int TURNS_AT = 4;

    /** A player who has always lived in {@code zone}. */
    public static DayBoundary in(ZoneId zone) {
        return new DayBoundary(zone, null, null, null, null);
    }

    /** The zone that holds at {@code now}. */
    public ZoneId zoneAt(Instant now) {
        return next != null && !now.isBefore(nextFrom) ? next : zone;
    }

    /** Whether a move is asked for that does not hold yet. */
    public boolean isMoving(Instant now) {
        return next != null && now.isBefore(nextFrom);
    }

    /** The player's day at {@code now}. */
    public LocalDate day(Instant now) {
        boolean sinceAsked = askedAt != null && !now.isBefore(askedAt);
        LocalDate day = later(day(now, zoneAt(now)), sinceAsked ? askedOn : null);
        return next == null || now.isBefore(nextFrom) ? day : later(day, day(nextFrom.minusNanos(1), zone));
    }

    private static LocalDate later(LocalDate day, LocalDate begun) {
        return begun != null && day.isBefore(begun) ? begun : day;
    }

    private static LocalDate day(Instant now, ZoneId zone) {
        var local = now.atZone(zone);
        return local.toLocalTime().isBefore(LocalTime.of(TURNS_AT, 0))
                ? local.toLocalDate().minusDays(1)
                : local.toLocalDate();
    }

    /** When the day that runs at {@code now} began: after a move that is where it began, whichever zone that was. */
    public Instant dayBegan(Instant now) {
        LocalDate today = day(now);
        return Stream.of(zone, zoneAt(now))
                .map(where -> today.atTime(TURNS_AT, 0).atZone(where).toInstant())
                .filter(began -> !began.isAfter(now) && day(began).equals(today))
                .min(Comparator.naturalOrder())
                .orElseGet(() -> dayEnds(now).minus(Duration.ofDays(1)));
    }

    /** When the day that runs at {@code now} ends. */
    public Instant dayEnds(Instant now) {
        return dayEnds(now, zoneAt(now));
    }

    private static Instant dayEnds(Instant now, ZoneId zone) {
        return day(now, zone).plusDays(1).atTime(TURNS_AT, 0).atZone(zone).toInstant();
    }

    /**
     * The home after a move to {@code to} was asked for.
     *
     * @throws IllegalStateException if a move was asked for today already, or the last does not hold yet
     */
    public DayBoundary movingTo(ZoneId to, Instant now) {
        LocalDate today = day(now);
        if (isMoving(now)) {
            throw new IllegalStateException("The move to " + next + " does not hold yet; ask for another once it does");
        }
        if (askedOn != null && !askedOn.isBefore(today)) {
            throw new IllegalStateException("One move a day: ask again tomorrow");
        }
        ZoneId here = zoneAt(now);
        Instant ends = dayEnds(now, here);
        Instant endsThere = dayEnds(now, to);
        return new DayBoundary(here, to, ends.isAfter(endsThere) ? ends : endsThere, today, now);
    }
}

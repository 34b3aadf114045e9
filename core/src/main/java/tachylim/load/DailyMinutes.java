package tachylim.load;

import java.time.LocalDate;
import tachylim.words.Refusal;

/**
 * The minutes a player usually plays a day, and so the caps of each day.
 *
 * <p>Fewer minutes hold at once; more hold from tomorrow, so that a cap is never raised in the heat of the day. On the day
 * they are first given they may be set freely. This class is immutable.
 *
 * @param minutes the minutes that hold until others do, {@value #LEAST} to {@value #MOST}
 * @param next the minutes that will hold, null when nothing is about to change
 * @param from the day from which they hold, null when nothing is about to change
 * @param givenOn the day on which minutes were first given
 */
public record DailyMinutes(int minutes, Integer next, LocalDate from, LocalDate givenOn) {

    public static final int LEAST = 5;
    public static final int MOST = 600;

    /**
     * @throws IllegalArgumentException if minutes are outside their range, or others come without their day
     */
    public DailyMinutes {
        checked(minutes);
        if (next != null) {
            checked(next);
        }
        if ((next == null) != (from == null)) {
            throw Refusal.of("refusal.dailyMinutes.otherMinutesHoldFromADay");
        }
    }

    /** What somebody is taken to play who has not said. */
    public static final int USUAL = 30;

    /** The minutes of somebody who gives them for the first time. */
    public static DailyMinutes of(int minutes, LocalDate today) {
        return new DailyMinutes(checked(minutes), null, null, today);
    }

    /**
     * @throws IllegalArgumentException if the minutes are outside their range
     */
    static int checked(int minutes) {
        if (minutes < LEAST || minutes > MOST) {
            throw Refusal.of(
                    "refusal.dailyMinutes.giveToMinutesADayNot", "least", LEAST, "most", MOST, "minutes", minutes);
        }
        return minutes;
    }

    /** The minutes that hold on {@code day}. */
    public int on(LocalDate day) {
        return next != null && !day.isBefore(from) ? next : minutes;
    }

    /** The minutes that hold from tomorrow, or null when nothing is about to change on {@code day}. */
    public Integer tomorrow(LocalDate day) {
        return next != null && day.isBefore(from) ? next : null;
    }

    /**
     * The minutes after {@code wanted} were asked for on {@code today}.
     *
     * @throws IllegalArgumentException if they are outside their range
     */
    public DailyMinutes asked(int wanted, LocalDate today) {
        int now = on(today);
        boolean free = checked(wanted) <= now || today.equals(givenOn);
        return free
                ? new DailyMinutes(wanted, null, null, givenOn)
                : new DailyMinutes(now, wanted, today.plusDays(1), givenOn);
    }
}

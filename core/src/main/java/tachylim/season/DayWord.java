package tachylim.season;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import tachylim.words.Reason;

/**
 * What is said of a day that is not like most: each is an ordinary one too, and none is owed anything. This class is
 * immutable.
 *
 * @param kind what kind of day it is
 * @param sentence what is said of it; empty on a usual day
 */
public record DayWord(Kind kind, Reason sentence) {

    /** The kinds of days. */
    public enum Kind {
        USUAL,
        OFF,
        EASY,
        FORGOTTEN,
        DONE
    }

    private static final DayWord USUAL = new DayWord(Kind.USUAL, Reason.NONE);

    /**
     * The word for a day.
     *
     * @param today the day
     * @param off whether it was to be without practice
     * @param easy whether the player wants no more than the minimum
     * @param playedToday whether anything was played on it already
     * @param lastPlayed the last day before it with any playing; null when there was none
     * @param offBefore how many of the days since then were to be without practice
     */
    public static DayWord of(
            LocalDate today, boolean off, boolean easy, boolean playedToday, LocalDate lastPlayed, int offBefore) {
        if (easy) {
            return new DayWord(Kind.EASY, Reason.of("day.easy"));
        }
        if (playedToday) {
            return new DayWord(Kind.DONE, Reason.NONE);
        }
        if (off) {
            return new DayWord(Kind.OFF, Reason.of("day.off"));
        }
        long missed = lastPlayed == null ? 0 : ChronoUnit.DAYS.between(lastPlayed, today) - 1 - offBefore;
        if (missed <= 0) {
            return USUAL;
        }
        return new DayWord(Kind.FORGOTTEN, Reason.of("day.missed", "days", missed));
    }
}

package tachylim.season;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/**
 * What is said of a day that is not like most: each is an ordinary one too, and none is owed anything. This class is
 * immutable.
 *
 * @param kind what kind of day it is
 * @param sentence what is said of it; empty on a usual day
 */
public record DayWord(Kind kind, String sentence) {

    /** The kinds of days. */
    public enum Kind {
        USUAL,
        OFF,
        EASY,
        FORGOTTEN,
        DONE
    }

    private static final DayWord USUAL = new DayWord(Kind.USUAL, "");

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
            return new DayWord(
                    Kind.EASY,
                    "Eight easy minutes keep the hands in shape. Nothing is measured, and the next workout opens"
                            + " where it would have anyway.");
        }
        if (playedToday) {
            return new DayWord(Kind.DONE, "");
        }
        if (off) {
            return new DayWord(
                    Kind.OFF,
                    "A day off. What was learned settles without playing; whoever wants to can still begin, and it"
                            + " counts as any day.");
        }
        long missed = lastPlayed == null ? 0 : ChronoUnit.DAYS.between(lastPlayed, today) - 1 - offBefore;
        if (missed <= 0) {
            return USUAL;
        }
        return new DayWord(
                Kind.FORGOTTEN,
                (missed == 1 ? "One day" : missed + " days")
                        + " without practice went by. Nothing is owed: today is planned from where you are, and no"
                        + " longer than any other day.");
    }
}

package tachylim.season;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import tachylim.ceiling.Forecast;
import tachylim.tempo.Tempo;

/**
 * A passage as a season sees it. This class is immutable.
 *
 * @param id which passage, by the caller's count
 * @param target the tempo it is wanted at
 * @param ceiling its ceiling today: that of its slowest section
 * @param neededOn the day it is needed; null without a date
 * @param forecast where its ceiling is heading; empty while too few days were played
 * @param pace the effort minutes a day that it had lately, not negative
 */
public record Goal(long id, Tempo target, Tempo ceiling, LocalDate neededOn, Optional<Forecast> forecast, double pace) {

    /** Whether its date is still ahead. */
    boolean isAhead(LocalDate day) {
        return neededOn != null && !neededOn.isBefore(day);
    }

    /**
     * How much it needs practice on a day, as it stands now: it gets further only by the minutes that it is given, and then
     * the days are planned anew.
     */
    double need(LocalDate day) {
        return Need.of(target, ceiling, isAhead(day) ? ChronoUnit.DAYS.between(day, neededOn) : null);
    }
}

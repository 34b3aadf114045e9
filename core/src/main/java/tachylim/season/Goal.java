package tachylim.season;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.OptionalLong;
import tachylim.ceiling.Forecast;
import tachylim.tempo.Tempo;

/**
 * A passage as a season sees it. This class is immutable.
 *
 * @param id which passage, by the caller's count
 * @param target the tempo it is wanted at
 * @param ceiling its ceiling today: that of its slowest section
 * @param neededOn the day it is needed; null without a date
 * @param growth what minutes make of it
 * @param matters how much it matters
 * @param daysSince days since it was last played; empty when it never was
 */
public record Goal(
        long id,
        Tempo target,
        Tempo ceiling,
        LocalDate neededOn,
        Growth growth,
        Importance matters,
        OptionalLong daysSince) {

    /** What has no date is planned for as if it were wanted then. */
    private static final long DAYS_WITHOUT_DATE = 84;

    /** Whether its date is still ahead. */
    boolean isAhead(LocalDate day) {
        return neededOn != null && !neededOn.isBefore(day);
    }

    /** Whether it is likely to be at its target, and not only guessed to be. */
    boolean isUpToTempo() {
        return Growth.chance(growth.level(), target) >= Forecast.LIKELY;
    }

    /** The days there are until it is wanted, the day itself counted in. */
    long days(LocalDate day) {
        return isAhead(day) ? ChronoUnit.DAYS.between(day, neededOn) + 1 : DAYS_WITHOUT_DATE;
    }
}

package tachylim.load;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;

/**
 * Days on which nothing is measured and nothing fast is played: the first after a week or more away, and those soon after
 * a symptom. A rule of thumb; whoever treats the player knows better.
 */
public final class Sparing {

    /** So long after a symptom playing stays easy. */
    private static final Duration AFTER_SYMPTOM = Duration.ofDays(7);

    private Sparing() {}

    /**
     * Why today is for easy playing, one sentence; empty when it need not be.
     *
     * @param today the day that is planned
     * @param lastPlayed the last day before it on which anything was played; null when there was none
     * @param lastSymptom when a symptom was last reported; null when none was
     * @param now the moment it is planned at
     */
    public static String why(LocalDate today, LocalDate lastPlayed, Instant lastSymptom, Instant now) {
        if (lastSymptom != null && lastSymptom.plus(AFTER_SYMPTOM).isAfter(now)) {
            return "A symptom was reported in the last " + AFTER_SYMPTOM.toDays()
                    + " days: easy playing only, nothing is measured. What a licensed practitioner told you goes first.";
        }
        int away = lastPlayed == null ? 0 : Layoff.daysBetween(lastPlayed, today);
        return away >= Layoff.LEAST ? away + " days away: today is for easy playing, and nothing is measured yet." : "";
    }
}

package tachylim.load;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.task.Tension;

/**
 * Days on which nothing is measured and nothing fast is played: the first after a week or more away, those soon after
 * a symptom, and the rest of one on which a hand locked. A rule of thumb; whoever treats the player knows better.
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
     * @param worst the highest tension of today so far
     * @param now the moment it is planned at
     */
    public static String why(LocalDate today, LocalDate lastPlayed, Instant lastSymptom, Tension worst, Instant now) {
        if (lastSymptom != null && lastSymptom.plus(AFTER_SYMPTOM).isAfter(now)) {
            return "A symptom was reported in the last " + AFTER_SYMPTOM.toDays()
                    + " days: easy playing only, nothing is measured. What a licensed practitioner told you goes first.";
        }
        if (worst == Tension.LOCKED) {
            return "Tension reached 5 today: easy playing only until tomorrow, and nothing is measured.";
        }
        int away = lastPlayed == null ? 0 : Layoff.daysBetween(lastPlayed, today);
        return away >= Layoff.LEAST ? away + " days away: today is for easy playing, and nothing is measured yet." : "";
    }
}

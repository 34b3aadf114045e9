package tachylim.load;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.task.Tension;
import tachylim.words.Reason;

/**
 * Days on which nothing is measured and nothing fast is played: the first after a week or more away, those soon after
 * a symptom, and the rest of one on which a hand locked. A rule of thumb; whoever treats the player knows better.
 */
public final class Sparing {

    /** So long after a symptom playing stays easy. */
    private static final Duration AFTER_SYMPTOM = Duration.ofDays(7);

    private Sparing() {}

    /**
     * Why today is for easy playing; nothing to say when it need not be.
     *
     * @param today the day that is planned
     * @param lastPlayed the last day before it on which anything was played; null when there was none
     * @param lastSymptom when a symptom was last reported; null when none was
     * @param worst the highest tension of today so far
     * @param now the moment it is planned at
     */
    public static Reason why(LocalDate today, LocalDate lastPlayed, Instant lastSymptom, Tension worst, Instant now) {
        if (lastSymptom != null && lastSymptom.plus(AFTER_SYMPTOM).isAfter(now)) {
            return Reason.of("spared.symptom", "days", AFTER_SYMPTOM.toDays());
        }
        if (worst == Tension.LOCKED) {
            return Reason.of("spared.locked");
        }
        int away = lastPlayed == null ? 0 : Layoff.daysBetween(lastPlayed, today);
        return away >= Layoff.LEAST ? Reason.of("spared.away", "days", away) : Reason.NONE;
    }
}

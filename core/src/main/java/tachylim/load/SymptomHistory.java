package tachylim.load;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;

/**
 * What a reported symptom means for today. This class is immutable.
 *
 * @param lastSymptom when pain, numbness or tingling was last reported, null if never
 * @param restOver the player's day on which the rest after it was over, null if never or not yet
 * @param burstsLocked whether a second report within {@value #AGAIN_DAYS} days keeps bursts closed until the player has had
 *     advice
 */
public record SymptomHistory(Instant lastSymptom, LocalDate restOver, boolean burstsLocked) {

    /** A second report within so many days is one of the same trouble. */
    public static final int AGAIN_DAYS = 14;

    /** Whether a report is a second one: after the rest that another led to, and soon enough to be of the same trouble. */
    public static boolean isAgain(Instant before, Instant last) {
        return !SymptomRest.after(before).until().isAfter(last)
                && !before.plus(Duration.ofDays(AGAIN_DAYS)).isBefore(last);
    }

    /** Nothing was ever reported. */
    public static final SymptomHistory NONE = new SymptomHistory(null, null, false);
}

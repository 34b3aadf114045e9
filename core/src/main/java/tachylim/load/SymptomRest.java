package tachylim.load;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import tachylim.words.Reason;

/**
 * The time without playing after pain, numbness or tingling. This class is immutable.
 *
 * @param reported when it was reported
 * @param until when playing may begin again
 */
public record SymptomRest(Instant reported, Instant until) {

    /** How long playing stops. */
    public static final Duration LENGTH = Duration.ofHours(48);

    /** The rest after a symptom reported at {@code reported}. */
    public static SymptomRest after(Instant reported) {
        return new SymptomRest(reported, reported.plus(LENGTH));
    }

    /** What is said to somebody who wants to play, in the time of {@code zone}. */
    public Reason reason(ZoneId zone) {
        return Reason.of(
                "refusal.symptomRest",
                "reported",
                LocalDateTime.ofInstant(reported, zone),
                "until",
                LocalDateTime.ofInstant(until, zone));
    }
}

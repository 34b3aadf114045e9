package tachylim.load;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/**
 * The time without playing after pain, numbness or tingling. This class is immutable.
 *
 * @param reported when it was reported
 * @param until when playing may begin again
 */
public record SymptomRest(Instant reported, Instant until) {

    /** How long playing stops. */
    public static final Duration LENGTH = Duration.ofHours(48);

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.ENGLISH);

    /** The rest after a symptom reported at {@code reported}. */
    public static SymptomRest after(Instant reported) {
        return new SymptomRest(reported, reported.plus(LENGTH));
    }

    /** What is said to somebody who wants to play, in the time of {@code zone}. */
    public String sentence(ZoneId zone) {
        return "You reported a symptom on " + WHEN.format(reported.atZone(zone)) + ": no playing until "
                + WHEN.format(until.atZone(zone))
                + ". Listening and reading are open. If it stays, see a physician or a therapist who knows musicians.";
    }
}

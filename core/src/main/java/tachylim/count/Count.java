package tachylim.count;

import java.time.LocalDate;
import tachylim.task.Ask;
import tachylim.words.Refusal;

/**
 * Clean changes that were counted once. This class is immutable.
 *
 * @param day the day, not null
 * @param seconds for how long, {@value Change#HALF_A_MINUTE} or {@value Change#MINUTE}
 * @param clean how many were clean, 0 to {@value Ask#MOST}
 */
public record Count(LocalDate day, int seconds, int clean) {

    /**
     * @throws IllegalArgumentException if it lasted another time, or a number is out of range
     */
    public Count {
        if (seconds != Change.MINUTE && seconds != Change.HALF_A_MINUTE) {
            throw Refusal.of(
                    "refusal.count.aCountLastsOrSecondsNot",
                    "halfAMinute",
                    Change.HALF_A_MINUTE,
                    "minute",
                    Change.MINUTE,
                    "seconds",
                    seconds);
        }
        if (clean < 0 || clean > Ask.MOST) {
            throw Refusal.of("refusal.count.0ToChangesAreCountedNot", "most", Ask.MOST, "clean", clean);
        }
    }

    /** Clean changes a minute. */
    public double perMinute() {
        return clean * 60.0 / seconds;
    }
}

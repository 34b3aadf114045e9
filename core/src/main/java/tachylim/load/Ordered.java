package tachylim.load;

import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * A limit that a teacher or a clinician gave: nothing here ever goes above it, and it says whose it is. This class is
 * immutable.
 *
 * @param kind what is limited
 * @param cap how much a day, in the kind's unit, not negative
 * @param by whose it is, not blank
 */
public record Ordered(Limit.Kind kind, double cap, String by) {

    public static final int LONGEST_NAME = 60;

    /**
     * @throws IllegalArgumentException if the cap is negative or nobody's
     */
    public Ordered {
        by = by.strip();
        if (!(cap >= 0 && cap <= 100_000)) {
            throw Refusal.of("refusal.ordered.aLimitIsNotNegativeAndNot", "cap", cap);
        }
        if (by.isEmpty() || by.length() > LONGEST_NAME) {
            throw Refusal.of("refusal.ordered.sayWhoseLimitItIsInUpTo", "longestName", LONGEST_NAME);
        }
    }

    Reason why() {
        return Reason.of("cap.ordered", "by", by);
    }
}

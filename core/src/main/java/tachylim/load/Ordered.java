package tachylim.load;

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
            throw new IllegalArgumentException("A limit is not negative, and not " + cap);
        }
        if (by.isEmpty() || by.length() > LONGEST_NAME) {
            throw new IllegalArgumentException("Say whose limit it is, in up to " + LONGEST_NAME + " characters");
        }
    }

    String why() {
        return "The limit that " + by + " gave.";
    }
}

package tachylim.load;

/**
 * How a player comes to the next step: what is left of the reserve, and how long the last break is ago. It is
 * carried from one workout to the next, so that beginning another is no rest. This class is immutable.
 *
 * @param reserve the reserve
 * @param sinceBreak seconds since the last break of {@link Guardrails#BREAK_SECONDS}, not negative
 */
public record Condition(Reserve reserve, double sinceBreak) {

    /** After a night, or a break that was long enough for anything. */
    public static final Condition FRESH = new Condition(Reserve.full(), 0);

    /**
     * @throws IllegalArgumentException if the seconds are negative
     */
    public Condition {
        if (!(sinceBreak >= 0)) {
            throw new IllegalArgumentException("A break lies in the past, not " + -sinceBreak + " seconds ahead");
        }
    }

    /** The condition after {@code seconds} without playing; long enough, they are a break. */
    public Condition rested(double seconds) {
        return new Condition(
                reserve.afterRest(seconds), seconds >= Guardrails.BREAK_SECONDS ? 0 : sinceBreak + seconds);
    }

    /** The condition after playing, which took {@code seconds} in all and left {@code after} of the reserve. */
    public Condition played(Reserve after, double seconds) {
        return new Condition(after, sinceBreak + seconds);
    }
}

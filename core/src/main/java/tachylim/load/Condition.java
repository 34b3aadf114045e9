package tachylim.load;

import tachylim.task.Tension;

/**
 * How a player comes to the next step: what is left of the recovery, how long the last break is ago, and how long may be
 * played without one. It is carried from one workout to the next, so that beginning another is no rest. This class is
 * immutable.
 *
 * @param recovery the recovery
 * @param sinceBreak seconds since the last break of {@link Guardrails#BREAK_SECONDS}, not negative
 * @param unbroken seconds that may be played without a break, {@link Return#UNBROKEN_SECONDS} or more
 * @param worst the highest tension of the day before what is played now, in whatever it was felt
 * @param playedSeconds seconds of playing of the day before what is played now, not negative
 */
public record Condition(Recovery recovery, double sinceBreak, double unbroken, Tension worst, double playedSeconds) {

    /** After a night, or a break that was long enough for anything. */
    public static final Condition FRESH = new Condition(Recovery.full(), 0);

    /**
     * @throws IllegalArgumentException if the seconds are negative, or too few to be played at all
     */
    public Condition {
        if (!(sinceBreak >= 0)) {
            throw new IllegalArgumentException("A break lies in the past, not " + -sinceBreak + " seconds ahead");
        }
        if (!(unbroken >= Return.UNBROKEN_SECONDS)) {
            throw new IllegalArgumentException(
                    "Less than " + Return.UNBROKEN_SECONDS + " s between breaks: " + unbroken);
        }
    }

    /** The condition of a player who may play as long without a break as on any day. */
    public Condition(Recovery recovery, double sinceBreak) {
        this(recovery, sinceBreak, Guardrails.UNBROKEN_SECONDS, Tension.LOOSE, 0);
    }

    /** The same, with so many seconds between breaks. */
    public Condition unbrokenFor(double seconds) {
        return new Condition(recovery, sinceBreak, seconds, worst, playedSeconds);
    }

    /** The same, after what the day has had. */
    public Condition after(DayLoad day) {
        return new Condition(recovery, sinceBreak, unbroken, day.worstTension(), day.playedSeconds());
    }

    /** The condition after {@code seconds} without playing; long enough, they are a break. Who is rested stays so. */
    public Condition rested(double seconds) {
        boolean fresh = sinceBreak == 0 || seconds >= Guardrails.BREAK_SECONDS;
        return new Condition(
                recovery.afterRest(seconds), fresh ? 0 : sinceBreak + seconds, unbroken, worst, playedSeconds);
    }

    /** The condition after playing, which took {@code seconds} in all and left {@code after} of the recovery. */
    public Condition played(Recovery after, double seconds) {
        return new Condition(after, sinceBreak + seconds, unbroken, worst, playedSeconds);
    }
}

package tachylim.workout;

/**
 * A step in which the hands hang. This class is immutable.
 *
 * @param reason what the rest is for
 * @param seconds how long it lasts at the least
 * @param why the reason, one sentence
 */
public record Rest(Reason reason, double seconds, String why) implements Step {

    /** What rests are for. */
    public enum Reason {
        /** The recovery fills for the next burst. */
        RECOVER,
        /** Between two blocks. */
        CHANGE,
        /** The break that unbroken playing needs. */
        BREAK,
        /** Something to do away from the instrument. */
        AWAY,
        /** The player asked. */
        ASKED
    }
}

package tachylim.workout;

import tachylim.words.Reason;

/**
 * A step in which the hands hang. This class is immutable.
 *
 * @param purpose what the rest is for
 * @param seconds how long it lasts at the least
 * @param why the reason
 */
public record Rest(Purpose purpose, double seconds, Reason why) implements Step {

    /** What rests are for. */
    public enum Purpose {
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

package tachylim.workout;

/**
 * One click. This class is immutable.
 *
 * @param seconds when it sounds, from the start of its step
 * @param kind what it tells
 */
public record Click(double seconds, Kind kind) {

    /** What a click can tell. */
    public enum Kind {
        /** A beat before playing starts. */
        COUNT_IN,
        /** The first beat of a bar. */
        ACCENT,
        BEAT,
        /** Between two slow beats. */
        SUBDIVISION,
        /** The pass is over. */
        CUE
    }
}

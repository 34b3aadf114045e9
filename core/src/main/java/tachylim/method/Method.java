package tachylim.method;

import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A school of raising the tempo, with its settings. Methods are immutable; {@link #opening()} gives the
 * first position and the answers lead on from there. {@link School} names them all.
 */
public interface Method {

    /** The position before the first pass. */
    Position opening();

    /** Which of the methods it is. */
    School school();

    /** What it does, in with its numbers: why it stands where it stands. */
    Reason promise();

    /** The tempo it never goes above, whole on a metronome. */
    Tempo limit();

    /** Whether it goes above the ceiling, so that what is safe has to be known. */
    default boolean goesAbove() {
        return school().goesAbove();
    }
}

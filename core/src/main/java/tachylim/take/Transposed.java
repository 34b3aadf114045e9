package tachylim.take;

import java.util.Optional;

/**
 * What sounds other than it is written: an instrument in B flat, a guitar an octave lower, strings that are tuned down. Nobody is
 * asked how: the sound tells.
 */
final class Transposed {

    /** Alto instruments sound a major sixth lower, tenors a ninth, the lowest two octaves and more. */
    private static final int MOST_LOWER = 26;

    private static final int MOST_HIGHER = 12;

    /** By so much it is more like other pitches than like those that were asked. */
    private static final double MORE_LIKE = 1.02;

    private static final int LOWEST_PITCH = 16;
    private static final int HIGHEST_PITCH = 115;

    private Transposed() {}

    /** The same take asked for at the pitches that it seems to sound at; empty where these are those that were asked. */
    static Optional<Take> likely(Take take, Tones tones) {
        if (!take.isPitched()) {
            return Optional.empty();
        }
        Take best = null;
        double most = MORE_LIKE * tones.like(take);
        for (int semitones = -MOST_LOWER; semitones <= MOST_HIGHER; semitones++) {
            Take other = take.transposed(semitones);
            double like = isPlayable(other) ? tones.like(other) : 0;
            if (like > most) {
                most = like;
                best = other;
            }
        }
        return Optional.ofNullable(best);
    }

    private static boolean isPlayable(Take take) {
        for (Asked note : take.notes()) {
            for (int pitch : note.pitches()) {
                if (pitch < LOWEST_PITCH || pitch > HIGHEST_PITCH) {
                    return false;
                }
            }
        }
        return true;
    }
}

package tachylim.workout;

import tachylim.method.PassKind;
import tachylim.passage.Passage;
import tachylim.passage.Piece;
import tachylim.tempo.Tempo;

/**
 * A step in which something is played, once or several times round. This class is immutable.
 *
 * @param kind what it is for
 * @param tempo the tempo set
 * @param notes the notes played, as part of the workout's music
 * @param beats how many beats are played in all, rounds included
 * @param rounds how often it goes round without stopping
 * @param countIn beats counted before it, a bar
 * @param why the reason, one sentence
 */
public record Pass(PassKind kind, Tempo tempo, Piece notes, int beats, int rounds, int countIn, String why)
        implements Step {

    /** Notes a second in its quickest places, of {@code music}. */
    public double rate(Passage music) {
        return tempo.rate(music.excerpt(notes).quickestNotesPerBeat());
    }

    /** Seconds of counting in. */
    public double countInSeconds() {
        return tempo.secondsFor(countIn);
    }

    /** Seconds of playing. */
    public double playSeconds() {
        return tempo.secondsFor(beats);
    }

    @Override
    public double seconds() {
        return countInSeconds() + playSeconds();
    }
}

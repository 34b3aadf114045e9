package tachylim.notation.score;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Inflection;
import tachylim.passage.Note;
import tachylim.passage.Pitch;

/**
 * One onset of a {@link Line}: a {@link Note} counted in whole notes, since a score's beat may change and is chosen with the
 * passage that is taken out of it. This class is immutable.
 *
 * @param onset where it starts, in whole notes from the start of the line, not negative
 * @param duration how long it sounds, in whole notes, positive
 * @param pitches the pitches struck together, lowest first as written; empty when on paper
 * @param inflection what is written over, under and before it
 */
public record LineNote(Fraction onset, Fraction duration, List<Pitch> pitches, Inflection inflection) {

    /**
     * @throws IllegalArgumentException if the onset is negative or the duration not positive
     */
    public LineNote {
        if (onset.compareTo(Fraction.ZERO) < 0 || duration.compareTo(Fraction.ZERO) <= 0) {
            throw new IllegalArgumentException("A note starts within its line and lasts, not at " + onset + " for "
                    + duration + " of a whole note");
        }
        pitches = List.copyOf(pitches);
    }

    /** A note with nothing written over it. */
    public LineNote(Fraction onset, Fraction duration, List<Pitch> pitches) {
        this(onset, duration, pitches, Inflection.PLAIN);
    }

    /** Where the note stops sounding, in whole notes. */
    public Fraction end() {
        return onset.add(duration);
    }

    /** The same note, lasting so many whole notes. */
    public LineNote lasting(Fraction length) {
        return new LineNote(onset, length, pitches, inflection);
    }

    /** The same note with {@code now} written over it. */
    public LineNote with(Inflection now) {
        return new LineNote(onset, duration, pitches, now);
    }

    /**
     * The note of a passage.
     *
     * @param start where the passage starts, in whole notes
     * @param end where it ends: what sounds on is cut off there
     * @param beat the beat as a fraction of a whole note
     */
    Note inBeats(Fraction start, Fraction end, Fraction beat) {
        Fraction until = end().compareTo(end) > 0 ? end : end();
        return new Note(
                onset.subtract(start).divide(beat), until.subtract(onset).divide(beat), pitches, inflection);
    }
}

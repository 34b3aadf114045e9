package tachylim.passage;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * One onset of a passage: a note, or a chord struck together, with exact place and length in beats.
 *
 * <p>Tied notes are one note of their summed length; rests are the gaps between notes. Notes read
 * from paper have no pitches. This class is immutable.
 *
 * @param onset where it starts, in beats from the start of the passage, not negative
 * @param duration how long it sounds, in beats, positive
 * @param pitches the pitches struck together, lowest first as written; empty when on paper
 * @param inflection what is written over, under and before it
 */
public record Note(Fraction onset, Fraction duration, List<Pitch> pitches, Inflection inflection) {

    /**
     * @throws IllegalArgumentException if the onset is negative or the duration not positive
     */
    public Note {
        if (onset.compareTo(Fraction.ZERO) < 0) {
            throw new IllegalArgumentException("A note starts at or after the passage, not at " + onset);
        }
        if (duration.compareTo(Fraction.ZERO) <= 0) {
            throw new IllegalArgumentException("A note lasts longer than " + duration + " beats");
        }
        pitches = List.copyOf(pitches);
    }

    /** A note with nothing written over it. */
    public Note(Fraction onset, Fraction duration, List<Pitch> pitches) {
        this(onset, duration, pitches, Inflection.PLAIN);
    }

    /** Where the note stops sounding, in beats. */
    public Fraction end() {
        return onset.add(duration);
    }

    /** The same note, starting {@code beats} later. */
    public Note shifted(Fraction beats) {
        return new Note(onset.add(beats), duration, pitches, inflection);
    }

    /** The same note at another place and of another length. */
    public Note at(Fraction place, Fraction length) {
        return new Note(place, length, pitches, inflection);
    }

    /** The same note with {@code now} written over it. */
    public Note with(Inflection now) {
        return new Note(onset, duration, pitches, now);
    }
}

package tachylim.notation.score;

import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Note;

/**
 * One note head, or one rest, as it is written: a note may need several, tied.
 *
 * @param note the note it belongs to; null for a rest
 * @param index the note's index in the passage; −1 for a rest
 * @param start where it starts, in whole notes
 * @param written the value written: 1, 3 or 7 over a power of two, before any tuplet
 * @param tuplet the tuplet it stands in; null for none
 * @param first whether it is the first of its note
 * @param last whether it is the last of its note
 */
public record Glyph(
        Note note, int index, Fraction start, Fraction written, Tuplet tuplet, boolean first, boolean last) {

    /**
     * {@code notes} in the time of {@code time}, over {@code size} glyphs of which this is number {@code place}.
     */
    public record Tuplet(int notes, int time, int size, int place) {}

    /** Whether the same note goes on in the next glyph. */
    public boolean isTiedOn() {
        return note != null && !last;
    }

    /** How long it sounds, in whole notes. */
    public Fraction sounding() {
        return tuplet == null ? written : written.multiply(Fraction.of(tuplet.time, tuplet.notes));
    }
}

package tachylim.passage;

import tachylim.words.Refusal;

/**
 * Part of a passage, by the numbers of its first and last note.
 *
 * <p>Neighbouring sections overlap by one note: the last note of one is the first of the next, so that
 * the overlap between them is practised too. This class is immutable.
 *
 * @param firstNote index of its first note, from 0
 * @param lastNote index of its last note, not before the first
 */
public record Section(int firstNote, int lastNote) {

    /**
     * @throws IllegalArgumentException if the notes are out of order or negative
     */
    public Section {
        if (firstNote < 0 || lastNote < firstNote) {
            throw Refusal.of("refusal.section.aSectionRunsFromANoteToA", "firstNote", firstNote, "lastNote", lastNote);
        }
    }

    /** How many notes it has. */
    public int size() {
        return lastNote - firstNote + 1;
    }
}

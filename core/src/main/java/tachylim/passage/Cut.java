package tachylim.passage;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The ways to cut a passage into pieces that overlap by one note.
 *
 * <p>A stretch without a note of its own joins the piece before it; every note belongs to a piece.
 */
public final class Cut {

    private Cut() {}

    /** One piece: the passage whole. */
    public static List<Piece> whole(Passage passage) {
        return List.of(new Piece(0, passage.notes().size() - 1));
    }

    /**
     * Pieces of {@code bars} bars each, a pickup going with the first.
     *
     * @throws IllegalArgumentException if {@code bars} is less than 1
     */
    public static List<Piece> atBars(Passage passage, int bars) {
        if (bars < 1) {
            throw new IllegalArgumentException("A piece has at least one bar, not " + bars);
        }
        List<Fraction> lines = new ArrayList<>();
        int firstWhole = passage.hasPickup() ? 1 : 0;
        for (int bar = firstWhole + bars; bar < passage.bars(); bar += bars) {
            lines.add(passage.barStart(bar));
        }
        return at(passage, lines);
    }

    /**
     * Pieces of {@code beats} beats each, counted from the first whole bar.
     *
     * @throws IllegalArgumentException if {@code beats} is less than 1
     */
    public static List<Piece> byBeats(Passage passage, int beats) {
        if (beats < 1) {
            throw new IllegalArgumentException("A piece has at least one beat, not " + beats);
        }
        List<Fraction> lines = new ArrayList<>();
        Fraction line = passage.pickup().add(beats);
        while (line.compareTo(passage.length()) < 0) {
            lines.add(line);
            line = line.add(beats);
        }
        return at(passage, lines);
    }

    private static List<Piece> at(Passage passage, List<Fraction> lines) {
        List<Piece> pieces = new ArrayList<>();
        int lastOfAll = passage.notes().size() - 1;
        int first = 0;
        int note = 0;
        for (Fraction line : lines) {
            while (note < lastOfAll && passage.notes().get(note).onset().compareTo(line) < 0) {
                note++;
            }
            if (note > first && note < lastOfAll) {
                pieces.add(new Piece(first, note));
                first = note;
            }
        }
        pieces.add(new Piece(first, lastOfAll));
        return List.copyOf(pieces);
    }
}

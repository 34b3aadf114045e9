package tachylim.passage;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;
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

    /** Pieces that end on the first note after each phrase: where a slur or a held note has closed one. */
    public static List<Piece> atPhrases(Passage passage) {
        return after(
                passage,
                note -> note.inflection().slursClosed() > 0
                        || note.inflection().articulations().contains(Articulation.FERMATA));
    }

    /** Pieces that end on the first note after each breath. */
    public static List<Piece> atBreaths(Passage passage) {
        return after(passage, note -> note.inflection().mark(Mark.Kind.BREATH).isPresent());
    }

    /** Pieces that end on the first note after each rest. */
    public static List<Piece> atRests(Passage passage) {
        List<Integer> seams = new ArrayList<>();
        for (int note = 1; note < passage.notes().size(); note++) {
            if (passage.notes()
                            .get(note - 1)
                            .end()
                            .compareTo(passage.notes().get(note).onset())
                    < 0) {
                seams.add(note);
            }
        }
        return atNotes(passage, seams);
    }

    private static List<Piece> after(Passage passage, Predicate<Note> ends) {
        return atNotes(
                passage,
                IntStream.range(1, passage.notes().size())
                        .filter(note -> ends.test(passage.notes().get(note - 1)))
                        .boxed()
                        .toList());
    }

    /**
     * Pieces that meet on the given notes.
     *
     * @param seams the notes two pieces share, from 0, in any order; the first and last note of all cut nothing
     * @throws IllegalArgumentException if a seam is not a note of the passage
     */
    public static List<Piece> atNotes(Passage passage, Collection<Integer> seams) {
        int last = passage.notes().size() - 1;
        List<Piece> pieces = new ArrayList<>();
        int first = 0;
        for (int seam : new TreeSet<>(seams)) {
            if (seam < 0 || seam > last) {
                throw new IllegalArgumentException(
                        "There is no note " + (seam + 1) + " to cut at; the last is " + (last + 1));
            }
            if (seam > first && seam < last) {
                pieces.add(new Piece(first, seam));
                first = seam;
            }
        }
        pieces.add(new Piece(first, last));
        return List.copyOf(pieces);
    }

    private static List<Piece> at(Passage passage, List<Fraction> lines) {
        List<Integer> seams = new ArrayList<>();
        int note = 0;
        for (Fraction line : lines) {
            while (note < passage.notes().size() - 1
                    && passage.notes().get(note).onset().compareTo(line) < 0) {
                note++;
            }
            seams.add(note);
        }
        return atNotes(passage, seams);
    }
}

package tachylim.passage;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.words.Refusal;

/**
 * The ways to cut a passage into sections that overlap by one note.
 *
 * <p>A stretch without a note of its own joins the section before it; every note belongs to a section.
 */
public final class Cut {

    private Cut() {}

    /** One section: the passage whole. */
    public static List<Section> whole(Passage passage) {
        return List.of(new Section(0, passage.notes().size() - 1));
    }

    /**
     * Sections of {@code bars} bars each, a pickup going with the first.
     *
     * @throws IllegalArgumentException if {@code bars} is less than 1
     */
    public static List<Section> atBars(Passage passage, int bars) {
        if (bars < 1) {
            throw Refusal.of("refusal.cut.aSectionHasAtLeastOneBar", "bars", bars);
        }
        List<Fraction> lines = new ArrayList<>();
        int firstWhole = passage.hasPickup() ? 1 : 0;
        for (int bar = firstWhole + bars; bar < passage.bars(); bar += bars) {
            lines.add(passage.barStart(bar));
        }
        return at(passage, lines);
    }

    /**
     * Sections of {@code beats} beats each, counted from the first whole bar.
     *
     * @throws IllegalArgumentException if {@code beats} is less than 1
     */
    public static List<Section> byBeats(Passage passage, int beats) {
        if (beats < 1) {
            throw Refusal.of("refusal.cut.aSectionHasAtLeastOneBeat", "beats", beats);
        }
        List<Fraction> lines = new ArrayList<>();
        Fraction line = passage.pickup().add(beats);
        while (line.compareTo(passage.length()) < 0) {
            lines.add(line);
            line = line.add(beats);
        }
        return at(passage, lines);
    }

    /** Sections that end on the first note after each phrase: where a slur or a held note has closed one. */
    public static List<Section> atPhrases(Passage passage) {
        return after(
                passage,
                note -> note.inflection().slursClosed() > 0
                        || note.inflection().articulations().contains(Articulation.FERMATA));
    }

    /** Sections that end on the first note after each breath. */
    public static List<Section> atBreaths(Passage passage) {
        return after(passage, note -> note.inflection().mark(Mark.Kind.BREATH).isPresent());
    }

    /** Sections that end on the first note after each rest. */
    public static List<Section> atRests(Passage passage) {
        List<Integer> overlaps = new ArrayList<>();
        for (int note = 1; note < passage.notes().size(); note++) {
            if (passage.notes()
                            .get(note - 1)
                            .end()
                            .compareTo(passage.notes().get(note).onset())
                    < 0) {
                overlaps.add(note);
            }
        }
        return atNotes(passage, overlaps);
    }

    private static List<Section> after(Passage passage, Predicate<Note> ends) {
        return atNotes(
                passage,
                IntStream.range(1, passage.notes().size())
                        .filter(note -> ends.test(passage.notes().get(note - 1)))
                        .boxed()
                        .toList());
    }

    /**
     * Sections that meet on the given notes.
     *
     * @param overlaps the notes two sections share, from 0, in any order; the first and last note of all cut nothing
     * @throws IllegalArgumentException if an overlap is not a note of the passage
     */
    public static List<Section> atNotes(Passage passage, Collection<Integer> overlaps) {
        int last = passage.notes().size() - 1;
        List<Section> sections = new ArrayList<>();
        int first = 0;
        for (int overlap : new TreeSet<>(overlaps)) {
            if (overlap < 0 || overlap > last) {
                throw Refusal.of("refusal.cut.thereIsNoNoteToCutAtThe", "overlap", overlap + 1, "last", last + 1);
            }
            if (overlap > first && overlap < last) {
                sections.add(new Section(first, overlap));
                first = overlap;
            }
        }
        sections.add(new Section(first, last));
        return List.copyOf(sections);
    }

    private static List<Section> at(Passage passage, List<Fraction> lines) {
        List<Integer> overlaps = new ArrayList<>();
        int note = 0;
        for (Fraction line : lines) {
            while (note < passage.notes().size() - 1
                    && passage.notes().get(note).onset().compareTo(line) < 0) {
                note++;
            }
            overlaps.add(note);
        }
        return atNotes(passage, overlaps);
    }
}

package tachylim.variation;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Articulation;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * Groups of another size laid across the written ones, each with an accent.
 *
 * <p>With a stop, each group runs on to the first note of the next, holds it for a beat or more and starts
 * again from it. The last group may be shorter. This class is immutable.
 *
 * @param size notes in a group, 3 to 7
 * @param stopping whether it stops on the first note of the next group
 */
public record Regroup(int size, boolean stopping) implements Variation {

    static final int SMALLEST = 3;
    static final int LARGEST = 7;

    /**
     * @throws IllegalArgumentException if the size is not 3 to 7
     */
    public Regroup {
        if (size < SMALLEST || size > LARGEST) {
            throw Refusal.of("refusal.regroup.groupsHave3To7NotesNot", "size", size);
        }
    }

    @Override
    public Family family() {
        return Family.REGROUP;
    }

    @Override
    public String key() {
        return (stopping ? VariationKind.STOP : VariationKind.GROUP).key(size);
    }

    @Override
    public Reason title() {
        return Reason.of("variation.groups", "size", size, "stopping", stopping);
    }

    @Override
    public Rendering of(Passage passage) {
        int last = passage.notes().size() - 1;
        int over = (stopping ? last : last + 1) % size;
        Reason remark = over == 0 ? Reason.NONE : Reason.of("variation.groups.remark", "notes", over);
        return stopping ? stops(passage, last, remark) : accents(passage, last, remark);
    }

    private Rendering accents(Passage passage, int last, Reason remark) {
        List<Note> notes = new ArrayList<>(passage.notes());
        for (int note = 0; note <= last; note += size) {
            notes.set(note, notes.get(note).with(notes.get(note).inflection().with(Articulation.ACCENT)));
        }
        List<Integer> source = IntStream.rangeClosed(0, last).boxed().toList();
        return new Rendering(passage.withNotes(notes), source, Set.of(), Fraction.ONE, remark);
    }

    private Rendering stops(Passage passage, int last, Reason remark) {
        Weaver weaver = Weaver.anew(passage);
        int start = 0;
        do {
            int landing = Math.min(start + size, last);
            for (int note = start; note <= landing; note++) {
                weaver.play(note, passage.span(note), note == start);
                if (note < landing) {
                    weaver.train(note);
                }
            }
            weaver.holdToBeat(1);
            start = landing;
        } while (start < last);
        return weaver.rendering(Fraction.ONE, remark);
    }
}

package tachylim.passage;

import java.util.ArrayList;
import java.util.List;

/**
 * The sections of a passage after its music was changed: the overlaps stay at the notes they were at, or go to the next
 * note that stayed; what was added at the ends joins the outer sections. This class is immutable.
 *
 * @param from the index of the section it was; sections that were left with a single note are gone
 * @param notes its notes now
 */
public record Recut(int from, Section notes) {

    /** The sections that {@code sections}, in order and covering the passage, have become. */
    public static List<Recut> of(List<Section> sections, NoteMap map, int notesNow) {
        List<Recut> recut = new ArrayList<>();
        int start = 0;
        for (int i = 0; i < sections.size(); i++) {
            boolean last = i == sections.size() - 1;
            int end = last
                    ? notesNow - 1
                    : Math.min(map.fromNoteOn(sections.get(i).lastNote()), notesNow - 1);
            if (end > start || last) {
                recut.add(new Recut(i, new Section(Math.min(start, end), end)));
                start = end;
            }
        }
        return withoutStub(recut);
    }

    /** A last section of one note belongs to the one before it. */
    private static List<Recut> withoutStub(List<Recut> recut) {
        int last = recut.size() - 1;
        return last > 0 && recut.get(last).notes.size() < 2 ? List.copyOf(recut.subList(0, last)) : List.copyOf(recut);
    }
}

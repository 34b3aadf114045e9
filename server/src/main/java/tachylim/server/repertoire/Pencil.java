package tachylim.server.repertoire;

import java.util.ArrayList;
import java.util.List;
import tachylim.passage.Inflection;
import tachylim.passage.Mark;
import tachylim.passage.Note;
import tachylim.passage.Passage;

/** Lays the marks a player has pencilled in over the notes. */
final class Pencil {

    private Pencil() {}

    /** {@code music} with {@code marks}, the oldest first, over its notes. */
    static Passage over(Passage music, List<NoteMark> marks) {
        if (marks.isEmpty()) {
            return music;
        }
        List<Note> notes = new ArrayList<>(music.notes());
        for (NoteMark mark : marks) {
            if (mark.note() < notes.size()) {
                Note note = notes.get(mark.note());
                Inflection over = note.inflection();
                notes.set(
                        mark.note(),
                        note.with(
                                mark.value().isEmpty()
                                        ? over.without(mark.kind())
                                        : over.with(new Mark(mark.kind(), mark.value()))));
            }
        }
        return music.withNotes(notes);
    }
}

package tachylim.passage;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Which notes of some music are played in other music too, by their pitches, in whatever rhythm: a section that was cut anew,
 * or a passage that was copied, is the same work for the hands.
 */
public final class SharedNotes {

    /** So many pitches in a row are the same music; fewer of them occur in any. A rule of thumb. */
    private static final int RUN = 8;

    private SharedNotes() {}

    /** For each note of {@code wanted} whether {@code other} plays it too. Notes without pitches are shared by none. */
    public static boolean[] of(Passage wanted, Passage other) {
        List<List<Pitch>> ours = pitches(wanted);
        List<List<Pitch>> theirs = pitches(other);
        boolean[] shared = new boolean[ours.size()];
        int run = Math.min(RUN, Math.min(ours.size(), theirs.size()));
        Set<List<List<Pitch>>> known = new HashSet<>();
        for (int from = 0; from + run <= theirs.size(); from++) {
            known.add(theirs.subList(from, from + run));
        }
        for (int from = 0; from + run <= ours.size(); from++) {
            List<List<Pitch>> stretch = ours.subList(from, from + run);
            if (known.contains(stretch) && stretch.stream().noneMatch(List::isEmpty)) {
                Arrays.fill(shared, from, from + run, true);
            }
        }
        return shared;
    }

    /** For each note of a section whether another section of the same passage holds it. */
    public static boolean[] of(Section wanted, Section other) {
        boolean[] shared = new boolean[wanted.size()];
        for (int i = 0; i < shared.length; i++) {
            int note = wanted.firstNote() + i;
            shared[i] = note >= other.firstNote() && note <= other.lastNote();
        }
        return shared;
    }

    private static List<List<Pitch>> pitches(Passage music) {
        return music.notes().stream().map(Note::pitches).toList();
    }
}

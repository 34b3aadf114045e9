package tachylim.variation;

import java.util.ArrayList;
import java.util.List;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.words.Refusal;

/** A transition taken out with a note or two around it, to be drilled from both sides and put back. */
public final class Isolation {

    private Isolation() {}

    /**
     * The two, three and four notes around {@code transition}: the transition alone, with the note before, with the note
     * after, and with both, as far as the passage has them.
     *
     * @throws IllegalArgumentException if the passage has no such transition
     */
    public static List<Section> around(Passage passage, int transition) {
        int last = passage.notes().size() - 1;
        if (transition < 0 || transition >= last) {
            throw Refusal.of("refusal.isolation.thereIsNoTransitionThe", "transition", transition + 1, "last", last);
        }
        List<Section> around = new ArrayList<>(List.of(new Section(transition, transition + 1)));
        boolean before = transition > 0;
        boolean after = transition + 2 <= last;
        if (before) {
            around.add(new Section(transition - 1, transition + 1));
        }
        if (after) {
            around.add(new Section(transition, transition + 2));
        }
        if (before && after) {
            around.add(new Section(transition - 1, transition + 2));
        }
        return List.copyOf(around);
    }
}

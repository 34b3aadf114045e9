package tachylim.variant;

import java.util.ArrayList;
import java.util.List;
import tachylim.passage.Passage;
import tachylim.passage.Section;

/** A link taken out with a note or two around it, to be drilled from both sides and put back. */
public final class Isolation {

    private Isolation() {}

    /**
     * The two, three and four notes around {@code link}: the link alone, with the note before, with the note
     * after, and with both, as far as the passage has them.
     *
     * @throws IllegalArgumentException if the passage has no such link
     */
    public static List<Section> around(Passage passage, int link) {
        int last = passage.notes().size() - 1;
        if (link < 0 || link >= last) {
            throw new IllegalArgumentException("There is no link " + (link + 1) + "; the passage has " + last);
        }
        List<Section> around = new ArrayList<>(List.of(new Section(link, link + 1)));
        boolean before = link > 0;
        boolean after = link + 2 <= last;
        if (before) {
            around.add(new Section(link - 1, link + 1));
        }
        if (after) {
            around.add(new Section(link, link + 2));
        }
        if (before && after) {
            around.add(new Section(link - 1, link + 2));
        }
        return List.copyOf(around);
    }
}

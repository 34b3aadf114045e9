package tachylim.notation;

import java.util.List;
import tachylim.passage.Passage;

/**
 * What was read from ABC: the passage, and warnings about what was odd but accepted.
 *
 * <p>This class is immutable.
 *
 * @param passage the notes
 * @param warnings sentences for the player, such as the bars that do not add up; at most
 *     {@value #MOST_WARNINGS}
 */
public record AbcTune(Passage passage, List<String> warnings) {

    static final int MOST_WARNINGS = 12;

    public AbcTune {
        warnings = List.copyOf(warnings);
    }
}

package tachylim.notation;

import java.util.List;

/**
 * A file of music as it was read: its lines, from which a passage is chosen. This class is immutable.
 *
 * @param kind the kind of file, in words
 * @param title what it calls itself; empty when it does not say
 * @param lines a line for each voice of each part with a note in it, or for each tune and voice
 * @param leftOut what it holds that a passage has no place for, counted, such as {@code dynamics: 12}
 * @param warnings sentences on what was odd but accepted
 */
public record Score(String kind, String title, List<Line> lines, List<String> leftOut, List<String> warnings) {

    public Score {
        lines = List.copyOf(lines);
        leftOut = List.copyOf(leftOut);
        warnings = List.copyOf(warnings);
    }
}

package tachylim.notation.score;

import java.util.List;
import tachylim.words.Reason;

/**
 * A file of music as it was read: its lines, from which a passage is chosen. This class is immutable.
 *
 * @param title what it calls itself; empty when it does not say
 * @param lines a line for each voice of each part with a note in it, or for each tune and voice
 * @param leftOut what it holds that a passage has no place for, counted
 * @param unread a reason for each part of the file that could not be read, such as one tune of a book, with its name
 *     and the place
 * @param warnings what was odd but accepted
 * @param drawn how recorded times were drawn and where bar one was found; null where nothing is recorded
 */
public record Score(
        String title,
        List<Line> lines,
        List<Reason> leftOut,
        List<Reason> unread,
        List<Reason> warnings,
        Wishes drawn) {

    public Score {
        lines = List.copyOf(lines);
        leftOut = List.copyOf(leftOut);
        unread = List.copyOf(unread);
        warnings = List.copyOf(warnings);
    }

    /** A score of which everything was read. */
    public static Score of(String title, List<Line> lines, List<Reason> leftOut) {
        return new Score(title, lines, leftOut, List.of(), List.of(), null);
    }
}

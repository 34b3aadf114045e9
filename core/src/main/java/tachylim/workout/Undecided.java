package tachylim.workout;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import tachylim.method.Probes;

/**
 * Which of the sections besides the first it would tell most to measure for what comes next: those of which little is known,
 * or that may be at their target unseen, the vaguest first. Where they are known well enough there are none.
 */
final class Undecided {

    /** In a workout so long two of them are measured. */
    private static final int LONG_MINUTES = 40;

    private Undecided() {}

    /** The sections of a brief, among its first {@code sections}. */
    static List<Integer> of(Brief brief, int sections) {
        return IntStream.range(1, sections)
                .filter(theme -> brief.themes().get(theme).isUndecided())
                .boxed()
                .sorted(Comparator.comparingDouble(
                        theme -> -brief.themes().get(theme).estimate().ceiling().giveOrTake()))
                .limit(brief.minutes() < LONG_MINUTES ? 1 : Probes.OF_ANOTHER)
                .toList();
    }

    /** How many probes each of them gets: one, or two where it is alone and there is time. */
    static int probes(Brief brief) {
        return brief.minutes() < LONG_MINUTES
                        || of(brief, brief.themes().size()).size() > 1
                ? 1
                : Probes.OF_ANOTHER;
    }
}

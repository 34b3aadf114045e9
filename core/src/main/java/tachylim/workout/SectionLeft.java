package tachylim.workout;

import java.util.Comparator;
import java.util.List;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import tachylim.load.Guardrails;
import tachylim.method.Probes;

/**
 * What a day still has of a section. This class is immutable.
 *
 * @param passes passes of it, 0 to {@value Guardrails#PASSES_OF_A_SECTION}
 * @param probes passes that measure its ceiling, 0 to {@value Probes#MOST}: as many as one test has
 */
public record SectionLeft(int passes, int probes) {

    /** Of a section that has not been played today. */
    public static final SectionLeft ALL = new SectionLeft(Guardrails.PASSES_OF_A_SECTION, Probes.MOST);

    /** Where more was had than there is, nothing is left. */
    public SectionLeft {
        passes = Math.max(0, passes);
        probes = Math.max(0, probes);
    }

    /**
     * What today's playing of some music had to do with a section.
     *
     * @param shared for each note of the section whether it was played there
     * @param passes how many passes there were
     * @param probes how many of these measured
     */
    public record Had(boolean[] shared, int passes, int probes) {}

    /**
     * What is left of a section of so many notes: it has had what at least half of its notes have had, in whatever sections and
     * copies they were played.
     */
    public static SectionLeft after(int notes, List<Had> today) {
        return new SectionLeft(
                ALL.passes - halfOfTheNotes(notes, today, Had::passes),
                ALL.probes - halfOfTheNotes(notes, today, Had::probes));
    }

    private static int halfOfTheNotes(int notes, List<Had> today, ToIntFunction<Had> figure) {
        return IntStream.range(0, notes)
                .map(note -> today.stream()
                        .filter(had -> had.shared[note])
                        .mapToInt(figure)
                        .sum())
                .boxed()
                .sorted(Comparator.reverseOrder())
                .skip((notes - 1) / 2)
                .findFirst()
                .orElse(0);
    }

    /** Its share, where so many sections that play the same notes are played one after another. */
    public SectionLeft shared(int sections) {
        return new SectionLeft(passes / sections, probes / sections);
    }
}

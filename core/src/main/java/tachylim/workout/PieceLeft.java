package tachylim.workout;

import java.util.Comparator;
import java.util.List;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import tachylim.load.Guardrails;
import tachylim.method.Probes;

/**
 * What a day still has of a piece. This class is immutable.
 *
 * @param passes passes of it, 0 to {@value Guardrails#PASSES_OF_A_PIECE}
 * @param probes passes that measure its ceiling, 0 to {@value Probes#MOST}: as many as one test has
 */
public record PieceLeft(int passes, int probes) {

    /** Of a piece that has not been played today. */
    public static final PieceLeft ALL = new PieceLeft(Guardrails.PASSES_OF_A_PIECE, Probes.MOST);

    /** Where more was had than there is, nothing is left. */
    public PieceLeft {
        passes = Math.max(0, passes);
        probes = Math.max(0, probes);
    }

    /**
     * What today's playing of some music had to do with a piece.
     *
     * @param shared for each note of the piece whether it was played there
     * @param passes how many passes there were
     * @param probes how many of these measured
     */
    public record Had(boolean[] shared, int passes, int probes) {}

    /**
     * What is left of a piece of so many notes: it has had what at least half of its notes have had, in whatever sections and
     * copies they were played.
     */
    public static PieceLeft after(int notes, List<Had> today) {
        return new PieceLeft(
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

    /** Its share, where so many pieces that play the same notes are played one after another. */
    public PieceLeft shared(int pieces) {
        return new PieceLeft(passes / pieces, probes / pieces);
    }
}

package tachylim.ceiling;

import java.util.List;
import java.util.stream.IntStream;
import tachylim.tempo.Tempo;

/** The piece that holds a passage back: the whole goes no faster than its slowest part. */
public final class Weakest {

    private Weakest() {}

    /**
     * Which of the pieces of a passage is the slowest; the first of several.
     *
     * @param pieces an estimate for each, one at least
     * @throws IllegalArgumentException if there is none
     */
    public static int of(List<Estimate> pieces) {
        return IntStream.range(0, pieces.size())
                .boxed()
                .min((one, other) -> ceiling(pieces, one).compareTo(ceiling(pieces, other)))
                .orElseThrow(() -> new IllegalArgumentException("A passage has one piece at least"));
    }

    /** The tempo at which the whole is still just in control. */
    public static Tempo ceilingOf(List<Estimate> pieces) {
        return ceiling(pieces, of(pieces));
    }

    private static Tempo ceiling(List<Estimate> pieces, int piece) {
        return pieces.get(piece).ceiling().middle();
    }
}

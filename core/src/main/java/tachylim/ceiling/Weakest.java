package tachylim.ceiling;

import java.util.List;
import java.util.stream.IntStream;
import tachylim.tempo.Tempo;

/** The piece that holds a passage back: the whole goes no faster than its slowest part. */
public final class Weakest {

    private static final double CLEAN = 0.8;
    private static final double WIDEST = 1;
    private static final double PRECISION = 1e-4;
    private static final double LEAST_WIDTH = 0.01;

    /** logit of the slips at the ceiling, and how far that is above the logit of those at ease. */
    private static final double AT_CEILING = Math.log(0.2 / 0.8);

    private static final double FROM_EASE = AT_CEILING - Math.log(0.05 / 0.95);

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

    /**
     * The tempo at which all pieces are clean one after another 4 times in 5: slower than the slowest alone. Between ease
     * and ceiling each is taken to follow a logistic curve in ln tempo, and to slip without regard to the others.
     */
    public static Tempo wholeOf(List<Estimate> pieces) {
        double low = ceilingOf(pieces).log() - WIDEST;
        double high = ceilingOf(pieces).log();
        while (high - low > PRECISION) {
            double middle = (low + high) / 2;
            double clean = 1;
            for (Estimate piece : pieces) {
                clean *= clean(piece, middle);
            }
            if (clean >= CLEAN) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Tempo.clamped(Math.exp(high));
    }

    private static double clean(Estimate piece, double x) {
        double ceiling = piece.ceiling().middle().log();
        double width =
                (ceiling - Math.min(ceiling - LEAST_WIDTH, piece.ease().middle().log())) / FROM_EASE;
        return 1 - CeilingModel.logistic((x - ceiling) / width + AT_CEILING);
    }

    private static Tempo ceiling(List<Estimate> pieces, int piece) {
        return pieces.get(piece).ceiling().middle();
    }
}

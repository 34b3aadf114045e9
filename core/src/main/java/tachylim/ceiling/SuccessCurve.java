package tachylim.ceiling;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tachylim.tempo.Tempo;

/** The chance of a clean pass over tempo, as it is believed, from well below the ceiling to well above. */
public final class SuccessCurve {

    private static final double FROM = 0.6;
    private static final double TO = 1.35;
    private static final double STEP = 1.02;

    /** What weighs less than this widens no interval that can be seen. */
    private static final double NEGLIGIBLE = 1e-5;

    /** The chances are told apart so finely, in parts of 1. */
    private static final int FINE = 200;

    private static final double TENTH = 0.1;

    private SuccessCurve() {}

    /**
     * The chance at one tempo. This class is immutable.
     *
     * @param clean the chance of a clean pass, 0 to 1
     * @param low the lower end of its 80% interval
     * @param high the upper end
     */
    public record Point(Tempo tempo, double clean, double low, double high) {}

    /** Points in equal ratios around {@code ceiling}. */
    public static List<Point> of(Posterior belief, Tempo ceiling) {
        Row[] curves = Arrays.stream(belief.curves())
                .map(row -> row.trimmed(NEGLIGIBLE))
                .toArray(Row[]::new);
        List<Point> points = new ArrayList<>();
        for (double bpm = Math.max(Tempo.MIN, ceiling.bpm() * FROM);
                bpm <= Math.min(Tempo.MAX, ceiling.bpm() * TO);
                bpm *= STEP) {
            points.add(at(curves, Tempo.of(bpm)));
        }
        return points;
    }

    private static Point at(Row[] curves, Tempo tempo) {
        double x = tempo.log();
        double[] chances = new double[FINE + 1];
        double sum = 0;
        double mean = 0;
        for (int curve = 0; curve < curves.length; curve++) {
            Shape shape = Shape.of(curve * Shape.OF_ONE_CURVE);
            Row row = curves[curve];
            for (int i = 0; i < row.weights().length; i++) {
                double clean = shape.at(Posterior.place(row.from() + i)).clean(x);
                double weight = row.weights()[i];
                chances[(int) Math.round(clean * FINE)] += weight;
                mean += weight * clean;
                sum += weight;
            }
        }
        return new Point(tempo, mean / sum, quantile(chances, TENTH * sum), quantile(chances, (1 - TENTH) * sum));
    }

    private static double quantile(double[] chances, double wanted) {
        double below = 0;
        for (int i = 0; i < chances.length; i++) {
            below += chances[i];
            if (below >= wanted) {
                return (double) i / FINE;
            }
        }
        return 1;
    }
}

package tachylim.ceiling;

import java.util.Arrays;
import tachylim.task.Verdict;

/**
 * The chance of one verdict for every cell of the grid, by the model of {@link CeilingModel}, with nothing computed
 * twice: a slip depends on place and width alone, a break on the breaking distance too, and only the verdict's own
 * chance is taken to the power of an excerpt's hardness. Shapes are to be asked for in the order of the grid.
 */
final class Likelihood {

    private final Evidence evidence;
    private final double x;

    /** Chances of a slip by tempo, of the width at hand. */
    private final double[] slips = new double[Posterior.PLACES];

    /** Chances of a break by tempo, of the width and breaking distance at hand. */
    private final double[] breaks = new double[Posterior.PLACES];

    /** Chances of a clean excerpt, by λ and γ, of the width at hand; computed when first needed. */
    private final double[][] clean = new double[Shape.LAPSES.length * Shape.GAMMAS.length][];

    private final double[] chances = new double[Posterior.PLACES];
    private final int from;
    private final int to;
    private int width = -1;
    private int breaking = -1;
    private int curve = -1;

    /** For the places from {@code from} to before {@code to}. */
    Likelihood(Evidence evidence, int from, int to) {
        this.evidence = evidence;
        this.x = evidence.tempo().log();
        this.from = from;
        this.to = to;
    }

    /**
     * The chance at each place for a shape, whatever its trend; the array is used again for the next.
     *
     * @param first the first place that is asked for
     * @param end the place before which it ends
     */
    double[] of(int shape, int first, int end) {
        boolean whole = evidence.share() == 1;
        if (whole && shape / Shape.OF_ONE_CURVE == curve) {
            return chances;
        }
        curve = shape / Shape.OF_ONE_CURVE;
        turnTo(shape);
        Shape of = Shape.of(shape);
        double hardness = of.hardness(evidence.share());
        Verdict verdict = evidence.verdict();
        double[] cleans = verdict == Verdict.BROKE ? null : clean(shape, of, hardness);
        for (int place = whole ? from : first; place < (whole ? to : end); place++) {
            double unbroken = verdict == Verdict.CLEAN ? 1 : unbroken(of, place, hardness);
            double chance = CeilingModel.spoken(verdict, cleans == null ? 0 : cleans[place], unbroken);
            chances[place] = evidence.power() == 1 ? chance : Math.pow(chance, evidence.power());
        }
        return chances;
    }

    private double unbroken(Shape of, int place, double hardness) {
        double clean = (1 - of.lapse()) * (1 - slips[place]);
        double broke = CeilingModel.BROKEN_LAPSE * of.lapse() + (1 - of.lapse()) * breaks[place];
        double unbroken = 1 - Math.min(1 - clean, broke);
        return hardness == 1 ? unbroken : Math.pow(unbroken, hardness);
    }

    private double[] clean(int shape, Shape of, double hardness) {
        int which = Shape.lapse(shape) * Shape.GAMMAS.length + Shape.gamma(shape);
        if (clean[which] == null) {
            double[] chances = new double[Posterior.PLACES];
            for (int place = from; place < to; place++) {
                double whole = (1 - of.lapse()) * (1 - slips[place]);
                chances[place] = hardness == 1 ? whole : Math.pow(whole, hardness);
            }
            clean[which] = chances;
        }
        return clean[which];
    }

    private void turnTo(int shape) {
        Shape of = Shape.of(shape);
        if (Shape.width(shape) != width) {
            width = Shape.width(shape);
            breaking = -1;
            fill(slips, 0, of.s());
            Arrays.fill(clean, null);
        }
        if (Shape.breaking(shape) != breaking) {
            breaking = Shape.breaking(shape);
            fill(breaks, of.delta(), of.s());
        }
    }

    private void fill(double[] chances, double delta, double s) {
        for (int place = from; place < to; place++) {
            chances[place] = CeilingModel.logistic((x - Posterior.place(place) - delta) / s);
        }
    }
}

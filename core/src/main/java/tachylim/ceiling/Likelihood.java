package tachylim.ceiling;

import java.util.Arrays;
import tachylim.task.Verdict;

/**
 * The chance of one verdict for every cell of the grid, by the model of {@link CeilingModel}, with nothing computed
 * twice: a slip depends on place, width and tiring alone, a break on the breaking distance too, and only the verdict's own
 * chance is taken to the power of an excerpt's hardness. Of who is fresh all tire alike. Shapes are to be asked for in the
 * order of the grid.
 */
final class Likelihood {

    private static final int TIRINGS = Shape.TIRINGS.length;

    private final Evidence evidence;
    private final boolean whole;
    private final int from;
    private final int to;

    /** Chances of a slip by tiring and tempo, of the width at hand. */
    private final Table slips = new Table(TIRINGS);

    /** Chances of a break by tiring and tempo, of the width and breaking distance at hand. */
    private final Table breaks = new Table(TIRINGS);

    /** Chances of a clean excerpt, by λ, γ and tiring, of the width at hand. */
    private final Table clean = new Table(Shape.LAPSES.length * Shape.GAMMAS.length * TIRINGS);

    /** What was asked for last, by tiring, and whether it holds for all excerpts of the curve at hand. */
    private final double[][] chances = new double[TIRINGS][Posterior.PLACES];

    private final boolean[] known = new boolean[TIRINGS];
    private int width = -1;
    private int breaking = -1;
    private int curve = -1;

    /** For the places from {@code from} to before {@code to}. */
    Likelihood(Evidence evidence, int from, int to) {
        this.evidence = evidence;
        this.whole = evidence.share() == 1;
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
        turnTo(shape);
        int tiring = evidence.tired() == 0 ? 0 : Shape.tiring(shape);
        if (!known[tiring]) {
            fill(chances[tiring], shape, tiring, whole ? from : first, whole ? to : end);
            known[tiring] = whole;
        }
        return chances[tiring];
    }

    private void turnTo(int shape) {
        if (Shape.width(shape) != width) {
            width = Shape.width(shape);
            breaking = -1;
            slips.forget();
            clean.forget();
        }
        if (Shape.breaking(shape) != breaking) {
            breaking = Shape.breaking(shape);
            breaks.forget();
        }
        if (shape / Shape.OF_ONE_CURVE != curve) {
            curve = shape / Shape.OF_ONE_CURVE;
            Arrays.fill(known, false);
        }
    }

    private void fill(double[] chances, int shape, int tiring, int first, int end) {
        Shape of = Shape.of(shape);
        double hardness = of.hardness(evidence.share());
        Word word = evidence.word();
        boolean plain = word.isPlain();
        Verdict verdict = evidence.verdict();
        double[] cleans = plain && verdict == Verdict.BROKE ? null : clean(shape, tiring, hardness);
        for (int place = first; place < end; place++) {
            double unbroken = plain && verdict == Verdict.CLEAN ? 1 : unbroken(of, tiring, place, hardness);
            double clean = cleans == null ? 0 : cleans[place];
            double chance = plain
                    ? CeilingModel.spoken(verdict, clean, unbroken)
                    : word.chance(
                            CeilingModel.spoken(Verdict.CLEAN, clean, unbroken),
                            CeilingModel.spoken(Verdict.ROUGH, clean, unbroken),
                            CeilingModel.spoken(Verdict.BROKE, clean, unbroken));
            chances[place] = evidence.power() == 1 ? chance : Math.pow(chance, evidence.power());
        }
    }

    private double unbroken(Shape of, int tiring, int place, double hardness) {
        if (!breaks.has(tiring)) {
            cross(breaks.filled(tiring), of.delta(), of.s(), tiring);
        }
        double clean = (1 - of.lapse()) * (1 - slips(of, tiring)[place]);
        double broke = CeilingModel.BROKEN_LAPSE * of.lapse() + (1 - of.lapse()) * breaks.row(tiring)[place];
        double unbroken = 1 - Math.min(1 - clean, broke);
        return hardness == 1 ? unbroken : Math.pow(unbroken, hardness);
    }

    private double[] clean(int shape, int tiring, double hardness) {
        int which = (Shape.lapse(shape) * Shape.GAMMAS.length + Shape.gamma(shape)) * TIRINGS + tiring;
        if (!clean.has(which)) {
            Shape of = Shape.of(shape);
            double[] slips = slips(of, tiring);
            double[] chances = clean.filled(which);
            for (int place = from; place < to; place++) {
                double all = (1 - of.lapse()) * (1 - slips[place]);
                chances[place] = hardness == 1 ? all : Math.pow(all, hardness);
            }
        }
        return clean.row(which);
    }

    private double[] slips(Shape of, int tiring) {
        if (!slips.has(tiring)) {
            cross(slips.filled(tiring), 0, of.s(), tiring);
        }
        return slips.row(tiring);
    }

    /** The curve that crosses a half so far above each place, for who is as tired as this. */
    private void cross(double[] chances, double delta, double s, int tiring) {
        double x = evidence.tempo().log() + Shape.TIRINGS[tiring] * evidence.tired();
        for (int place = from; place < to; place++) {
            chances[place] = CeilingModel.logistic((x - Posterior.place(place) - delta) / s);
        }
    }

    /** Rows of chances by place that are filled when they are needed, and used again when they no longer hold. */
    private static final class Table {

        private final double[][] rows;
        private final boolean[] known;

        Table(int count) {
            rows = new double[count][];
            known = new boolean[count];
        }

        void forget() {
            Arrays.fill(known, false);
        }

        boolean has(int row) {
            return known[row];
        }

        double[] row(int row) {
            return rows[row];
        }

        /** A row to be filled. */
        double[] filled(int row) {
            known[row] = true;
            if (rows[row] == null) {
                rows[row] = new double[Posterior.PLACES];
            }
            return rows[row];
        }
    }
}

package tachylim.ceiling;

import java.util.Arrays;

/**
 * What was heard of a section on one day: how likely all of it is at each place of the curve, for each shape whatever its
 * trend. It is kept apart from what was believed in the morning, since a day has a form of its own: players are better or worse
 * from day to day, and who has a good one is no faster on a usual day. This class is immutable.
 */
final class DaysPasses {

    /** How much a day differs from a usual one, standard deviation of ln BPM. */
    static final double FORM_SD = 0.0225;

    /** How far a day's form reaches, in places. */
    static final int REACH = (int) Math.ceil(3 * FORM_SD / Posterior.STEP);

    private static final double[] FORM = form();

    private static double[] form() {
        double[] chances = new double[2 * REACH + 1];
        double sum = 0;
        for (int i = 0; i < chances.length; i++) {
            double off = (i - REACH) * Posterior.STEP / FORM_SD;
            chances[i] = Math.exp(-off * off / 2);
            sum += chances[i];
        }
        for (int i = 0; i < chances.length; i++) {
            chances[i] /= sum;
        }
        return chances;
    }

    /** A row for all trends of a shape: the chance of what was heard at each place that the shape may lie at, or reach. */
    private final Row[] rows;

    /** What was believed in the morning of that day, whose form might have been any. */
    private final Row[] anyForm;

    private DaysPasses(Row[] rows, Row[] anyForm) {
        this.rows = rows;
        this.anyForm = anyForm;
    }

    /** What was heard after a morning. */
    static DaysPasses of(Row[] morning, Row[] rows) {
        Row[] anyForm = new Row[morning.length];
        for (int shape = 0; shape < morning.length; shape++) {
            anyForm[shape] = Posterior.moved(morning[shape], 0, FORM_SD);
        }
        return new DaysPasses(rows, anyForm);
    }

    /** A day on which nothing was heard, after this morning. */
    static DaysPasses none(Row[] morning) {
        Row[] rows = new Row[morning.length / Shape.TRENDS.length];
        for (int i = 0; i < rows.length; i++) {
            Row all = Row.sum(Arrays.copyOfRange(morning, i * Shape.TRENDS.length, (i + 1) * Shape.TRENDS.length));
            rows[i] = all.weights().length == 0 ? Row.EMPTY : sure(all);
        }
        return of(morning, rows);
    }

    private static Row sure(Row all) {
        int from = Math.max(0, all.from() - REACH);
        double[] chances = new double[Math.min(Posterior.PLACES, all.to() + REACH) - from];
        Arrays.fill(chances, 1);
        return new Row(from, chances);
    }

    Row[] rows() {
        return rows;
    }

    /** The chances of all trends of a shape. */
    Row of(int shape) {
        return rows[shape / Shape.TRENDS.length];
    }

    /** The weights of the curves on that day, a row for each, whatever they sum to. */
    Row[] curvesToday() {
        Row[] curves = new Row[anyForm.length / Shape.OF_ONE_CURVE];
        for (int curve = 0; curve < curves.length; curve++) {
            curves[curve] = curveToday(curve * Shape.OF_ONE_CURVE);
        }
        return curves;
    }

    private Row curveToday(int firstShape) {
        int end = firstShape + Shape.OF_ONE_CURVE;
        Row[] mornings = Arrays.copyOfRange(anyForm, firstShape, end);
        int from = Row.first(mornings);
        int to = Row.end(mornings);
        if (from >= to) {
            return Row.EMPTY;
        }
        double[] together = new double[to - from];
        for (int shape = firstShape; shape < end; shape++) {
            Row morning = anyForm[shape];
            Row chances = of(shape);
            int start = Math.max(morning.from(), chances.from());
            int stop = Math.min(morning.to(), chances.to());
            for (int place = start; place < stop; place++) {
                together[place - from] +=
                        morning.weights()[place - morning.from()] * chances.weights()[place - chances.from()];
            }
        }
        return new Row(from, together);
    }

    /** With one more pass. They are told apart by their ratios alone, and the largest is always 1. */
    DaysPasses and(Evidence evidence) {
        Likelihood likelihood = new Likelihood(evidence, Row.first(rows), Row.end(rows));
        double[][] next = new double[rows.length][];
        double largest = 0;
        for (int i = 0; i < rows.length; i++) {
            double[] before = rows[i].weights();
            int from = rows[i].from();
            next[i] = before.length == 0
                    ? before
                    : Arrays.copyOfRange(
                            likelihood.of(i * Shape.TRENDS.length, from, rows[i].to()), from, rows[i].to());
            for (int place = 0; place < before.length; place++) {
                next[i][place] *= before[place];
                largest = Math.max(largest, next[i][place]);
            }
        }
        Row[] now = new Row[rows.length];
        for (int i = 0; i < rows.length; i++) {
            for (int place = 0; place < next[i].length; place++) {
                next[i][place] /= largest;
            }
            now[i] = new Row(rows[i].from(), next[i]);
        }
        return new DaysPasses(now, anyForm);
    }

    /**
     * How likely what was heard is where the place on a usual day is this: the form of the day may have been any.
     *
     * @param usual where it is written, from the first place of the shape's row on
     */
    void onAUsualDay(int shape, double[] usual) {
        double[] today = of(shape).weights();
        for (int i = 0; i < today.length; i++) {
            int first = Math.max(0, i - REACH);
            int last = Math.min(today.length - 1, i + REACH);
            double sum = 0;
            for (int near = first; near <= last; near++) {
                sum += FORM[near - i + REACH] * today[near];
            }
            usual[i] = last - first == 2 * REACH ? sum : sum / inside(first - i, last - i);
        }
    }

    /** How much of the forms lies between two ends. */
    private static double inside(int first, int last) {
        double inside = 0;
        for (int off = first; off <= last; off++) {
            inside += FORM[off + REACH];
        }
        return inside;
    }
}

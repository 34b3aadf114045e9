package tachylim.ceiling;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.ToDoubleFunction;
import tachylim.tempo.Tempo;

/**
 * What is believed about a section's ceiling: a weight for every cell of a grid over the place of the curve and its
 * {@link Shape}.
 *
 * <p>The filter is exact on the grid: every pass multiplies each cell by the chance of its verdict
 * there, and every night spreads the place a little and moves it by the trend. A day has a form: what its passes say of that
 * day, they say less surely of a usual one, which is what the belief is about. This class is immutable.
 */
public final class Posterior {

    static final double LOWEST = Math.log(16);
    static final double STEP = 0.0125;
    static final int PLACES = 280;

    /** How often a trend gives way to another from one day of practice to the next. */
    private static final double TREND_CHANGES = 0.03;

    /** How far off a first guess usually is, when it is only a guess. */
    public static final double GUESS_SD = 0.22;

    /** How far off it is when the player has played it cleanly at about that tempo. */
    public static final double PLAYED_SD = 0.10;

    /** Where a new section's ceiling is guessed to lie, as a share of its target. */
    public static final double NEW_SHARE_OF_TARGET = 0.75;

    /** Where the ceiling of a new section with this target is guessed to lie. */
    public static Tempo guess(Tempo target) {
        return target.times(NEW_SHARE_OF_TARGET);
    }

    /** A guess carried to notes that come as fast at {@code ratio} times the tempo. */
    public static Tempo guess(Tempo before, double ratio) {
        return before.times(ratio);
    }

    /** The ends of a row that weigh less than this are dropped: even after some surprises it makes less than 1e-9. */
    private static final double NEGLIGIBLE = 1e-19;

    /** How far a ceiling may lie off when it is taken over from music of which nothing is shared. */
    private static final double STRANGE_SD = 0.25;

    /** How many standard deviations the night's spreading reaches. */
    private static final int REACH = 4;

    /** A row for each shape, of a usual day; all weights sum to 1. */
    private final Row[] rows;

    /** The same as it was in the morning. */
    private final Row[] morning;

    /** What was heard since; null where nothing was. */
    private final DaysPasses heard;

    private final double passes;

    /** How today compares with a usual day, once that was asked. */
    private final AtomicReference<Double> form = new AtomicReference<>();

    private Posterior(Row[] rows, Row[] morning, DaysPasses heard, double passes) {
        this.rows = rows;
        this.morning = morning;
        this.heard = heard;
        this.passes = passes;
    }

    /** How many whole rested passes' worth of evidence it rests on; 0 for a guess. */
    public double passes() {
        return passes;
    }

    /** The weights of a shape as they were in the morning. */
    Row morning(int shape) {
        return morning[shape];
    }

    /** What was heard since; null where nothing was. */
    DaysPasses heard() {
        return heard;
    }

    static double place(int index) {
        return LOWEST + STEP * index;
    }

    /**
     * The belief before any pass.
     *
     * @param ceiling the guessed ceiling
     * @param sd the standard deviation of the guess in ln tempo, above 0.02 to 1
     */
    public static Posterior prior(Tempo ceiling, double sd) {
        if (!(sd > 0.02 && sd <= 1)) {
            throw new IllegalArgumentException("A guess is off by 2% to 100%, not by " + sd);
        }
        Row[] rows = new Row[Shape.COUNT];
        // Where the ceiling lies on a curve follows from its width and its lapse alone.
        Row[] around = new Row[Shape.WIDTHS.length * Shape.LAPSES.length];
        for (int index = 0; index < Shape.COUNT; index++) {
            int which = Shape.width(index) * Shape.LAPSES.length + Shape.lapse(index);
            if (around[which] == null) {
                around[which] = around(ceiling, sd, Shape.of(index));
            }
            rows[index] = around[which].times(Shape.prior(index));
        }
        return normalised(rows, 0);
    }

    /** A Gaussian around the place at which a shape's ceiling is the one that is guessed. */
    private static Row around(Tempo ceiling, double sd, Shape shape) {
        double[] weights = new double[PLACES];
        for (int place = 0; place < PLACES; place++) {
            double off = (shape.at(place(place)).ceiling() - ceiling.log()) / sd;
            weights[place] = Math.exp(-off * off / 2);
        }
        return new Row(0, weights);
    }

    /** What {@link #prior} says, without laying out the grid: guesses differ in nothing but where they lie. */
    public static Estimate guessed(Tempo ceiling, double sd) {
        return GUESSES.computeIfAbsent(
                        sd, off -> prior(Tempo.of(GUESSED_AT), off).estimate())
                .times(ceiling.bpm() / GUESSED_AT);
    }

    private static final double GUESSED_AT = 100;

    /** An estimate for each of the few widths a guess may have. */
    private static final Map<Double, Estimate> GUESSES = new ConcurrentHashMap<>();

    /** The belief of these weights, whatever they sum to. */
    static Posterior normalised(Row[] rows, double passes) {
        Row[] scaled = normalised(rows);
        return new Posterior(scaled, scaled, null, passes);
    }

    private static Row[] normalised(Row[] rows) {
        double sum = 0;
        for (Row row : rows) {
            sum += row.sum();
        }
        Row[] scaled = new Row[rows.length];
        for (int shape = 0; shape < rows.length; shape++) {
            scaled[shape] = rows[shape].trimmed(NEGLIGIBLE * sum, 1 / sum);
        }
        return scaled;
    }

    /** The belief after one more pass. */
    public Posterior after(Evidence evidence) {
        DaysPasses before = heard == null ? DaysPasses.none(morning) : heard;
        return hearing(before.and(evidence), passes + evidence.weight());
    }

    /** The belief of this morning after what was heard. */
    Posterior hearing(Row[] chances) {
        return hearing(DaysPasses.of(morning, chances), passes);
    }

    private Posterior hearing(DaysPasses now, double worth) {
        Row[] next = new Row[morning.length];
        double[] scratch = new double[PLACES];
        double sum = 0;
        for (int shape = 0; shape < morning.length; shape += Shape.TRENDS.length) {
            Row heardOf = now.of(shape);
            now.onAUsualDay(shape, scratch);
            for (int trend = 0; trend < Shape.TRENDS.length; trend++) {
                next[shape + trend] = morning[shape + trend].weighed(heardOf.from(), heardOf.to(), scratch);
                sum += next[shape + trend].sum();
            }
        }
        for (int shape = 0; shape < next.length; shape++) {
            next[shape] = next[shape].scaledInPlace(NEGLIGIBLE * sum, 1 / sum);
        }
        return new Posterior(next, morning, now, worth);
    }

    /** How likely each φ of the grid is. */
    double[] tirings() {
        double[] chances = new double[Shape.TIRINGS.length];
        for (int shape = 0; shape < rows.length; shape++) {
            chances[Shape.tiring(shape)] += rows[shape].sum();
        }
        return chances;
    }

    /** The same belief of a player who tires so: what is believed of a curve for each φ stays as it is. */
    public Posterior tiringLike(Tiring tiring) {
        double[] now = tirings();
        Row[] turned = new Row[rows.length];
        for (int shape = 0; shape < rows.length; shape++) {
            int of = Shape.tiring(shape);
            turned[shape] = rows[shape].times(tiring.chances().get(of) / Math.max(1e-12, now[of]));
        }
        return normalised(turned, passes);
    }

    /** How fast today is, as a share of a usual day: 1 where nothing was heard. */
    public double form() {
        if (heard == null) {
            return 1;
        }
        if (form.get() == null) {
            form.set(Math.exp(
                    ofCurves(heard.curvesToday()).mean() - moments(rows).mean()));
        }
        return form.get();
    }

    /** The estimate of today; that of a usual day where nothing was heard. */
    public Estimate estimateOfToday() {
        return heard == null ? estimate() : estimateOf(heard.curvesToday());
    }

    /**
     * The belief after {@code days} without passes: a little wider each day and moved by the trend of a day's practice,
     * and after a layoff of more than a week wider still and lower.
     */
    public Posterior afterDays(long days) {
        if (days <= 0) {
            return this;
        }
        Wandering night = Wandering.over(days);
        Row[] moved = new Row[rows.length];
        for (int shape = 0; shape < rows.length; shape++) {
            moved[shape] = moved(rows[shape], night.drift() + Shape.of(shape).trend(), night.sd());
        }
        return normalised(withOtherTrends(moved), passes);
    }

    /** Trends change now and then: each gives a little of its weight to all. */
    private static Row[] withOtherTrends(Row[] rows) {
        int trends = Shape.TRENDS.length;
        Row[] mixed = new Row[rows.length];
        for (int first = 0; first < rows.length; first += trends) {
            Row[] alike = Arrays.copyOfRange(rows, first, first + trends);
            Row all = Row.sum(alike);
            for (int trend = 0; trend < trends; trend++) {
                mixed[first + trend] = Row.sum(
                        alike[trend].times(1 - TREND_CHANGES), all.times(TREND_CHANGES * Shape.TREND_PRIOR[trend]));
            }
        }
        return mixed;
    }

    /** A row spread by a Gaussian around {@code shift}; what leaves the grid stays at its end. */
    static Row moved(Row row, double shift, double sd) {
        if (row.weights().length == 0) {
            return row;
        }
        double[] kernel = kernel(shift, sd);
        int reach = kernel.length / 2;
        int from = Math.max(0, row.from() - reach);
        int to = Math.min(PLACES, row.to() + reach);
        double[] weights = new double[to - from];
        for (int place = 0; place < row.weights().length; place++) {
            double weight = row.weights()[place];
            for (int i = -reach; i <= reach; i++) {
                int at = Math.max(0, Math.min(PLACES - 1, row.from() + place + i));
                weights[at - from] += weight * kernel[i + reach];
            }
        }
        return new Row(from, weights);
    }

    /**
     * A Gaussian over the places, its chances summing to 1. One that is narrower than a place lies on three of them, with its
     * mean and variance: samples of it would lose both.
     */
    private static double[] kernel(double shift, double sd) {
        if (sd < STEP && Math.abs(shift) <= STEP) {
            double variance = Math.max(sd * sd, Math.abs(shift) * STEP - shift * shift);
            double both = (variance + shift * shift) / (2 * STEP * STEP);
            double more = shift / (2 * STEP);
            return new double[] {both - more, 1 - 2 * both, both + more};
        }
        int reach = (int) Math.ceil((REACH * sd + Math.abs(shift)) / STEP);
        double[] kernel = new double[2 * reach + 1];
        double sum = 0;
        for (int i = -reach; i <= reach; i++) {
            double off = (i * STEP - shift) / sd;
            kernel[i + reach] = Math.exp(-off * off / 2);
            sum += kernel[i + reach];
        }
        for (int i = 0; i < kernel.length; i++) {
            kernel[i] /= sum;
        }
        return kernel;
    }

    /**
     * The belief taken over by other music, or by the same counted otherwise.
     *
     * @param ratio tempo there over tempo here at the same notes per second, above 0
     * @param share the share of its notes that are known from here, 0 to 1: the less, the wider, and the less
     *     it counts as evidence
     */
    public Posterior carried(double ratio, double share) {
        if (!(ratio > 0 && share >= 0 && share <= 1)) {
            throw new IllegalArgumentException(
                    "A belief is carried at a ratio above 0 by a share up to 1, not at " + ratio + " by " + share);
        }
        if (ratio == 1 && share == 1) {
            return this;
        }
        double sd = Wandering.toOther(STRANGE_SD * (1 - share)).sd();
        Row[] moved = new Row[rows.length];
        for (int shape = 0; shape < rows.length; shape++) {
            moved[shape] = moved(rows[shape], Math.log(ratio), sd);
        }
        return normalised(moved, passes * share * share);
    }

    /** Comfortable tempo, ceiling and breakdown by P(clean) and P(broke) alone. */
    public Estimate estimate() {
        return estimateOf(curves(rows));
    }

    /** By a row for each curve, whatever they sum to. */
    private Estimate estimateOf(Row[] curves) {
        return new Estimate(
                band(curves, CeilingModel::comfortable),
                band(curves, CeilingModel::ceiling),
                band(curves, CeilingModel::breakdown),
                passes);
    }

    /** The tempo at which an excerpt with this share of the transitions is clean 80 times in 100. */
    public Band ceilingOf(double share) {
        return band(rows, 1, shape -> shape.at(0).ceiling(shape.hardness(share)));
    }

    /** What the next day of practice is believed to add, ln BPM. */
    public double gain() {
        double gain = 0;
        for (int shape = 0; shape < rows.length; shape++) {
            gain += rows[shape].sum() * Shape.of(shape).trend();
        }
        return gain;
    }

    /** Mean and variance of ln ceiling, for smoothing. */
    public Moments logCeiling() {
        return moments(rows);
    }

    /** Where the ceiling lies on a curve follows from its shape alone. */
    private static Moments ofCurves(Row[] curves) {
        return Moments.of(
                curves,
                curve -> LOWEST + Shape.of(curve * Shape.OF_ONE_CURVE).at(0).ceiling(),
                STEP);
    }

    private static Moments moments(Row[] of) {
        return Moments.of(of, shape -> LOWEST + Shape.of(shape).at(0).ceiling(), STEP);
    }

    /** The chance of a clean pass of the whole at {@code tempo}, rested, all cells weighed. */
    public double cleanAt(Tempo tempo) {
        return clean(curves(), Shape.OF_ONE_CURVE, tempo.log(), 0);
    }

    /** The same for who is tired, 0 to {@value Evidence#MOST_TIRED}. */
    double cleanAt(Tempo tempo, double tired) {
        if (tired == 0) {
            return cleanAt(tempo);
        }
        // Where trends alone differ one sum is enough; what differs in γ is the same for the whole, but lies apart.
        int trends = Shape.TRENDS.length;
        Row[] together = new Row[rows.length / trends];
        for (int i = 0; i < together.length; i++) {
            together[i] = Row.sum(Arrays.copyOfRange(rows, i * trends, (i + 1) * trends));
        }
        return clean(together, trends, tempo.log(), tired);
    }

    /**
     * @param each how many shapes a row stands for
     */
    private static double clean(Row[] rows, int each, double x, double tired) {
        double clean = 0;
        for (int i = 0; i < rows.length; i++) {
            Shape shape = Shape.of(i * each);
            Row row = rows[i];
            for (int place = 0; place < row.weights().length; place++) {
                clean += row.weights()[place]
                        * shape.at(place(row.from() + place)).clean(x + shape.tiring() * tired);
            }
        }
        return clean;
    }

    /** The belief as far as it is about whole passes: a row for each curve, and no shapes with the same curve apart. */
    Row[] curves() {
        return curves(rows);
    }

    private static Row[] curves(Row[] of) {
        Row[] together = new Row[of.length / Shape.OF_ONE_CURVE];
        for (int curve = 0; curve < together.length; curve++) {
            int first = curve * Shape.OF_ONE_CURVE;
            together[curve] = Row.sum(Arrays.copyOfRange(of, first, first + Shape.OF_ONE_CURVE));
        }
        return together;
    }

    private static Band band(Row[] curves, ToDoubleFunction<CeilingModel> quantity) {
        return band(curves, Shape.OF_ONE_CURVE, shape -> quantity.applyAsDouble(shape.at(0)));
    }

    /**
     * The 80% interval of a quantity that lies {@code offset} above the place of the curve.
     *
     * @param each how many shapes a row stands for
     */
    private static Band band(Row[] rows, int each, ToDoubleFunction<Shape> offset) {
        // Each cell's weight is spread evenly over the width of its place, so that quantiles fall
        // between the places of the grid.
        double fine = STEP / FINE;
        double from = LOWEST - ROOM;
        double[] density = new double[(int) ((PLACES * STEP + 2 * ROOM) / fine)];
        for (int i = 0; i < rows.length; i++) {
            Row row = rows[i];
            double shifted = place(row.from()) + offset.applyAsDouble(Shape.of(i * each)) - from;
            int first = (int) (shifted / fine + 0.5);
            for (int place = 0; place < row.weights().length; place++) {
                int at = first + place * FINE;
                density[Math.max(0, Math.min(density.length - 1, at))] += row.weights()[place];
            }
        }
        double[] smooth = spread(density);
        double total = Arrays.stream(smooth).sum();
        return new Band(
                quantile(smooth, total, from, fine, 0.1),
                quantile(smooth, total, from, fine, 0.5),
                quantile(smooth, total, from, fine, 0.9));
    }

    /** How far beyond the grid a quantity may lie, ln BPM. */
    private static final double ROOM = 0.6;

    /** How many fine places make one of the grid. */
    private static final int FINE = 5;

    private static double[] spread(double[] density) {
        double[] smooth = new double[density.length];
        for (int i = 0; i < density.length; i++) {
            if (density[i] == 0) {
                continue;
            }
            for (int near = Math.max(0, i - FINE / 2); near <= Math.min(density.length - 1, i + FINE / 2); near++) {
                smooth[near] += density[i] / FINE;
            }
        }
        return smooth;
    }

    private static Tempo quantile(double[] density, double total, double from, double fine, double wanted) {
        double sum = 0;
        for (int i = 0; i < density.length; i++) {
            double next = sum + density[i] / total;
            if (next >= wanted) {
                double within = (wanted - sum) / (next - sum);
                return Tempo.clamped(Math.exp(from + fine * (i - 0.5 + within)));
            }
            sum = next;
        }
        return Tempo.clamped(Math.exp(from + fine * density.length));
    }

    /** The weights as bytes, to be kept and read back by {@link #fromBytes}. */
    public byte[] toBytes() {
        return BeliefBytes.of(this);
    }

    /**
     * Reads what {@link #toBytes} wrote.
     *
     * @param passes the evidence it rests on, kept beside it
     * @throws IllegalArgumentException if these bytes are no belief
     */
    public static Posterior fromBytes(byte[] kept, double passes) {
        return BeliefBytes.read(kept, passes);
    }

    /**
     * What {@link #toBytes} wrote, no longer packed, for {@link #fromUnpacked}.
     *
     * @throws IllegalArgumentException if these bytes are no belief
     */
    public static byte[] unpacked(byte[] kept) {
        return BeliefBytes.unpacked(kept);
    }

    /**
     * Reads what {@link #unpacked} gave.
     *
     * @param passes the evidence it rests on, kept beside it
     */
    public static Posterior fromUnpacked(byte[] unpacked, double passes) {
        return BeliefBytes.readUnpacked(unpacked, passes);
    }
}

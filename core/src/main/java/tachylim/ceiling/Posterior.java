package tachylim.ceiling;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.function.ToDoubleFunction;
import tachylim.tempo.Tempo;

/**
 * What is believed about a piece's ceiling: a weight for every cell of a grid over (μ, s, δ).
 *
 * <p>The filter is exact on the grid: every pass multiplies each cell by the chance of its verdict
 * there, and every night spreads μ a little. This class is immutable.
 */
public final class Posterior {

    private static final double LOWEST = Math.log(16);
    private static final double STEP = 0.0125;
    private static final int PLACES = 280;
    private static final double[] WIDTHS = {0.015, 0.025, 0.04, 0.06, 0.09};
    private static final double[] WIDTH_PRIOR = {0.1, 0.25, 0.3, 0.25, 0.1};
    private static final double[] BREAKS = {0.02, 0.05, 0.09, 0.14, 0.2};
    private static final double[] BREAK_PRIOR = {0.1, 0.3, 0.3, 0.2, 0.1};
    private static final int SHAPES = WIDTHS.length * BREAKS.length;

    /** How a skill wanders: standard deviation of ln tempo after one day. */
    private static final double NIGHTLY = 0.01;

    private static final int LAYOFF_DAYS = 7;
    private static final double LAYOFF_DRIFT = 0.004;
    private static final double MOST_DRIFT = 0.12;
    private static final double LAYOFF_WIDENING = 0.005;
    private static final double MOST_WIDENING = 0.10;

    /** How far off a first guess usually is, when it is only a guess. */
    public static final double GUESS_SD = 0.22;

    /** How far off it is when the player has played it cleanly at about that tempo. */
    public static final double PLAYED_SD = 0.10;

    /** Where a new piece's ceiling is guessed to lie, as a share of its target. */
    public static final double NEW_SHARE_OF_TARGET = 0.75;

    /** Where the ceiling of a new piece with this target is guessed to lie. */
    public static Tempo guess(Tempo target) {
        return target.times(NEW_SHARE_OF_TARGET);
    }

    /** A guess carried to notes that come as fast at {@code ratio} times the tempo. */
    public static Tempo guess(Tempo before, double ratio) {
        return before.times(ratio);
    }

    /** Cells that weigh less than this are as good as empty. */
    private static final double NEGLIGIBLE = 1e-9;

    /** How far a ceiling may lie off when it is taken over from music of which nothing is shared. */
    private static final double STRANGE_SD = 0.25;

    /** Weights by shape (s, δ) and then by place of μ; they sum to 1. */
    private final double[][] weights;

    private final double passes;

    private Posterior(double[][] weights, double passes) {
        this.weights = weights;
        this.passes = passes;
    }

    /** How many whole rested passes' worth of evidence it rests on; 0 for a guess. */
    public double passes() {
        return passes;
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
        double[][] weights = new double[SHAPES][PLACES];
        for (int shape = 0; shape < SHAPES; shape++) {
            double prior = WIDTH_PRIOR[shape / BREAKS.length] * BREAK_PRIOR[shape % BREAKS.length];
            for (int place = 0; place < PLACES; place++) {
                double off = (model(shape, place).ceiling() - ceiling.log()) / sd;
                weights[shape][place] = prior * Math.exp(-off * off / 2);
            }
        }
        return normalised(weights, 0);
    }

    private static CeilingModel model(int shape, int place) {
        return new CeilingModel(LOWEST + STEP * place, WIDTHS[shape / BREAKS.length], BREAKS[shape % BREAKS.length]);
    }

    private static Posterior normalised(double[][] weights, double passes) {
        double sum = 0;
        for (double[] row : weights) {
            for (double weight : row) {
                sum += weight;
            }
        }
        for (double[] row : weights) {
            for (int i = 0; i < row.length; i++) {
                row[i] /= sum;
            }
        }
        return new Posterior(weights, passes);
    }

    /** The belief after one more pass. */
    public Posterior after(Evidence evidence) {
        double x = evidence.tempo().log();
        double[][] next = new double[SHAPES][PLACES];
        for (int shape = 0; shape < SHAPES; shape++) {
            for (int place = 0; place < PLACES; place++) {
                if (weights[shape][place] < NEGLIGIBLE) {
                    continue;
                }
                double chance = model(shape, place).chance(evidence.verdict(), x);
                next[shape][place] = weights[shape][place] * Math.pow(chance, evidence.power());
            }
        }
        return normalised(next, passes + evidence.power());
    }

    /**
     * The belief after {@code days} without passes: a little wider each day, and after a layoff of more
     * than a week wider still and lower.
     */
    public Posterior afterDays(long days) {
        if (days <= 0) {
            return this;
        }
        double away = Math.max(0, days - LAYOFF_DAYS);
        double sd = Math.hypot(NIGHTLY * Math.sqrt(days), Math.min(MOST_WIDENING, LAYOFF_WIDENING * away));
        return moved(-Math.min(MOST_DRIFT, LAYOFF_DRIFT * away), sd);
    }

    private Posterior moved(double shift, double sd) {
        int reach = (int) Math.ceil((4 * sd + Math.abs(shift)) / STEP);
        double[] kernel = new double[2 * reach + 1];
        for (int i = -reach; i <= reach; i++) {
            double off = (i * STEP - shift) / sd;
            kernel[i + reach] = Math.exp(-off * off / 2);
        }
        double[][] next = new double[SHAPES][PLACES];
        for (int shape = 0; shape < SHAPES; shape++) {
            for (int from = 0; from < PLACES; from++) {
                double weight = weights[shape][from];
                if (weight < NEGLIGIBLE) {
                    continue;
                }
                for (int i = -reach; i <= reach; i++) {
                    int to = Math.max(0, Math.min(PLACES - 1, from + i));
                    next[shape][to] += weight * kernel[i + reach];
                }
            }
        }
        return normalised(next, passes);
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
        boolean same = ratio == 1 && share == 1;
        Posterior moved = same ? this : moved(Math.log(ratio), Math.hypot(NIGHTLY, STRANGE_SD * (1 - share)));
        return new Posterior(moved.weights, passes * share * share);
    }

    /** Ease, ceiling and breakdown by P(clean) and P(broke) alone. */
    public Estimate estimate() {
        return new Estimate(
                band(CeilingModel::ease), band(CeilingModel::ceiling), band(CeilingModel::breakdown), passes);
    }

    /** The estimate with the ease tempo lowered to where tension reaches 2, if that is known. */
    public Estimate estimate(TensionCurve tension) {
        Estimate plain = estimate();
        return tension.tempoAt(TensionCurve.ALERT)
                .map(alert -> new Estimate(plain.ease().notAbove(alert), plain.ceiling(), plain.breakdown(), passes))
                .orElse(plain);
    }

    /** The mean of ln ceiling, for smoothing. */
    public double meanLogCeiling() {
        double mean = 0;
        for (int shape = 0; shape < SHAPES; shape++) {
            for (int place = 0; place < PLACES; place++) {
                mean += weights[shape][place] * model(shape, place).ceiling();
            }
        }
        return mean;
    }

    /** The variance of ln ceiling. */
    public double varianceLogCeiling() {
        double mean = meanLogCeiling();
        double variance = 0;
        for (int shape = 0; shape < SHAPES; shape++) {
            for (int place = 0; place < PLACES; place++) {
                double off = model(shape, place).ceiling() - mean;
                variance += weights[shape][place] * off * off;
            }
        }
        return variance;
    }

    /** The chance of a clean pass at {@code tempo}, all cells weighed. */
    public double cleanAt(Tempo tempo) {
        double x = tempo.log();
        double clean = 0;
        for (int shape = 0; shape < SHAPES; shape++) {
            for (int place = 0; place < PLACES; place++) {
                clean += weights[shape][place] * (1 - model(shape, place).notClean(x));
            }
        }
        return clean;
    }

    private Band band(ToDoubleFunction<CeilingModel> quantity) {
        // Each cell's weight is spread evenly over the width of its place, so that quantiles fall
        // between the places of the grid.
        double fine = STEP / 5;
        double from = LOWEST - 0.6;
        double[] density = new double[(int) ((PLACES * STEP + 1.2) / fine)];
        for (int shape = 0; shape < SHAPES; shape++) {
            for (int place = 0; place < PLACES; place++) {
                double weight = weights[shape][place];
                if (weight < NEGLIGIBLE) {
                    continue;
                }
                int middle = (int) Math.round((quantity.applyAsDouble(model(shape, place)) - from) / fine);
                for (int i = -2; i <= 2; i++) {
                    density[middle + i] += weight / 5;
                }
            }
        }
        return new Band(
                quantile(density, from, fine, 0.1),
                quantile(density, from, fine, 0.5),
                quantile(density, from, fine, 0.9));
    }

    private static Tempo quantile(double[] density, double from, double fine, double wanted) {
        double total = Arrays.stream(density).sum();
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
        ByteBuffer bytes = ByteBuffer.allocate(SHAPES * PLACES * Float.BYTES);
        for (double[] row : weights) {
            for (double weight : row) {
                bytes.putFloat((float) weight);
            }
        }
        return bytes.array();
    }

    /**
     * Reads what {@link #toBytes} wrote.
     *
     * @param passes the evidence it rests on, kept beside it
     * @throws IllegalArgumentException if the length is another
     */
    public static Posterior fromBytes(byte[] kept, double passes) {
        if (kept.length != SHAPES * PLACES * Float.BYTES) {
            throw new IllegalArgumentException(
                    "A kept belief has " + SHAPES * PLACES * Float.BYTES + " bytes, not " + kept.length);
        }
        ByteBuffer bytes = ByteBuffer.wrap(kept);
        double[][] weights = new double[SHAPES][PLACES];
        for (double[] row : weights) {
            for (int i = 0; i < row.length; i++) {
                row[i] = bytes.getFloat();
            }
        }
        return normalised(weights, passes);
    }
}

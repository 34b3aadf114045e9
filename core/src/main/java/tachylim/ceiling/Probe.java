package tachylim.ceiling;

import java.util.Arrays;
import java.util.List;
import tachylim.task.Verdict;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;

/**
 * The tempo at which a pass of the whole says most about the ceiling: the one after which its variance is expected to be
 * the least (Bayesian adaptive estimation, King-Smith and others 1994), among those that are not too fast to be tried.
 */
public final class Probe {

    /** A probe is at most this much faster than what is easy, or was clean already. */
    public static final double REACH = 1.08;

    /** Slower than this share of the ceiling hardly anything is learned. */
    private static final double SLOWEST = 0.8;

    private static final int CANDIDATES = 16;

    /** What weighs less than this changes no choice. */
    private static final double NEGLIGIBLE = 1e-6;

    /** Of a wide row every second or third place is enough. */
    private static final int PLACES_LOOKED_AT = 50;

    private static final Verdict[] VERDICTS = Verdict.values();

    private Probe() {}

    /**
     * The tempo to try next, whole on a metronome.
     *
     * @param belief what is believed
     * @param proven the fastest tempo that is easy, or was clean already
     * @param limit what must not be passed whatever would be learned
     */
    public static Tempo next(Posterior belief, Tempo proven, Tempo limit) {
        return next(belief, proven, limit, List.of());
    }

    /**
     * The same, past awkward bands: a pass in one says nothing of the ceiling.
     */
    static Tempo next(Posterior belief, Tempo proven, Tempo limit, List<AwkwardBand> awkward) {
        int highest =
                (int) Rounding.below(Tempo.slower(proven.times(REACH), limit).bpm());
        int lowest = (int) Math.ceil(Math.exp(belief.logCeiling().mean()) * SLOWEST);
        if (lowest >= highest) {
            return Tempo.clamped(highest);
        }
        Row[] curves = Arrays.stream(belief.curves())
                .map(row -> row.trimmed(NEGLIGIBLE))
                .toArray(Row[]::new);
        int step = Math.max(1, (highest - lowest) / CANDIDATES);
        int best = highest;
        double least = Double.POSITIVE_INFINITY;
        for (int bpm = highest; bpm >= lowest; bpm -= step) {
            Tempo tempo = Tempo.clamped(bpm);
            if (awkward.stream().anyMatch(band -> band.holds(tempo))) {
                continue;
            }
            double variance = expectedVariance(curves, tempo);
            if (variance < least) {
                least = variance;
                best = bpm;
            }
        }
        return Tempo.clamped(best);
    }

    /** The variance of ln ceiling that is left after a pass at {@code tempo}, its verdicts weighed by their chances. */
    private static double expectedVariance(Row[] curves, Tempo tempo) {
        double[] chance = new double[VERDICTS.length];
        double[] first = new double[VERDICTS.length];
        double[] second = new double[VERDICTS.length];
        for (int curve = 0; curve < curves.length; curve++) {
            Row row = curves[curve];
            int stride = 1 + row.weights().length / PLACES_LOOKED_AT;
            Shape shape = Shape.of(curve * Shape.OF_ONE_CURVE);
            double start = Posterior.place(row.from() + stride / 2);
            double offset = shape.at(0).ceiling();
            // From place to place the odds of a slip fall by the same factor, which saves an exponential for each.
            double fall = Math.exp(-stride * Posterior.STEP / shape.s());
            double slips = Math.exp((tempo.log() - start) / shape.s());
            double breaks = slips * Math.exp(-shape.delta() / shape.s());
            double ceiling = start + offset;
            for (int i = stride / 2; i < row.weights().length; i += stride) {
                double clean = (1 - shape.lapse()) / (1 + slips);
                double broke =
                        CeilingModel.BROKEN_LAPSE * shape.lapse() + (1 - shape.lapse()) * (breaks / (1 + breaks));
                double unbroken = 1 - Math.min(1 - clean, broke);
                double here = stride * row.weights()[i];
                for (int verdict = 0; verdict < VERDICTS.length; verdict++) {
                    double weight = here * CeilingModel.spoken(VERDICTS[verdict], clean, unbroken);
                    chance[verdict] += weight;
                    first[verdict] += weight * ceiling;
                    second[verdict] += weight * ceiling * ceiling;
                }
                slips *= fall;
                breaks *= fall;
                ceiling += stride * Posterior.STEP;
            }
        }
        double variance = 0;
        for (int verdict = 0; verdict < chance.length; verdict++) {
            if (chance[verdict] > 0) {
                variance += second[verdict] - first[verdict] * first[verdict] / chance[verdict];
            }
        }
        return variance;
    }
}

package tachylim.ceiling;

import java.util.List;
import java.util.Optional;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/**
 * How tension rises with tempo: a straight line in ln tempo, fitted by Bayesian linear regression with
 * a weak prior that tension rises.
 *
 * <p>This class is immutable.
 */
public final class TensionCurve {

    /** The tension up to which playing is easy. */
    public static final double ALERT = 2;

    /** Tension changes with condition, so only the last weeks speak of it. */
    public static final int DAYS = 21;

    /** The tension at the edge. */
    public static final double EDGE = 3;

    private static final int FEWEST_PASSES = 8;
    private static final double NOISE_VARIANCE = 0.64;
    private static final double PRIOR_SLOPE = 8;
    private static final double PRIOR_SLOPE_VARIANCE = 16;
    private static final double PRIOR_LEVEL = 2;
    private static final double PRIOR_LEVEL_VARIANCE = 4;
    private static final double LEAST_SLOPE = 2;

    /** Tempos this far beyond those played are not spoken of. */
    private static final double REACH = 1.15;

    private final boolean known;
    private final double centre;
    private final double level;
    private final double slope;
    private final Tempo slowest;
    private final Tempo fastest;

    private TensionCurve(boolean known, double centre, double level, double slope, Tempo slowest, Tempo fastest) {
        this.known = known;
        this.centre = centre;
        this.level = level;
        this.slope = slope;
        this.slowest = slowest;
        this.fastest = fastest;
    }

    /** One pass and its tension. */
    public record Felt(Tempo tempo, Tension tension) {

        /** The same, felt on notes that come as fast at {@code ratio} times the tempo. */
        public Felt at(double ratio) {
            return new Felt(tempo.times(ratio), tension);
        }
    }

    /** The curve through what was felt; unknown with fewer than {@value #FEWEST_PASSES} passes. */
    public static TensionCurve through(List<Felt> passes) {
        if (passes.size() < FEWEST_PASSES) {
            return new TensionCurve(false, 0, 0, 0, null, null);
        }
        double centre = passes.stream()
                .mapToDouble(felt -> felt.tempo().log())
                .average()
                .orElseThrow();
        double levelPrecision = 1 / PRIOR_LEVEL_VARIANCE;
        double slopePrecision = 1 / PRIOR_SLOPE_VARIANCE;
        double levelSum = PRIOR_LEVEL * levelPrecision;
        double slopeSum = PRIOR_SLOPE * slopePrecision;
        // Centring ln tempo makes level and slope independent.
        for (Felt felt : passes) {
            double x = felt.tempo().log() - centre;
            double y = felt.tension().ordinal();
            levelPrecision += 1 / NOISE_VARIANCE;
            levelSum += y / NOISE_VARIANCE;
            slopePrecision += x * x / NOISE_VARIANCE;
            slopeSum += x * y / NOISE_VARIANCE;
        }
        Tempo slowest = passes.stream().map(Felt::tempo).min(Tempo::compareTo).orElseThrow();
        Tempo fastest = passes.stream().map(Felt::tempo).max(Tempo::compareTo).orElseThrow();
        return new TensionCurve(
                true,
                centre,
                levelSum / levelPrecision,
                Math.max(LEAST_SLOPE, slopeSum / slopePrecision),
                slowest,
                fastest);
    }

    /**
     * The tempo at which tension crosses {@code tension}; empty when there are too few passes or the
     * crossing lies far from what was played.
     */
    public Optional<Tempo> tempoAt(double tension) {
        if (!known) {
            return Optional.empty();
        }
        double bpm = Math.exp(centre + (tension - level) / slope);
        boolean spokenOf = bpm >= slowest.bpm() / REACH && bpm <= fastest.bpm() * REACH;
        return spokenOf ? Optional.of(Tempo.clamped(bpm)) : Optional.empty();
    }
}

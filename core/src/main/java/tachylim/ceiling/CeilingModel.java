package tachylim.ceiling;

import tachylim.method.Verdict;

/**
 * The ordinal model of a verdict at a tempo, with x = ln v and a lapse rate λ.
 *
 * <p>{@code P(not clean) = λ + (1−λ)·σ((x−μ)/s)} and {@code P(broke) = 0.3λ + (1−λ)·σ((x−μ−δ)/s)} with
 * δ ≥ 0, σ the logistic function. The lapse lets even an easy pass go wrong now and then (Wichmann and
 * Hill 2001). This class is immutable.
 *
 * @param mu the place of the curve, ln BPM
 * @param s its width in ln BPM, positive
 * @param delta how much further up it breaks than slips, in ln BPM, not negative
 */
public record CeilingModel(double mu, double s, double delta) {

    /** λ, the chance of a slip that has nothing to do with tempo. */
    public static final double LAPSE = 0.03;

    /** The share of the lapse that is a break. */
    public static final double BROKEN_LAPSE = 0.3;

    private static final double EASE_CLEAN = 0.95;
    private static final double CEILING_CLEAN = 0.80;
    private static final double BREAKDOWN_BROKE = 0.50;

    static final double EASE_OFFSET = logit((1 - EASE_CLEAN - LAPSE) / (1 - LAPSE));
    static final double CEILING_OFFSET = logit((1 - CEILING_CLEAN - LAPSE) / (1 - LAPSE));
    static final double BREAKDOWN_OFFSET = logit((BREAKDOWN_BROKE - BROKEN_LAPSE * LAPSE) / (1 - LAPSE));

    /** The chance that a pass at {@code x} = ln BPM is not clean. */
    public double notClean(double x) {
        return LAPSE + (1 - LAPSE) * logistic((x - mu) / s);
    }

    /** The chance that a pass at {@code x} = ln BPM breaks. */
    public double broke(double x) {
        return BROKEN_LAPSE * LAPSE + (1 - LAPSE) * logistic((x - mu - delta) / s);
    }

    /** The chance of a verdict at {@code x} = ln BPM; the three sum to 1. */
    public double chance(Verdict verdict, double x) {
        return switch (verdict) {
            case CLEAN -> 1 - notClean(x);
            case ROUGH -> Math.max(1e-9, notClean(x) - broke(x));
            case BROKE -> Math.min(broke(x), notClean(x));
        };
    }

    /** ln of the tempo that is clean 95 times in 100. */
    public double ease() {
        return mu + s * EASE_OFFSET;
    }

    /** ln of the tempo that is clean 80 times in 100. */
    public double ceiling() {
        return mu + s * CEILING_OFFSET;
    }

    /** ln of the tempo at which every other pass breaks. */
    public double breakdown() {
        return mu + delta + s * BREAKDOWN_OFFSET;
    }

    static double logistic(double z) {
        return 1 / (1 + Math.exp(-z));
    }

    private static double logit(double p) {
        return Math.log(p / (1 - p));
    }
}

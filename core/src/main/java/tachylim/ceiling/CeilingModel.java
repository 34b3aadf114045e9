package tachylim.ceiling;

import tachylim.task.Verdict;

/**
 * The ordinal model of a verdict at a tempo, with x = ln v and a lapse rate λ.
 *
 * <p>{@code P(not clean) = λ + (1−λ)·σ((x−μ)/s)} and {@code P(broke) = 0.3λ + (1−λ)·σ((x−μ−δ)/s)} with
 * δ ≥ 0, σ the logistic function. The lapse lets even an easy pass go wrong now and then (Wichmann and
 * Hill 2001). Of a short excerpt both the chance of a clean pass and the chance that it does not break are
 * taken to a power, its hardness: 1 is the whole, less is easier. This class is immutable.
 *
 * @param mu the place of the curve, ln BPM
 * @param s its width in ln BPM, positive
 * @param delta how much further up it breaks than slips, in ln BPM, not negative
 * @param lapse λ, the chance of a slip that has nothing to do with tempo, 0 to 0.1
 */
public record CeilingModel(double mu, double s, double delta, double lapse) {

    /** λ when nothing is known of it. */
    public static final double LAPSE = 0.03;

    /** The share of the lapse that is a break. */
    public static final double BROKEN_LAPSE = 0.3;

    private static final double COMFORTABLE_SLIPS = 0.05;
    private static final double CEILING_SLIPS = 0.20;
    private static final double BREAKDOWN_BREAKS = 0.50;

    /** Who slips for other reasons more often than the comfortable tempo allows is comfortable where tempo adds no more than this. */
    private static final double LEAST_SLIPS_BY_TEMPO = 0.02;

    /** No verdict is held to be impossible. */
    static final double LEAST_CHANCE = 1e-9;

    /** With the usual lapse. */
    public CeilingModel(double mu, double s, double delta) {
        this(mu, s, delta, LAPSE);
    }

    /** The chance that a pass of the whole at {@code x} = ln BPM is clean. */
    public double clean(double x) {
        return (1 - lapse) * (1 - logistic((x - mu) / s));
    }

    /** The chance that a pass of the whole at {@code x} = ln BPM is not clean. */
    public double notClean(double x) {
        return 1 - clean(x);
    }

    /** The chance that a pass of the whole at {@code x} = ln BPM breaks. */
    public double broke(double x) {
        return Math.min(notClean(x), BROKEN_LAPSE * lapse + (1 - lapse) * logistic((x - mu - delta) / s));
    }

    /** The chance of a verdict on the whole at {@code x} = ln BPM; the three sum to 1. */
    public double chance(Verdict verdict, double x) {
        return chance(verdict, x, 1);
    }

    /**
     * The chance of a verdict at {@code x} = ln BPM; the three sum to 1.
     *
     * @param hardness 1 for the whole, above 0 and below 1 for what is easier
     */
    public double chance(Verdict verdict, double x, double hardness) {
        return spoken(verdict, Math.pow(clean(x), hardness), Math.pow(1 - broke(x), hardness));
    }

    /** The chance of a verdict where it is {@code clean} and where it is {@code unbroken} with these chances. */
    static double spoken(Verdict verdict, double clean, double unbroken) {
        return switch (verdict) {
            case CLEAN -> Math.max(LEAST_CHANCE, clean);
            case ROUGH -> Math.max(LEAST_CHANCE, unbroken - clean);
            case BROKE -> Math.max(LEAST_CHANCE, 1 - unbroken);
        };
    }

    /** ln of the tempo that is clean 95 times in 100. */
    public double comfortable() {
        return mu + s * slipping(COMFORTABLE_SLIPS);
    }

    /** ln of the tempo that is clean 80 times in 100. */
    public double ceiling() {
        return mu + s * slipping(CEILING_SLIPS);
    }

    /** ln of the tempo at which every other pass breaks. */
    public double breakdown() {
        return mu + delta + s * logit((BREAKDOWN_BREAKS - BROKEN_LAPSE * lapse) / (1 - lapse));
    }

    /** ln of the tempo at which something of this hardness is clean 80 times in 100: above the ceiling where it is easier. */
    double ceiling(double hardness) {
        return mu + s * slipping(1 - Math.pow(1 - CEILING_SLIPS, 1 / hardness));
    }

    /** How many widths above μ this share of the passes is not clean. */
    private double slipping(double share) {
        return logit(Math.min(MOST_SLIPS, Math.max(LEAST_SLIPS_BY_TEMPO, (share - lapse) / (1 - lapse))));
    }

    /** Beyond this the curve is flat, and where it crosses is chance. */
    private static final double MOST_SLIPS = 0.98;

    static double logistic(double z) {
        return 1 / (1 + Math.exp(-z));
    }

    private static double logit(double p) {
        return Math.log(p / (1 - p));
    }
}

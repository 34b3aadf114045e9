package tachylim.ceiling;

import java.util.stream.IntStream;

/**
 * Everything the belief does not know of a player but the place of the curve: one row of its grid.
 *
 * <p>The axes and how likely each value is before anything is played. Widths and breaking distances, and how much playing
 * tires, are those of the usual range of players; γ and λ are held to be equally likely, since nobody knows them
 * beforehand. This class is immutable.
 *
 * @param s the width of the curve, ln BPM
 * @param delta how much further up it breaks than slips, ln BPM
 * @param lapse λ, slips that have nothing to do with tempo
 * @param gamma γ, how much easier a short excerpt is: an excerpt with a share f of the transitions has hardness
 *     {@code f^γ}; 0 is no easier, 1 as if every transition went wrong on its own
 * @param tiring φ, how much slower the player is when spent, ln BPM: a pass at a tempo is as hard as one so much faster
 *     would be when fresh
 * @param trend what a day of practice adds to the place of the curve, ln BPM
 */
record Shape(double s, double delta, double lapse, double gamma, double tiring, double trend) {

    static final double[] WIDTHS = {0.015, 0.025, 0.04, 0.06, 0.09};
    static final double[] BREAKS = {0.03, 0.09, 0.16};
    static final double[] LAPSES = {0.015, 0.05};
    static final double[] GAMMAS = {0.4, 1.4};
    static final double[] TIRINGS = {0, 0.04, 0.09, 0.16};
    static final double[] TRENDS = {-0.002, 0.001, 0.006};

    private static final double[] WIDTH_PRIOR = {0.1, 0.25, 0.3, 0.25, 0.1};
    private static final double[] BREAK_PRIOR = {0.33, 0.4, 0.27};
    private static final double[] TIRING_PRIOR = {0.22, 0.38, 0.28, 0.12};
    static final double[] TREND_PRIOR = {0.2, 0.5, 0.3};

    /** So many in a row have one curve in common, and differ in how much easier excerpts are, in tiring and in their trend. */
    static final int OF_ONE_CURVE = GAMMAS.length * TIRINGS.length * TRENDS.length;

    /** How many there are. */
    static final int COUNT = WIDTHS.length * BREAKS.length * LAPSES.length * OF_ONE_CURVE;

    /** The shape of an index, trends lying next to each other and widths furthest apart. */
    static Shape of(int index) {
        return ALL[index];
    }

    private static final Shape[] ALL =
            IntStream.range(0, COUNT).mapToObj(Shape::made).toArray(Shape[]::new);

    private static Shape made(int index) {
        return new Shape(
                WIDTHS[width(index)],
                BREAKS[breaking(index)],
                LAPSES[lapse(index)],
                GAMMAS[gamma(index)],
                TIRINGS[tiring(index)],
                TRENDS[trend(index)]);
    }

    /** How likely the shape of an index is before anything is played. */
    static double prior(int index) {
        return WIDTH_PRIOR[width(index)]
                * BREAK_PRIOR[breaking(index)]
                * tiringPrior(index)
                * TREND_PRIOR[trend(index)]
                / (LAPSES.length * GAMMAS.length);
    }

    /** The share of {@link #prior} that is how much playing tires. */
    static double tiringPrior(int index) {
        return priorOf(tiring(index));
    }

    /** How likely a φ is of players nothing is known of. */
    static double priorOf(int tiring) {
        return TIRING_PRIOR[tiring];
    }

    static int trend(int index) {
        return index % TRENDS.length;
    }

    static int tiring(int index) {
        return index / TRENDS.length % TIRINGS.length;
    }

    static int gamma(int index) {
        return index / (TRENDS.length * TIRINGS.length) % GAMMAS.length;
    }

    static int lapse(int index) {
        return index / OF_ONE_CURVE % LAPSES.length;
    }

    static int breaking(int index) {
        return index / (OF_ONE_CURVE * LAPSES.length) % BREAKS.length;
    }

    static int width(int index) {
        return index / (OF_ONE_CURVE * LAPSES.length * BREAKS.length);
    }

    /** The curve of this shape at a place. */
    CeilingModel at(double mu) {
        return new CeilingModel(mu, s, delta, lapse);
    }

    /** The hardness of an excerpt with this share of the transitions. */
    double hardness(double share) {
        return share == 1 ? 1 : Math.pow(share, gamma);
    }
}

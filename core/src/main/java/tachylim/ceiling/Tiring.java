package tachylim.ceiling;

import java.util.List;
import java.util.stream.IntStream;

/**
 * How much playing tires a player, as far as their passages tell together: a chance for each φ of the grid (see {@link Shape}).
 * Passages of one player are not independent, and some took their belief over from others: n of them count for √n. This class
 * is immutable.
 *
 * @param chances a chance for each φ, summing to 1
 * @param passages how many passages told anything
 */
public record Tiring(List<Double> chances, int passages) {

    /** What is taken of players nothing is known of. */
    public static final Tiring USUAL = of(List.of());

    /** A passage tells of tiring once so many whole passes were heard. */
    private static final double LEAST_PASSES = 4;

    public Tiring {
        chances = List.copyOf(chances);
    }

    /** What some passages tell together. */
    public static Tiring of(List<Posterior> passages) {
        List<double[]> told = passages.stream()
                .filter(one -> one.passes() >= LEAST_PASSES)
                .map(Posterior::tirings)
                .toList();
        double weight = told.isEmpty() ? 0 : 1 / Math.sqrt(told.size());
        double[] chances = new double[Shape.TIRINGS.length];
        double sum = 0;
        for (int tiring = 0; tiring < chances.length; tiring++) {
            double log = 0;
            for (double[] one : told) {
                log += weight * Math.log(Math.max(1e-12, one[tiring]) / Shape.priorOf(tiring));
            }
            chances[tiring] = Shape.priorOf(tiring) * Math.exp(log);
            sum += chances[tiring];
        }
        double all = sum;
        return new Tiring(
                IntStream.range(0, chances.length)
                        .mapToObj(i -> chances[i] / all)
                        .toList(),
                told.size());
    }

    /** How much slower the player is when spent, ln tempo: what is to be expected, and how sure that is. */
    public Moments moments() {
        double mean = 0;
        double square = 0;
        for (int tiring = 0; tiring < chances.size(); tiring++) {
            mean += chances.get(tiring) * Shape.TIRINGS[tiring];
            square += chances.get(tiring) * Shape.TIRINGS[tiring] * Shape.TIRINGS[tiring];
        }
        return new Moments(mean, Math.max(0, square - mean * mean));
    }
}

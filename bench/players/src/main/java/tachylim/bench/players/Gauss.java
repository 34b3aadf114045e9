package tachylim.bench.players;

import java.util.SplittableRandom;

/** Normal deviates from a generator that splits. */
final class Gauss {

    private Gauss() {}

    /** One with mean 0 and deviation 1 (Box and Muller 1958). */
    static double of(SplittableRandom random) {
        return Math.sqrt(-2 * Math.log(1 - random.nextDouble())) * Math.cos(2 * Math.PI * random.nextDouble());
    }
}

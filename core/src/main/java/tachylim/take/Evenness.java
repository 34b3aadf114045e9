package tachylim.take;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.IntStream;
import tachylim.take.Measured.Transition;

/**
 * How even transitions are over several passes, and which of them give trouble. Intervals count as shares of what was asked,
 * without the measure's own error ({@link Measured}).
 */
public final class Evenness {

    /** A transition that slipped, or was left out, in so many of the last passes gives trouble. */
    public static final int TROUBLED = 2;

    /** How many passes are looked at for that. */
    public static final int LAST = 4;

    private static final double OF_ERROR = 0.8;
    private static final int FEWEST = 4;

    private Evenness() {}

    /**
     * How much the intervals from one note to another differ, over several passes.
     *
     * @param passes the transitions of each pass
     * @param first the first note whose interval from the one before counts, from 1
     * @param last the last
     * @return a share of the interval, 0 or more; empty where too few were measured
     */
    public static OptionalDouble of(List<List<Transition>> passes, int first, int last) {
        double[] squares = passes.stream()
                .flatMap(List::stream)
                .filter(one -> one.to() >= first && one.to() <= last && isMeasured(one))
                .mapToDouble(one -> (one.off() * one.off() - OF_ERROR * one.sigma() * one.sigma())
                        / (one.interval() * one.interval()))
                .toArray();
        return squares.length < FEWEST
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.sqrt(Math.max(
                        0,
                        IntStream.range(0, squares.length)
                                        .mapToDouble(i -> squares[i])
                                        .sum()
                                / squares.length)));
    }

    /** A note that was not heard is told as a slip without an interval. */
    private static boolean isMeasured(Transition one) {
        return one.interval() > 0;
    }

    /**
     * The transitions that give trouble: those that slipped, or whose note was missing, in {@value #TROUBLED} of the last
     * {@value #LAST} passes in which they were played. Were slips that are none left to chance, fewer than two in a thousand
     * would be among them (6·0.016²).
     *
     * @param passes the transitions of each pass, the latest first
     * @return the notes they lead to, the worst first
     */
    public static List<Integer> troubled(List<List<Transition>> passes) {
        TreeMap<Integer, Integer> played = new TreeMap<>();
        TreeMap<Integer, Integer> slips = new TreeMap<>();
        for (List<Transition> pass : passes) {
            Map<Integer, Boolean> slipped = new HashMap<>();
            pass.forEach(one -> slipped.merge(one.to(), one.slipped(), Boolean::logicalOr));
            slipped.forEach((to, here) -> {
                if (played.merge(to, 1, Integer::sum) <= LAST && here) {
                    slips.merge(to, 1, Integer::sum);
                }
            });
        }
        return slips.entrySet().stream()
                .filter(one -> one.getValue() >= TROUBLED)
                .sorted(Comparator.comparing(one -> -one.getValue()))
                .map(one -> one.getKey())
                .toList();
    }
}

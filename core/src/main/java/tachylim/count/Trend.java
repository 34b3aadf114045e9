package tachylim.count;

import java.util.List;
import java.util.OptionalDouble;
import tachylim.words.Refusal;

/**
 * How the counts of a change come on: the median of the last ones against that of those before, which one lucky or lost
 * minute does not sway. This class is immutable.
 *
 * @param now the median of the last {@value #COUNTS}, or of as many as there are, a minute
 * @param gained how much more that is than the median of the {@value #COUNTS} before; empty with fewer than
 *     {@value #LEAST} counts
 */
public record Trend(double now, OptionalDouble gained) {

    static final int COUNTS = 5;
    static final int LEAST = 6;

    /**
     * The trend of counts, the oldest first.
     *
     * @throws IllegalArgumentException if there is none
     */
    public static Trend of(List<Count> counts) {
        if (counts.isEmpty()) {
            throw Refusal.of("refusal.trend.nothingWasCountedYet");
        }
        int from = Math.max(0, counts.size() - COUNTS);
        // With few counts the last half is compared with the first.
        int middle = counts.size() < 2 * COUNTS ? (counts.size() + 1) / 2 : from;
        double now = median(counts.subList(from, counts.size()));
        return new Trend(
                now,
                counts.size() < LEAST
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(median(counts.subList(middle, counts.size()))
                                - median(counts.subList(Math.max(0, middle - COUNTS), middle))));
    }

    private static double median(List<Count> counts) {
        double[] sorted = counts.stream().mapToDouble(Count::perMinute).sorted().toArray();
        int half = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }
}

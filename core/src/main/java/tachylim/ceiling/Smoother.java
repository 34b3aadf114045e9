package tachylim.ceiling;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import tachylim.tempo.Tempo;

/**
 * Smooths the history of a ceiling: what each day looks like from today, with all later days known.
 *
 * <p>The fixed-interval smoother of Rauch, Tung and Striebel (1965) for a random walk of ln ceiling,
 * run backward over the filtered days.
 */
public final class Smoother {

    private static final double DAILY_VARIANCE = 1e-4;

    private Smoother() {}

    /**
     * One day of the history. This class is immutable.
     *
     * @param day days since any fixed day
     * @param mean the mean of ln ceiling
     * @param variance its variance, positive
     */
    public record Day(long day, double mean, double variance) {

        /** The ceiling the mean stands for. */
        public Tempo tempo() {
            return Tempo.clamped(Math.exp(mean));
        }
    }

    /** The smoothed days, in the same order: the last is as it was. */
    public static List<Day> smooth(List<Day> filtered) {
        List<Day> smoothed = new ArrayList<>(filtered);
        for (int i = filtered.size() - 2; i >= 0; i--) {
            Day now = filtered.get(i);
            Day next = smoothed.get(i + 1);
            double predicted = now.variance() + DAILY_VARIANCE * Math.max(1, next.day() - now.day());
            double gain = now.variance() / predicted;
            smoothed.set(
                    i,
                    new Day(
                            now.day(),
                            now.mean() + gain * (next.mean() - now.mean()),
                            now.variance() + gain * gain * (next.variance() - predicted)));
        }
        return Collections.unmodifiableList(smoothed);
    }
}

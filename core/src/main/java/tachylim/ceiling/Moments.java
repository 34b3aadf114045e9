package tachylim.ceiling;

import java.util.function.IntToDoubleFunction;

/**
 * Mean and variance of a quantity over all cells of a belief.
 *
 * @param mean in the unit of the quantity
 * @param variance in its square, not negative
 */
public record Moments(double mean, double variance) {

    /**
     * Those of a quantity that grows by {@code step} from place to place, each weight looked at once.
     *
     * @param rows the weights, whatever they sum to
     * @param first the quantity at the first place of a row
     */
    static Moments of(Row[] rows, IntToDoubleFunction first, double step) {
        double mean = 0;
        double square = 0;
        double near = Double.NaN;
        double total = 0;
        for (int shape = 0; shape < rows.length; shape++) {
            double[] weights = rows[shape].weights();
            if (weights.length == 0) {
                continue;
            }
            double sum = 0;
            double places = 0;
            double squares = 0;
            for (int i = 0; i < weights.length; i++) {
                double weight = weights[i];
                sum += weight;
                places += weight * i;
                squares += weight * i * i;
            }
            double from = first.applyAsDouble(shape) + step * rows[shape].from();
            // Squares are taken from somewhere near the mean, so that what is left of them is not rounded away.
            near = Double.isNaN(near) ? from + step * weights.length / 2 : near;
            double off = from - near;
            total += sum;
            mean += sum * off + step * places;
            square += sum * off * off + 2 * off * step * places + step * step * squares;
        }
        mean /= total;
        return new Moments(near + mean, Math.max(0, square / total - mean * mean));
    }
}

package tachylim.bench.players;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tachylim.ceiling.Band;

/** How far estimates lie from the truth, and how often their intervals hold it. */
final class Figures {

    private final List<Double> errors = new ArrayList<>();
    private double width;
    private int held;

    void add(Band ceiling, double truth) {
        errors.add(ceiling.middle().bpm() / truth - 1);
        width += ceiling.giveOrTake();
        if (ceiling.low().bpm() <= truth && truth <= ceiling.high().bpm()) {
            held++;
        }
    }

    double meanError() {
        return errors.stream().mapToDouble(Math::abs).average().orElse(Double.NaN);
    }

    double bias() {
        return errors.stream().mapToDouble(error -> error).average().orElse(Double.NaN);
    }

    double coverage() {
        return (double) held / errors.size();
    }

    double width() {
        return width / errors.size();
    }

    @Override
    public String toString() {
        return String.format(
                Locale.ROOT,
                "error %4.1f%%  bias %+4.1f%%  held %3.0f%%  ± %4.1f%%",
                100 * meanError(),
                100 * bias(),
                100 * coverage(),
                100 * width());
    }
}

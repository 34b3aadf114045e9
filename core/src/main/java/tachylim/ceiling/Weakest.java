package tachylim.ceiling;

import java.util.List;
import java.util.stream.IntStream;
import tachylim.tempo.Tempo;

/** The section that holds a passage back: the whole goes no faster than its slowest part. */
public final class Weakest {

    private static final double CLEAN = 0.8;
    private static final double WIDEST = 1;
    private static final double PRECISION = 1e-4;
    private static final double LEAST_WIDTH = 0.01;

    /** logit of the slips at the ceiling, and how far that is above the logit of those at the comfortable tempo. */
    private static final double AT_CEILING = Math.log(0.2 / 0.8);

    private static final double FROM_COMFORTABLE = AT_CEILING - Math.log(0.05 / 0.95);

    private Weakest() {}

    /**
     * Which of the sections of a passage is the slowest; the first of several.
     *
     * @param sections an estimate for each, one at least
     * @throws IllegalArgumentException if there is none
     */
    public static int of(List<Estimate> sections) {
        return IntStream.range(0, sections.size())
                .boxed()
                .min((one, other) -> ceiling(sections, one).compareTo(ceiling(sections, other)))
                .orElseThrow(() -> new IllegalArgumentException("A passage has one section at least"));
    }

    /** The tempo at which the whole is still just in control. */
    public static Tempo ceilingOf(List<Estimate> sections) {
        return ceiling(sections, of(sections));
    }

    /**
     * The tempo at which all sections are clean one after another 4 times in 5: slower than the slowest alone. Between the comfortable tempo
     * and ceiling each is taken to follow a logistic curve in ln tempo, and to slip without regard to the others.
     */
    public static Tempo wholeOf(List<Estimate> sections) {
        double low = ceilingOf(sections).log() - WIDEST;
        double high = ceilingOf(sections).log();
        while (high - low > PRECISION) {
            double middle = (low + high) / 2;
            double clean = 1;
            for (Estimate section : sections) {
                clean *= clean(section, middle);
            }
            if (clean >= CLEAN) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Tempo.clamped(Math.exp(high));
    }

    private static double clean(Estimate section, double x) {
        double ceiling = section.ceiling().middle().log();
        double width = (ceiling
                        - Math.min(
                                ceiling - LEAST_WIDTH,
                                section.comfortable().middle().log()))
                / FROM_COMFORTABLE;
        return 1 - CeilingModel.logistic((x - ceiling) / width + AT_CEILING);
    }

    private static Tempo ceiling(List<Estimate> sections, int section) {
        return sections.get(section).ceiling().middle();
    }
}

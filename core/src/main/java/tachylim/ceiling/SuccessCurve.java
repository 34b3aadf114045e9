package tachylim.ceiling;

import java.util.ArrayList;
import java.util.List;
import tachylim.tempo.Tempo;

/** The chance of a clean pass over tempo, as it is believed, from well below the ceiling to well above. */
public final class SuccessCurve {

    private static final double FROM = 0.6;
    private static final double TO = 1.35;
    private static final double STEP = 1.02;

    private SuccessCurve() {}

    /**
     * The chance at one tempo. This class is immutable.
     *
     * @param clean the chance of a clean pass, 0 to 1
     */
    public record Point(Tempo tempo, double clean) {}

    /** Points in equal ratios around {@code ceiling}. */
    public static List<Point> of(Posterior belief, Tempo ceiling) {
        List<Point> points = new ArrayList<>();
        for (double bpm = Math.max(Tempo.MIN, ceiling.bpm() * FROM);
                bpm <= Math.min(Tempo.MAX, ceiling.bpm() * TO);
                bpm *= STEP) {
            points.add(new Point(Tempo.of(bpm), belief.cleanAt(Tempo.of(bpm))));
        }
        return points;
    }
}

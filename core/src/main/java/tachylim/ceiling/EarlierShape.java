package tachylim.ceiling;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The shapes of beliefs that were kept before it was learned how much playing tires: 5 widths, 4 breaking distances, 3 lapses,
 * 4 γ and 3 trends, the trends next to each other. Each gives its weight to the shapes that come nearest, and to every tiring as
 * much as is held of it beforehand.
 */
final class EarlierShape {

    static final byte EDITION = 1;

    private static final double[] BREAKS = {0.02, 0.06, 0.11, 0.18};
    private static final double[] LAPSES = {0.01, 0.03, 0.06};
    private static final double[] GAMMAS = {0, 0.6, 1.2, 2};

    static final int COUNT = Shape.WIDTHS.length * BREAKS.length * LAPSES.length * GAMMAS.length * Shape.TRENDS.length;

    /** The first of the shapes, those of all tirings, to which each gives its weight. */
    private static final int[] NEAREST =
            IntStream.range(0, COUNT).map(EarlierShape::nearest).toArray();

    private EarlierShape() {}

    /** The weights of the shapes there are, by those there were. */
    static Row[] rows(Row[] earlier) {
        List<List<Row>> given = Stream.generate(() -> (List<Row>) new ArrayList<Row>())
                .limit(Shape.COUNT)
                .toList();
        for (int index = 0; index < COUNT; index++) {
            for (int tiring = 0; tiring < Shape.TIRINGS.length; tiring++) {
                int shape = NEAREST[index] + tiring * Shape.TRENDS.length;
                given.get(shape).add(earlier[index].times(Shape.tiringPrior(shape)));
            }
        }
        return given.stream().map(rows -> Row.sum(rows.toArray(Row[]::new))).toArray(Row[]::new);
    }

    private static int nearest(int index) {
        int trends = Shape.TRENDS.length;
        int trend = index % trends;
        int gamma = nearest(GAMMAS[index / trends % GAMMAS.length], Shape.GAMMAS);
        int lapse = nearest(LAPSES[index / (trends * GAMMAS.length) % LAPSES.length], Shape.LAPSES);
        int breaking = nearest(BREAKS[index / (trends * GAMMAS.length * LAPSES.length) % BREAKS.length], Shape.BREAKS);
        int width = index / (trends * GAMMAS.length * LAPSES.length * BREAKS.length);
        int curve = (width * Shape.BREAKS.length + breaking) * Shape.LAPSES.length + lapse;
        return curve * Shape.OF_ONE_CURVE + gamma * Shape.TIRINGS.length * trends + trend;
    }

    private static int nearest(double value, double[] axis) {
        int nearest = 0;
        for (int i = 1; i < axis.length; i++) {
            nearest = Math.abs(axis[i] - value) < Math.abs(axis[nearest] - value) ? i : nearest;
        }
        return nearest;
    }
}

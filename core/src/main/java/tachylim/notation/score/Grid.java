package tachylim.notation.score;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * The places a played or recorded rhythm is drawn to: so many to a quarter note, or the recorded times as
 * they are. This class is immutable.
 *
 * @param perQuarter places in a quarter note, 1 to {@value #FINEST}; 0 for no drawing at all
 */
public record Grid(int perQuarter) {

    /** The finest grid. */
    public static final int FINEST = 24;

    /** The grids that are tried, from the coarsest. */
    private static final List<Integer> USUAL = List.of(1, 2, 3, 4, 6, 8, 12, 24);

    /** Onsets this far off in the mean, in quarters, are as good as on the grid. */
    private static final double CLOSE = 0.018;

    /**
     * @throws IllegalArgumentException if it is not 0 to {@value #FINEST}
     */
    public Grid {
        if (perQuarter < 0 || perQuarter > FINEST) {
            throw Refusal.of("refusal.grid.aGridHas1ToPlacesToA", "finest", FINEST, "perQuarter", perQuarter);
        }
    }

    /** The coarsest grid that {@code quarters}, onsets in quarter notes, lie close to; the closest when none does. */
    public static Grid fitting(List<Double> quarters) {
        int best = USUAL.get(USUAL.size() - 1);
        for (int candidate : USUAL) {
            int per = candidate;
            double off = quarters.stream()
                    .mapToDouble(place -> Math.abs(place - Math.rint(place * per) / per))
                    .average()
                    .orElse(0);
            double worst = quarters.stream()
                    .mapToDouble(place -> Math.abs(place - Math.rint(place * per) / per))
                    .max()
                    .orElse(0);
            if (off < CLOSE && worst < 0.45 / per && worst < 4 * CLOSE) {
                best = per;
                break;
            }
        }
        return new Grid(best);
    }

    /** Where a time lies, in whole notes. */
    public Fraction place(long ticks, int perQuarterTicks) {
        if (perQuarter == 0) {
            return Fraction.of(Math.toIntExact(ticks), 1).divide(4).divide(perQuarterTicks);
        }
        return Fraction.of(Math.toIntExact(Math.round((double) ticks / perQuarterTicks * perQuarter)), 4 * perQuarter);
    }

    /** The shortest length it can say, in whole notes. */
    public Fraction step(int perQuarterTicks) {
        return Fraction.of(1, perQuarter == 0 ? Math.multiplyExact(4, perQuarterTicks) : 4 * perQuarter);
    }

    /** What it is called. */
    public Reason title() {
        return perQuarter == 0 ? Reason.of("grid.none") : Reason.of("grid.places", "places", perQuarter);
    }
}

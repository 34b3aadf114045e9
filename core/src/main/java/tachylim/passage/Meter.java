package tachylim.passage;

import org.apache.commons.numbers.fraction.Fraction;
import tachylim.words.Refusal;

/**
 * A meter such as 4/4 or 6/8.
 *
 * <p>This class is immutable.
 *
 * @param count the upper figure, 1 to 32
 * @param unit the lower figure, a power of two from 1 to 32
 */
public record Meter(int count, int unit) {

    /**
     * @throws IllegalArgumentException if a figure is outside its range
     */
    public Meter {
        if (count < 1 || count > 32) {
            throw Refusal.of("refusal.meter.count", "count", count);
        }
        if (unit < 1 || unit > 32 || Integer.bitCount(unit) != 1) {
            throw Refusal.of("refusal.meter.unit", "unit", unit);
        }
    }

    /** The length of a bar as a fraction of a whole note. */
    public Fraction bar() {
        return Fraction.of(count, unit);
    }

    /**
     * The beat a musician counts by default, as a fraction of a whole note: three units in compound
     * meters (6/8, 9/8, 12/8 …), else one unit.
     */
    public Fraction usualBeat() {
        boolean compound = unit >= 8 && count > 3 && count % 3 == 0;
        return Fraction.of(compound ? 3 : 1, unit);
    }

    @Override
    public String toString() {
        return count + "/" + unit;
    }
}

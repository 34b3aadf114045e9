package tachylim.notation.abc;

import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Meter;
import tachylim.words.Reason;

/** The lengths of ABC: the unit length, figures after a letter, tuplets, and the broken rhythm of {@code >} and {@code <}. */
final class AbcRhythm {

    /** Far more than anyone writes: rhythms laid over sevens come to figures of this size. */
    private static final int MOST_IN_TUPLET = 2_000;

    private static final int DEEPEST_BREAK = 3;

    private final AbcCursor cursor;
    private Fraction unit;
    private int tupletLeft;
    private Fraction tupletRatio = Fraction.ONE;
    private Fraction brokenNext = Fraction.ONE;
    private Fraction lastSounding = Fraction.ZERO;

    AbcRhythm(AbcCursor cursor) {
        this.cursor = cursor;
    }

    /** The field L; false where it cannot be read. */
    boolean unit(String value) {
        String[] parts = value.split("/");
        try {
            int top = Integer.parseInt(parts[0].strip());
            int bottom = parts.length > 1 ? Integer.parseInt(parts[1].strip()) : 1;
            Fraction length = Fraction.of(top, bottom);
            if (length.compareTo(Fraction.ZERO) > 0 && bottom <= 512 && top <= 8) {
                unit = length;
                return true;
            }
        } catch (NumberFormatException | ArithmeticException unreadable) {
            // as one that is too long or too short
        }
        return false;
    }

    private Fraction unitIn(Meter meter) {
        if (unit == null) {
            unit = meter.bar().compareTo(Fraction.of(3, 4)) < 0 ? Fraction.of(1, 16) : Fraction.of(1, 8);
        }
        return unit;
    }

    /** The length written at the cursor, on its own. */
    Fraction written(Meter meter) {
        return written(unitIn(meter));
    }

    /** The length written at the cursor, as a multiple of {@code of}. */
    Fraction written(Fraction of) {
        Fraction length = of;
        if (cursor.atDigit()) {
            length = length.multiply(cursor.number());
        }
        while (cursor.take('/')) {
            int divisor = cursor.atDigit() ? cursor.number() : 2;
            if (divisor == 0) {
                throw cursor.error(Reason.of("refusal.abcRhythm.aNoteCannotBeDividedByZero"));
            }
            length = length.divide(divisor);
        }
        if (length.compareTo(Fraction.ZERO) <= 0) {
            throw cursor.error(Reason.of("refusal.abcRhythm.aNoteNeedsALengthAboveZero"));
        }
        return length;
    }

    /** The time a written length takes under the tuplet and the broken rhythm it stands in. */
    Fraction sounding(Fraction written) {
        Fraction duration = written.multiply(brokenNext);
        brokenNext = Fraction.ONE;
        if (tupletLeft > 0) {
            duration = duration.multiply(tupletRatio);
            tupletLeft--;
        }
        lastSounding = duration;
        return duration;
    }

    /** The figures after the bracket of a tuplet; false where they make none. */
    boolean tuplet(Meter meter) {
        int count = cursor.number();
        int inTimeOf = usualTime(count, meter);
        int affected = count;
        if (cursor.take(':')) {
            if (cursor.atDigit()) {
                inTimeOf = cursor.number();
            }
            if (cursor.take(':') && cursor.atDigit()) {
                affected = cursor.number();
            }
        }
        if (count < 2
                || count > MOST_IN_TUPLET
                || inTimeOf < 1
                || inTimeOf > 2 * MOST_IN_TUPLET
                || affected < 1
                || affected > 4 * MOST_IN_TUPLET) {
            return false;
        }
        tupletRatio = Fraction.of(inTimeOf, count);
        tupletLeft = affected;
        return true;
    }

    private static int usualTime(int count, Meter meter) {
        boolean compound = meter.usualBeat().getNumerator() == 3;
        return switch (count) {
            case 2, 4, 8 -> 3;
            case 3, 6 -> 2;
            default -> compound ? 3 : 2;
        };
    }

    /** How many notes the tuplet at the cursor still lacks. */
    int tupletLeft() {
        return tupletLeft;
    }

    /** Whether the value before is broken already, and the next still to come. */
    boolean isBroken() {
        return !brokenNext.equals(Fraction.ONE);
    }

    /** Reads the marks {@code >} or {@code <} at the cursor; gives what they add to the value before. */
    Fraction broken() {
        char mark = cursor.peek();
        int depth = 0;
        while (cursor.take(mark)) {
            depth++;
        }
        Fraction small = Fraction.of(1, 1 << Math.min(depth, DEEPEST_BREAK));
        Fraction large = Fraction.of(2).subtract(small);
        brokenNext = mark == '>' ? small : large;
        return lastSounding.multiply(mark == '>' ? large : small).subtract(lastSounding);
    }
}

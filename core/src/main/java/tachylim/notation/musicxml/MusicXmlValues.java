package tachylim.notation.musicxml;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.audiveris.proxymusic.Note;

/** What the note values of MusicXML last, in whole notes, by their names, dots and tuplets. */
final class MusicXmlValues {

    private static final Map<String, Fraction> VALUES = Map.ofEntries(
            Map.entry("maxima", Fraction.of(8)),
            Map.entry("long", Fraction.of(4)),
            Map.entry("breve", Fraction.of(2)),
            Map.entry("whole", Fraction.ONE),
            Map.entry("half", Fraction.of(1, 2)),
            Map.entry("quarter", Fraction.of(1, 4)),
            Map.entry("eighth", Fraction.of(1, 8)),
            Map.entry("16th", Fraction.of(1, 16)),
            Map.entry("32nd", Fraction.of(1, 32)),
            Map.entry("64th", Fraction.of(1, 64)),
            Map.entry("128th", Fraction.of(1, 128)),
            Map.entry("256th", Fraction.of(1, 256)),
            Map.entry("512th", Fraction.of(1, 512)),
            Map.entry("1024th", Fraction.of(1, 1024)));

    private static final int MOST_DOTS = 4;
    private static final int MOST_IN_TUPLET = 2_000;

    private MusicXmlValues() {}

    /** The value of a name; null for a name that is none. */
    static Fraction of(String name) {
        return name == null ? null : VALUES.get(name);
    }

    /** A value with dots: each adds half of what the one before added. */
    static Fraction dotted(Fraction value, int dots) {
        int halves = 1 << Math.min(dots, MOST_DOTS);
        return value.multiply(Fraction.of(2 * halves - 1, halves));
    }

    /** What a note is written as, in its tuplet; null where the file does not say. */
    private static Fraction written(Note note) {
        Fraction value = note.getType() == null ? null : of(note.getType().getValue());
        if (value == null) {
            return null;
        }
        Fraction dotted = dotted(value, note.getDot().size());
        var tuplet = note.getTimeModification();
        if (tuplet == null) {
            return dotted;
        }
        int actual = figure(tuplet.getActualNotes());
        int normal = figure(tuplet.getNormalNotes());
        return actual == 0 || normal == 0 ? null : dotted.multiply(Fraction.of(normal, actual));
    }

    private static int figure(BigInteger figure) {
        return figure == null || figure.signum() <= 0 || figure.bitLength() > 31 || figure.intValue() > MOST_IN_TUPLET
                ? 0
                : figure.intValue();
    }

    /**
     * How long a note lasts. A duration counts divisions, and what they cannot count is rounded to them: then the
     * written value says what is meant.
     *
     * @param counted its duration as the file counts it
     * @param division the shortest duration the file can count
     */
    static Fraction exact(Note note, Fraction counted, Fraction division) {
        Fraction written = written(note);
        if (written == null || written.divide(division).getDenominator() == 1) {
            return counted;
        }
        return written.subtract(counted).abs().compareTo(division) < 0 ? written : counted;
    }

    /** A number of the file, to four places. */
    static Fraction number(BigDecimal number) {
        int scale = Math.min(4, Math.max(0, number.stripTrailingZeros().scale()));
        return Fraction.of(number.movePointRight(scale).intValue(), (int) Math.pow(10, scale));
    }
}

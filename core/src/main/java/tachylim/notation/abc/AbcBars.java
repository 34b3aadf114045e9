package tachylim.notation.abc;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction;
import tachylim.passage.Direction.RepeatSign;
import tachylim.passage.Meter;
import tachylim.words.Reason;

/** The bars of ABC music while it is read: where they end, whether they add up, and the repeats written at their lines. */
final class AbcBars {

    private static final int MOST_ENDINGS = 9;

    private final AbcCursor cursor;
    private final List<Direction> directions;
    private final List<Fraction> lines = new ArrayList<>();
    private final List<Reason> warnings = new ArrayList<>();
    private Fraction start = Fraction.ZERO;
    private int number = 1;
    private int lastEnding;

    AbcBars(AbcCursor cursor, List<Direction> directions) {
        this.cursor = cursor;
        this.directions = directions;
    }

    /** The bar lines before {@code end}. */
    List<Fraction> lines(Fraction end) {
        return lines.stream().filter(line -> line.compareTo(end) < 0).toList();
    }

    List<Reason> warnings() {
        return warnings;
    }

    /** Reads the signs of a bar line, such as {@code |}, {@code ||}, {@code |:} or {@code :|}. */
    String signs() {
        StringBuilder signs = new StringBuilder();
        while (cursor.peek() == '|' || cursor.peek() == ':') {
            signs.append(cursor.next());
        }
        if (cursor.peek() == ']') {
            cursor.next();
        }
        return signs.toString();
    }

    /** Ends the bar at {@code now}; nothing ends where nothing has been since the last line. */
    boolean end(Fraction now, Meter meter) {
        Fraction length = now.subtract(start);
        if (length.equals(Fraction.ZERO)) {
            return false;
        }
        int compared = length.compareTo(meter.bar());
        boolean pickup = number == 1 && compared < 0;
        if (compared != 0 && !pickup) {
            warn(length, meter);
        }
        mark(now);
        return true;
    }

    void mark(Fraction now) {
        lines.add(now);
        start = now;
        number++;
    }

    /** A passage may stop in mid-bar, on the note where it lands; only too long a last bar is odd. */
    void endTune(Fraction now, Meter meter) {
        if (now.subtract(start).compareTo(meter.bar()) > 0) {
            warn(now.subtract(start), meter);
        }
    }

    private void warn(Fraction length, Meter meter) {
        Fraction beat = Fraction.of(1, meter.unit());
        warn(Reason.of(
                "read.bar",
                "bar",
                number,
                "counts",
                Math.round(100 * length.divide(beat).doubleValue()) / 100.0,
                "of",
                meter.count(),
                "meter",
                meter));
    }

    /** Something odd but accepted. */
    void warn(Reason warning) {
        if (warnings.size() < AbcTune.MOST_WARNINGS) {
            warnings.add(warning);
        }
    }

    /** The repeats that the signs of the bar line at {@code now} begin or end. */
    void repeats(String signs, Fraction now) {
        int colons = 0;
        while (colons < signs.length() && signs.charAt(colons) == ':') {
            colons++;
        }
        boolean both = colons > 1 && colons == signs.length();
        if (colons > 0 && (both || signs.length() > colons)) {
            int times = Math.max(both ? 2 : colons + 1, lastEnding + 1);
            directions.add(new RepeatSign(now, RepeatSign.Kind.END, Math.min(times, MOST_ENDINGS)));
            lastEnding = 0;
        }
        if (both || signs.length() > 1 && signs.contains("|") && signs.endsWith(":")) {
            directions.add(new RepeatSign(now, RepeatSign.Kind.START, 0));
            lastEnding = 0;
        }
    }

    /** Reads the numbers of an ending, such as {@code 1}, {@code 1,3} or {@code 1-2}. */
    void endings(Fraction now) {
        int from = cursor.number();
        ending(from, now);
        while ((cursor.peek() == ',' || cursor.peek() == '-') && Character.isDigit(cursor.peek(1))) {
            boolean range = cursor.next() == '-';
            int to = cursor.number();
            for (int ending = range ? from + 1 : to; ending <= Math.min(to, MOST_ENDINGS); ending++) {
                ending(ending, now);
            }
            from = to;
        }
    }

    private void ending(int ending, Fraction now) {
        if (ending >= 1 && ending <= MOST_ENDINGS) {
            directions.add(new RepeatSign(now, RepeatSign.Kind.ENDING, ending));
            lastEnding = ending;
        }
    }
}

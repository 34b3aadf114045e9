package tachylim.notation.score;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.apache.commons.numbers.core.ArithmeticUtils;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction;
import tachylim.passage.Note;
import tachylim.passage.Passage;

/**
 * How a passage is written down: its notes and the rests between them, cut at bar lines and at directions,
 * in values that have a note head, with tuplets where a value divides by three, five or more.
 */
public final class Spelling {

    private static final int SMALLEST_TUPLET_TIME_OVER = 2;

    private final Passage passage;
    private final TreeSet<Fraction> cuts = new TreeSet<>();

    private Spelling(Passage passage) {
        this.passage = passage;
        passage.barLines().forEach(line -> cuts.add(inWholes(line)));
        passage.directions().stream().map(Direction::at).forEach(place -> cuts.add(inWholes(place)));
    }

    /** Sound or silence between two cuts, in whole notes. */
    private record Value(Note note, int index, Fraction start, Fraction length, boolean first, boolean last) {}

    /** A bar with its glyphs, in whole notes. */
    public record Bar(Fraction start, Fraction end, List<Glyph> glyphs) {}

    /** The bars of {@code passage}, in order. */
    public static List<Bar> of(Passage passage) {
        return new Spelling(passage).bars();
    }

    private Fraction inWholes(Fraction beats) {
        return beats.multiply(passage.beatUnit());
    }

    private List<Bar> bars() {
        List<Value> values = values();
        List<Bar> bars = new ArrayList<>();
        int at = 0;
        for (int bar = 0; bar < passage.bars(); bar++) {
            Fraction start = inWholes(passage.barStart(bar));
            Fraction end = inWholes(bar + 1 < passage.bars() ? passage.barStart(bar + 1) : passage.length());
            int next = at;
            while (next < values.size() && values.get(next).start.compareTo(end) < 0) {
                next++;
            }
            bars.add(new Bar(start, end, glyphs(values.subList(at, next))));
            at = next;
        }
        return bars;
    }

    private List<Value> values() {
        List<Value> values = new ArrayList<>();
        Fraction at = Fraction.ZERO;
        for (int i = 0; i < passage.notes().size(); i++) {
            Note note = passage.notes().get(i);
            Fraction onset = inWholes(note.onset());
            Fraction end = inWholes(note.end());
            cut(values, null, -1, at, onset);
            cut(values, note, i, onset, end);
            at = end;
        }
        cut(values, null, -1, at, inWholes(passage.length()));
        return values;
    }

    private void cut(List<Value> values, Note note, int index, Fraction from, Fraction to) {
        if (from.compareTo(to) >= 0) {
            return;
        }
        Fraction start = from;
        for (Fraction place : cuts.subSet(from, false, to, false)) {
            values.add(new Value(note, index, start, place.subtract(start), start.equals(from), false));
            start = place;
        }
        values.add(new Value(note, index, start, to.subtract(start), start.equals(from), true));
    }

    private static List<Glyph> glyphs(List<Value> values) {
        List<Glyph> glyphs = new ArrayList<>();
        int at = 0;
        while (at < values.size()) {
            int size = tupletSize(values, at);
            if (size == 0) {
                glyphs.addAll(parts(values.get(at), Fraction.ONE));
                at++;
            } else {
                glyphs.addAll(tuplet(values.subList(at, at + size)));
                at += size;
            }
        }
        return glyphs;
    }

    /** How many values from {@code at} on make a tuplet; 0 where a plain value stands. */
    private static int tupletSize(List<Value> values, int at) {
        if (isBinary(values.get(at).length)) {
            return 0;
        }
        Fraction sum = Fraction.ZERO;
        int size = 0;
        while (at + size < values.size()) {
            sum = sum.add(values.get(at + size).length);
            size++;
            if (isBinary(sum)) {
                return size;
            }
        }
        return size;
    }

    private static boolean isBinary(Fraction length) {
        return Integer.bitCount(length.getDenominator()) == 1;
    }

    private static List<Glyph> tuplet(List<Value> values) {
        int notes = 1;
        for (Value value : values) {
            notes = ArithmeticUtils.lcm(notes, oddPart(value.length.getDenominator()));
        }
        int time = timeOf(notes, values);
        Fraction ratio = Fraction.of(notes, time);
        List<Glyph> plain =
                values.stream().flatMap(value -> parts(value, ratio).stream()).toList();
        List<Glyph> glyphs = new ArrayList<>();
        for (Glyph glyph : plain) {
            glyphs.add(new Glyph(
                    glyph.note(),
                    glyph.index(),
                    glyph.start(),
                    glyph.written(),
                    new Glyph.Tuplet(notes, time, plain.size(), glyphs.size()),
                    glyph.first(),
                    glyph.last()));
        }
        return glyphs;
    }

    /** Of the times a tuplet can stand in, the one that needs the fewest dots; the power of two below when alike. */
    private static int timeOf(int notes, List<Value> values) {
        int best = Integer.highestOneBit(notes);
        int fewest = dots(values, Fraction.of(notes, best));
        for (int time = notes / SMALLEST_TUPLET_TIME_OVER + 1; time < 2 * notes; time++) {
            Fraction ratio = Fraction.of(notes, time);
            boolean usual = Integer.bitCount(time) == 1 || time % 3 == 0 && Integer.bitCount(time / 3) == 1;
            boolean writable = usual && values.stream().allMatch(value -> isBinary(value.length.multiply(ratio)));
            if (writable && time != notes && dots(values, ratio) < fewest) {
                best = time;
                fewest = dots(values, ratio);
            }
        }
        return best;
    }

    private static int dots(List<Value> values, Fraction ratio) {
        return values.stream()
                .mapToInt(value -> Integer.bitCount(value.length.multiply(ratio).getNumerator()))
                .sum();
    }

    private static int oddPart(int number) {
        return number >> Integer.numberOfTrailingZeros(number);
    }

    private static List<Glyph> parts(Value value, Fraction ratio) {
        List<Glyph> parts = new ArrayList<>();
        Fraction left = value.length.multiply(ratio);
        Fraction start = value.start;
        while (left.compareTo(Fraction.ZERO) > 0) {
            Fraction part = largestWritable(left);
            left = left.subtract(part);
            boolean closing = left.compareTo(Fraction.ZERO) <= 0;
            parts.add(new Glyph(
                    value.note, value.index, start, part, null, value.first && parts.isEmpty(), value.last && closing));
            start = start.add(part.divide(ratio));
        }
        return parts;
    }

    /** A length with one, or dotted, note head: 1, 3 or 7 times a power of two. */
    private static Fraction largestWritable(Fraction length) {
        int top = length.getNumerator();
        int odd = oddPart(top);
        if (odd == 1 || odd == 3 || odd == 7) {
            return length;
        }
        return Fraction.of(Integer.highestOneBit(top), length.getDenominator());
    }
}

package tachylim.notation.musicxml;

import java.util.HashMap;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Where a measure has come to, in whole notes: as the file counts it, in durations that may be rounded to its divisions,
 * and exactly. A backup goes by the file's count; where that has been before, it stands for the exact place it was then.
 */
final class MusicXmlClock {

    private static final int FINEST = 100_000;

    private final Map<Fraction, Fraction> places = new HashMap<>();
    private Fraction start = Fraction.ZERO;
    private Fraction counted = Fraction.ZERO;
    private Fraction now = Fraction.ZERO;
    private Fraction reached = Fraction.ZERO;

    /** Begins a measure at {@code place}. */
    void begin(Fraction place) {
        start = place;
        counted = Fraction.ZERO;
        now = place;
        reached = place;
        places.clear();
        places.put(counted, now);
    }

    Fraction start() {
        return start;
    }

    Fraction now() {
        return now;
    }

    /** The furthest this measure has come. */
    Fraction reached() {
        return reached;
    }

    /** Whether nothing has taken any time yet. */
    boolean isAtStart() {
        return reached.equals(start);
    }

    /** Goes on by a note or a rest. */
    void play(Fraction count, Fraction exact) {
        counted = counted.add(count);
        go(now.add(exact));
        places.putIfAbsent(counted, now);
    }

    /** Goes on without a note. */
    void forward(Fraction count) {
        counted = counted.add(count);
        go(places.getOrDefault(counted, now.add(count)));
        places.putIfAbsent(counted, now);
    }

    /** Goes back, at most to the measure's start. */
    void back(Fraction count) {
        Fraction target = counted.subtract(count);
        Fraction exact = now.subtract(count);
        counted = target.compareTo(Fraction.ZERO) < 0 ? Fraction.ZERO : target;
        Fraction known = places.get(counted);
        now = known != null ? known : exact.compareTo(start) < 0 ? start : exact;
    }

    /** Ends the measure; what is off its {@code full} length by less than a division was rounded. */
    void end(Fraction full, Fraction division) {
        Fraction off = reached.subtract(start).subtract(full).abs();
        boolean isCrooked = reached.subtract(start).divide(division).getDenominator() != 1;
        if (isAtStart() || isCrooked && off.compareTo(division) < 0) {
            reached = start.add(full);
        }
    }

    private void go(Fraction place) {
        if (place.getDenominator() > FINEST) {
            throw new ArithmeticException("too fine");
        }
        now = place;
        reached = now.compareTo(reached) > 0 ? now : reached;
    }
}

package tachylim.passage;

import java.util.Comparator;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** Something written at a place between the notes: a change of meter, key or tempo, a repeat, or words. */
public sealed interface Direction {

    /** By place; at one place as they are written from left to right. */
    Comparator<Direction> IN_ORDER = Comparator.comparing(Direction::at).thenComparing(Direction::rank);

    private static int rank(Direction direction) {
        if (direction instanceof RepeatSign sign) {
            return sign.kind == RepeatSign.Kind.END ? 0 : sign.kind == RepeatSign.Kind.START ? 1 : 2;
        }
        return direction instanceof MeterChange
                ? 3
                : direction instanceof KeyChange ? 4 : direction instanceof TempoMark ? 5 : 6;
    }

    /** Where it stands, in the unit of the music it belongs to. */
    Fraction at();

    /** The same, standing at {@code place}. */
    Direction moved(Fraction place);

    /** Another meter from here on; it stands at a bar line. */
    record MeterChange(Fraction at, Meter meter) implements Direction {
        @Override
        public Direction moved(Fraction place) {
            return new MeterChange(place, meter);
        }
    }

    /** Another key signature from here on. */
    record KeyChange(Fraction at, Key key) implements Direction {
        @Override
        public Direction moved(Fraction place) {
            return new KeyChange(place, key);
        }
    }

    /**
     * A written tempo.
     *
     * @param unit the note value counted, as a fraction of a whole note
     * @param bpm counts a minute, 1 to 1000
     */
    record TempoMark(Fraction at, Fraction unit, double bpm) implements Direction {
        public TempoMark {
            if (!(bpm >= 1 && bpm <= 1000)) {
                throw new IllegalArgumentException("A written tempo lies between 1 and 1000, not at " + bpm);
            }
        }

        @Override
        public Direction moved(Fraction place) {
            return new TempoMark(place, unit, bpm);
        }
    }

    /**
     * A repeat sign or the bracket of an ending; it stands at a bar line.
     *
     * @param kind which sign
     * @param number the number of an ending; for the end of a repeat how often it is played; else 0
     */
    record RepeatSign(Fraction at, Kind kind, int number) implements Direction {

        /** The signs of repeats. */
        public enum Kind {
            START,
            END,
            ENDING
        }

        @Override
        public Direction moved(Fraction place) {
            return new RepeatSign(place, kind, number);
        }
    }

    /** Words over the staff. */
    record Words(Fraction at, String text) implements Direction {
        @Override
        public Direction moved(Fraction place) {
            return new Words(place, text);
        }
    }

    /** The meter in force at {@code place} in music that starts with {@code first}. */
    static Meter meterAt(Fraction place, Meter first, List<Direction> directions) {
        Meter now = first;
        for (Direction direction : directions) {
            if (direction instanceof MeterChange change && change.at.compareTo(place) <= 0) {
                now = change.meter;
            }
        }
        return now;
    }

    /** The key in force at {@code place} in music that starts in {@code first}. */
    static Key keyAt(Fraction place, Key first, List<Direction> directions) {
        Key now = first;
        for (Direction direction : directions) {
            if (direction instanceof KeyChange change && change.at.compareTo(place) <= 0) {
                now = change.key;
            }
        }
        return now;
    }

    /**
     * What of {@code directions} belongs to the stretch from {@code start} to {@code end}, with places
     * counted from its start and divided by {@code unit}. The meter and key at its start are not repeated,
     * since the stretch begins with them.
     */
    static List<Direction> within(List<Direction> directions, Fraction start, Fraction end, Fraction unit) {
        return directions.stream()
                .filter(direction -> lies(direction, start, end))
                .map(direction -> direction.moved(direction.at().subtract(start).divide(unit)))
                .toList();
    }

    private static boolean lies(Direction direction, Fraction start, Fraction end) {
        int fromStart = direction.at().compareTo(start);
        if (direction instanceof RepeatSign sign && sign.kind == RepeatSign.Kind.END) {
            return fromStart > 0 && direction.at().compareTo(end) <= 0;
        }
        boolean changesSignature = direction instanceof MeterChange || direction instanceof KeyChange;
        return (changesSignature ? fromStart > 0 : fromStart >= 0)
                && direction.at().compareTo(end) < 0;
    }
}

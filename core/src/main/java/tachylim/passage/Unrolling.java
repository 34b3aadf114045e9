package tachylim.passage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction.RepeatSign;

/**
 * Writes out repeats and endings, so that every note stands as often as it is played.
 *
 * <p>A repeat without a start goes back to the end of the repeat before it, or to the beginning. Bars
 * under an ending are played when the pass has the ending's number.
 */
public final class Unrolling {

    /** More bars than this are never played: signs that would not end are cut there. */
    private static final int MOST_BARS = 4_000;

    private Unrolling() {}

    /**
     * {@code written} with its repeats played out; the same passage when it has none.
     *
     * @throws IllegalArgumentException if it becomes too long for a passage
     */
    public static Passage of(Passage written) {
        Playing playing = new Playing(written);
        return playing.signs.isEmpty() ? written : playing.play();
    }

    /** The music as far as it has been played. */
    private static final class Playing {

        private final Passage written;
        private final Map<Fraction, List<RepeatSign>> signs = new TreeMap<>();

        private final List<Note> notes = new ArrayList<>();
        private final List<Fraction> lines = new ArrayList<>();
        private final List<Direction> directions = new ArrayList<>();
        private Fraction now = Fraction.ZERO;
        private Meter meter;
        private Key key;

        private Playing(Passage written) {
            this.written = written;
            this.meter = written.meter();
            this.key = written.key();
            for (Direction direction : written.directions()) {
                if (direction instanceof RepeatSign sign) {
                    signs.computeIfAbsent(sign.at(), place -> new ArrayList<>()).add(sign);
                }
            }
        }

        private Passage play() {
            int bar = 0;
            int start = 0;
            int pass = 1;
            for (int played = 0; bar < written.bars() && played < MOST_BARS; played++) {
                if (bar != start && has(written.barStart(bar), RepeatSign.Kind.START)) {
                    start = bar;
                    pass = 1;
                }
                if (isUnderAnotherEnding(written.barStart(bar), pass)) {
                    bar = afterEnding(bar);
                    continue;
                }
                take(bar);
                int times = number(end(bar), RepeatSign.Kind.END);
                if (times > pass) {
                    pass++;
                    bar = start;
                } else {
                    bar++;
                    if (times > 0) {
                        start = bar;
                        pass = 1;
                    }
                }
            }
            return new Passage(written.meter(), written.beatUnit(), written.key(), lines, notes, now, directions);
        }

        private boolean isUnderAnotherEnding(Fraction place, int pass) {
            List<RepeatSign> endings = signs.getOrDefault(place, List.of()).stream()
                    .filter(sign -> sign.kind() == RepeatSign.Kind.ENDING)
                    .toList();
            return !endings.isEmpty() && endings.stream().noneMatch(sign -> sign.number() == pass);
        }

        /** The bar after an ending that is passed over: its repeat sign or the next ending closes it. */
        private int afterEnding(int from) {
            int bar = from;
            while (bar < written.bars()) {
                boolean closes = has(end(bar), RepeatSign.Kind.END);
                bar++;
                if (closes || bar < written.bars() && has(written.barStart(bar), RepeatSign.Kind.ENDING)) {
                    break;
                }
            }
            return bar;
        }

        private Fraction end(int bar) {
            return bar + 1 < written.bars() ? written.barStart(bar + 1) : written.length();
        }

        private boolean has(Fraction place, RepeatSign.Kind kind) {
            return number(place, kind) >= 0;
        }

        /** The number of the sign of {@code kind} at {@code place}; −1 when there is none. */
        private int number(Fraction place, RepeatSign.Kind kind) {
            return signs.getOrDefault(place, List.of()).stream()
                    .filter(sign -> sign.kind() == kind)
                    .mapToInt(RepeatSign::number)
                    .findFirst()
                    .orElse(-1);
        }

        private void take(int bar) {
            Fraction from = written.barStart(bar);
            Fraction to = end(bar);
            if (now.compareTo(Fraction.ZERO) > 0) {
                lines.add(now);
            }
            sign(
                    Direction.meterAt(from, written.meter(), written.directions()),
                    Direction.keyAt(from, written.key(), written.directions()));
            Fraction shift = now.subtract(from);
            for (Note note : written.notes()) {
                if (note.onset().compareTo(from) >= 0 && note.onset().compareTo(to) < 0) {
                    notes.add(note.shifted(shift));
                }
            }
            written.directions().stream()
                    .filter(direction ->
                            direction instanceof Direction.TempoMark || direction instanceof Direction.Words)
                    .filter(direction -> direction.at().compareTo(from) >= 0
                            && direction.at().compareTo(to) < 0)
                    .forEach(direction ->
                            directions.add(direction.moved(direction.at().add(shift))));
            now = now.add(to.subtract(from));
        }

        private void sign(Meter meterHere, Key keyHere) {
            if (!meterHere.equals(meter)) {
                directions.add(new Direction.MeterChange(now, meterHere));
                meter = meterHere;
            }
            if (!keyHere.equals(key)) {
                directions.add(new Direction.KeyChange(now, keyHere));
                key = keyHere;
            }
        }
    }
}

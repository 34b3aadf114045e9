package tachylim.notation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Articulation;
import tachylim.passage.Direction;
import tachylim.passage.Inflection;
import tachylim.passage.Key;
import tachylim.passage.Mark;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;

/** Passages as people write them: pickups, tuplets, ties over bars, chords, changes, signs and words. */
public final class Written {

    private static final List<Mark> MARKS = List.of(
            new Mark(Mark.Kind.FINGERING, "3"),
            new Mark(Mark.Kind.FINGERING, "24"),
            new Mark(Mark.Kind.STICKING, "R"),
            new Mark(Mark.Kind.STROKE, "up"),
            Mark.BREATH);
    private static final List<String> SYLLABLES = List.of("", "", "la", "ta-", "Stein", "ré");

    private Written() {}

    public static Arbitrary<Passage> passages() {
        return Arbitraries.randomValue(random -> {
            Meter meter = new Meter(2 + random.nextInt(4), 4);
            Key key = new Key(random.nextInt(15) - 7);
            boolean pickup = random.nextBoolean();
            int bars = 1 + random.nextInt(4);
            List<Fraction> lines = new ArrayList<>();
            List<Note> notes = new ArrayList<>();
            List<Direction> directions = new ArrayList<>();
            Fraction at = Fraction.ZERO;
            for (int bar = 0; bar < bars; bar++) {
                if (bar > 0) {
                    lines.add(at);
                    if (random.nextInt(4) == 0) {
                        meter = new Meter(2 + random.nextInt(3), 4);
                        directions.add(new Direction.MeterChange(at, meter));
                    }
                    if (random.nextInt(4) == 0) {
                        key = new Key(random.nextInt(9) - 4);
                        directions.add(new Direction.KeyChange(at, key));
                    }
                    if (random.nextInt(6) == 0) {
                        directions.add(new Direction.RepeatSign(at, Direction.RepeatSign.Kind.END, 2));
                        directions.add(new Direction.RepeatSign(at, Direction.RepeatSign.Kind.START, 0));
                    }
                    if (random.nextInt(8) == 0) {
                        directions.add(new Direction.TempoMark(at, Fraction.of(1, 4), 60 + random.nextInt(100)));
                    }
                    if (random.nextInt(8) == 0) {
                        directions.add(new Direction.Words(at, "più mosso"));
                    }
                }
                int beats = bar == 0 && pickup && bars > 1 ? 1 : meter.count();
                for (int beat = 0; beat < beats; beat++) {
                    beat(random, key, at.add(beat), notes);
                }
                at = at.add(beats);
            }
            if (notes.isEmpty()) {
                notes.add(new Note(Fraction.ZERO, Fraction.ONE, List.of(new Pitch('C', 0, 4))));
            }
            Meter first = directions.isEmpty() ? meter : firstMeter(meter, directions, lines, at, pickup && bars > 1);
            return new Passage(
                    first,
                    Fraction.of(1, 4),
                    firstKey(directions, key),
                    lines,
                    notes,
                    at,
                    changes(directions, first, key));
        });
    }

    private static Meter firstMeter(
            Meter last, List<Direction> directions, List<Fraction> lines, Fraction end, boolean pickup) {
        boolean changed = directions.stream().anyMatch(Direction.MeterChange.class::isInstance);
        if (!changed) {
            return last;
        }
        Fraction bar = pickup ? (lines.size() > 1 ? lines.get(1) : end).subtract(lines.get(0)) : lines.get(0);
        return new Meter(Math.max(2, bar.intValue()), 4);
    }

    private static Key firstKey(List<Direction> directions, Key last) {
        return directions.stream().anyMatch(Direction.KeyChange.class::isInstance) ? new Key(2) : last;
    }

    /** Only changes that change something are changes. */
    private static List<Direction> changes(List<Direction> directions, Meter first, Key last) {
        Meter meter = first;
        Key key = firstKey(directions, last);
        List<Direction> kept = new ArrayList<>();
        for (Direction direction : directions) {
            if (direction instanceof Direction.MeterChange change) {
                if (!change.meter().equals(meter)) {
                    kept.add(direction);
                }
                meter = change.meter();
            } else if (direction instanceof Direction.KeyChange change) {
                if (!change.key().equals(key)) {
                    kept.add(direction);
                }
                key = change.key();
            } else {
                kept.add(direction);
            }
        }
        return kept;
    }

    private static void beat(Random random, Key key, Fraction at, List<Note> notes) {
        int parts = List.of(1, 1, 2, 2, 3, 4, 4, 5, 6, 7).get(random.nextInt(10));
        for (int part = 0; part < parts; part++) {
            Fraction onset = at.add(Fraction.of(part, parts));
            Fraction length = Fraction.of(1, parts);
            int draw = random.nextInt(10);
            if (draw == 0) {
                continue;
            }
            boolean canHold = !notes.isEmpty()
                    && notes.get(notes.size() - 1).end().equals(onset)
                    && (part > 0
                            || Integer.bitCount(parts) == 1
                                    && Integer.bitCount(notes.get(notes.size() - 1)
                                                    .duration()
                                                    .getDenominator())
                                            == 1);
            if (draw == 1 && canHold) {
                Note last = notes.remove(notes.size() - 1);
                notes.add(last.at(last.onset(), last.duration().add(length)));
            } else {
                notes.add(new Note(onset, length, pitches(random, key), inflection(random, notes)));
            }
        }
    }

    private static List<Pitch> pitches(Random random, Key key) {
        List<Pitch> pitches = new ArrayList<>();
        int size = random.nextInt(5) == 0 ? 2 : 1;
        for (int i = 0; i < size; i++) {
            char letter = "CDEFGAB".charAt(random.nextInt(7));
            int alter = random.nextInt(4) == 0 ? random.nextInt(5) - 2 : key.alterOf(letter);
            Pitch pitch = new Pitch(letter, alter, 2 + random.nextInt(5));
            if (pitches.stream().noneMatch(other -> other.midi() == pitch.midi())) {
                pitches.add(pitch);
            }
        }
        pitches.sort(Comparator.comparingInt(Pitch::midi));
        return pitches;
    }

    private static Inflection inflection(Random random, List<Note> before) {
        if (random.nextInt(3) > 0) {
            return Inflection.PLAIN;
        }
        boolean slurOpen = before.stream()
                        .mapToInt(note -> note.inflection().slursOpened()
                                - note.inflection().slursClosed())
                        .sum()
                > 0;
        Inflection over = new Inflection(
                random.nextInt(6) == 0 ? List.of(new Pitch('D', 0, 5), new Pitch('E', 0, 5)) : List.of(),
                random.nextInt(3) == 0 ? Set.of(Articulation.values()[random.nextInt(6)]) : Set.of(),
                !slurOpen && random.nextInt(4) == 0 ? 1 : 0,
                slurOpen ? 1 : 0,
                List.of(),
                SYLLABLES.get(random.nextInt(SYLLABLES.size())));
        return random.nextInt(3) == 0 ? over.with(MARKS.get(random.nextInt(MARKS.size()))) : over;
    }
}

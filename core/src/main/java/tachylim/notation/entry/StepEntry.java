package tachylim.notation.entry;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.score.Line;
import tachylim.notation.score.LineNote;
import tachylim.passage.Inflection;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * Music entered a stroke at a time, without any syntax: letters are notes, figures are values.
 *
 * <p>A letter takes the octave nearest to the note before it. Strokes:
 * <ul>
 *   <li>{@code c d e f g a b}: a note; {@code +c}: joined to the last one as a chord
 *   <li>{@code k60}: a key of a keyboard, by its MIDI number; {@code +k64}: joined
 *   <li>{@code v1 v2 v4 v8 v16 v32}: the value from here on; {@code dot}, {@code triplet}: switched on and off
 *   <li>{@code rest}, {@code tie}: a rest; the last note once more, tied
 *   <li>{@code sharp}, {@code flat}, {@code natural}, {@code up}, {@code down}: change the last note
 * </ul>
 */
public final class StepEntry {

    /** More strokes than this are refused. */
    public static final int MOST_STROKES = 8_000;

    private static final Pattern LETTER = Pattern.compile("(\\+?)([a-g])");
    private static final Pattern KEYBOARD = Pattern.compile("(\\+?)k(\\d{1,3})");
    private static final Map<String, Integer> VALUES = Map.of("v1", 1, "v2", 2, "v4", 4, "v8", 8, "v16", 16, "v32", 32);
    private static final Pitch BEFORE_THE_FIRST = new Pitch('B', 0, 4);
    private static final int HALF_OCTAVE = 6;

    private StepEntry() {}

    /**
     * What the strokes make, barred in {@code meter}.
     *
     * @throws IllegalArgumentException if a stroke is unknown or does not fit, there is no note yet, or there
     *     are too many
     */
    public static Passage of(List<String> strokes, Meter meter, Key key) {
        if (strokes.size() > MOST_STROKES) {
            throw Refusal.of("refusal.stepEntry.upToStrokesMakeAPassage", "mostStrokes", MOST_STROKES);
        }
        Entry entry = new Entry(key);
        strokes.forEach(entry::stroke);
        return barred(entry.notes, entry.now, meter, key);
    }

    /** Notes in whole notes as a passage, with a bar line wherever the meter has one. */
    static Passage barred(List<LineNote> notes, Fraction length, Meter meter, Key key) {
        if (notes.isEmpty()) {
            throw Refusal.of("refusal.stepEntry.thereIsNoNoteYet");
        }
        List<Fraction> lines = new ArrayList<>();
        for (Fraction line = meter.bar(); line.compareTo(length) < 0; line = line.add(meter.bar())) {
            lines.add(line);
        }
        return Line.counted("", "", meter, key, lines, notes, length, List.of()).passage(null);
    }

    /** The music as far as it has been entered. */
    private static final class Entry {

        private final Key key;
        private final List<LineNote> notes = new ArrayList<>();
        private Fraction now = Fraction.ZERO;
        private Fraction plain = Fraction.of(1, 4);
        private boolean dotted;
        private boolean triplet;

        Entry(Key key) {
            this.key = key;
        }

        void stroke(String stroke) {
            Matcher letter = LETTER.matcher(stroke);
            Matcher keyboard = KEYBOARD.matcher(stroke);
            if (letter.matches()) {
                char name = Character.toUpperCase(letter.group(2).charAt(0));
                sound(nearest(name), !letter.group(1).isEmpty());
            } else if (keyboard.matches()) {
                sound(
                        Pitch.ofMidi(Math.min(127, Integer.parseInt(keyboard.group(2))), key),
                        !keyboard.group(1).isEmpty());
            } else if (VALUES.containsKey(stroke)) {
                plain = Fraction.of(1, VALUES.get(stroke));
                dotted = false;
            } else {
                switch (stroke) {
                    case "dot" -> dotted = !dotted;
                    case "triplet" -> triplet = !triplet;
                    case "rest" -> now = now.add(value());
                    case "tie" -> hold();
                    case "sharp", "flat", "natural" ->
                        alter(stroke.equals("sharp") ? 1 : stroke.equals("flat") ? -1 : 0);
                    case "up", "down" -> octave(stroke.equals("up") ? 1 : -1);
                    default ->
                        throw Refusal.of("refusal.stepEntry.thereIsNoStrokeCalled", "stroke", Reason.shortened(stroke));
                }
            }
        }

        private Fraction value() {
            Fraction value = dotted ? plain.multiply(Fraction.of(3, 2)) : plain;
            return triplet ? value.multiply(Fraction.of(2, 3)) : value;
        }

        private Pitch nearest(char name) {
            Pitch before = notes.isEmpty() ? BEFORE_THE_FIRST : last().pitches().get(0);
            Pitch same = new Pitch(name, key.alterOf(name), before.octave());
            int away = same.midi() - before.midi();
            int octave = before.octave() + (away > HALF_OCTAVE ? -1 : away < -HALF_OCTAVE ? 1 : 0);
            return new Pitch(name, key.alterOf(name), Math.max(0, Math.min(8, octave)));
        }

        private void sound(Pitch pitch, boolean joined) {
            if (joined && !notes.isEmpty()) {
                List<Pitch> chord = new ArrayList<>(last().pitches());
                if (!chord.contains(pitch)) {
                    chord.add(pitch);
                }
                chord.sort(Comparator.comparingInt(Pitch::midi));
                replaceLast(new LineNote(last().onset(), last().duration(), chord, Inflection.PLAIN));
                return;
            }
            notes.add(new LineNote(now, value(), List.of(pitch)));
            now = now.add(value());
        }

        private void hold() {
            if (notes.isEmpty() || !last().end().equals(now)) {
                throw Refusal.of("refusal.stepEntry.aTieNeedsANoteRightBefore");
            }
            replaceLast(last().lasting(last().duration().add(value())));
            now = now.add(value());
        }

        private void alter(int alter) {
            change(pitch -> new Pitch(pitch.letter(), alter, pitch.octave()));
        }

        private void octave(int by) {
            change(pitch -> new Pitch(pitch.letter(), pitch.alter(), Math.max(0, Math.min(8, pitch.octave() + by))));
        }

        private void change(UnaryOperator<Pitch> change) {
            if (notes.isEmpty()) {
                throw Refusal.of("refusal.stepEntry.thereIsNoNoteYetToChange");
            }
            replaceLast(new LineNote(
                    last().onset(),
                    last().duration(),
                    last().pitches().stream().map(change).toList(),
                    Inflection.PLAIN));
        }

        private LineNote last() {
            return notes.get(notes.size() - 1);
        }

        private void replaceLast(LineNote note) {
            notes.set(notes.size() - 1, note);
        }
    }
}

package tachylim.notation;

import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;

/**
 * One voice of one part of a score, of any length, with every place and length in whole notes.
 *
 * <p>A passage is a stretch of it. This class is immutable.
 *
 * @param part the part's or the tune's name
 * @param voice the voice's name
 * @param meter the meter at its start
 * @param key the key at its start
 * @param barLines where bars after the first one start, in order
 * @param notes its notes in order of onset; none in a silent voice
 * @param length its whole length
 * @param directions what stands between its notes, in order
 */
public record Line(
        String part,
        String voice,
        Meter meter,
        Key key,
        List<Fraction> barLines,
        List<Note> notes,
        Fraction length,
        List<Direction> directions) {

    public Line {
        barLines = List.copyOf(barLines);
        notes = List.copyOf(notes);
        directions = directions.stream().sorted(Direction.IN_ORDER).toList();
    }

    /** How many bars it has. */
    public int bars() {
        return barLines.size() + 1;
    }

    /** The number of its first bar as counted on paper: 0 for a pickup, else 1. */
    public int firstBarNumber() {
        return !barLines.isEmpty() && barLines.get(0).compareTo(meter.bar()) < 0 ? 0 : 1;
    }

    /** The number of its last bar. */
    public int lastBarNumber() {
        return firstBarNumber() + bars() - 1;
    }

    /** The bars that start the first stretch of notes, up to {@code most} of them. */
    public int barOfFirstNote() {
        return firstBarNumber() + (notes.isEmpty() ? 0 : barAt(notes.get(0).onset()));
    }

    private int barAt(Fraction place) {
        return (int)
                barLines.stream().filter(line -> line.compareTo(place) <= 0).count();
    }

    /** The whole line as a passage. */
    public Passage passage(Fraction beatUnit) {
        return passage(firstBarNumber(), lastBarNumber(), beatUnit);
    }

    /**
     * The bars from {@code firstBar} to {@code lastBar} as a passage.
     *
     * @param firstBar a bar's number as counted on paper
     * @param lastBar the last bar's number, not before the first
     * @param beatUnit the beat as a fraction of a whole note; null for the usual beat of the meter there
     * @throws IllegalArgumentException if there are no such bars, no notes in them, or too many
     */
    public Passage passage(int firstBar, int lastBar, Fraction beatUnit) {
        if (firstBar < firstBarNumber() || lastBar > lastBarNumber() || lastBar < firstBar) {
            throw new IllegalArgumentException("This line has the bars " + firstBarNumber() + " to " + lastBarNumber()
                    + "; " + firstBar + " to " + lastBar + " is no stretch of them");
        }
        Fraction start = barStart(firstBar - firstBarNumber());
        Fraction end = barStart(lastBar - firstBarNumber() + 1);
        Meter meterHere = Direction.meterAt(start, meter, directions);
        Fraction beat = beatUnit != null ? beatUnit : meterHere.usualBeat();
        List<Note> stretch = notes.subList(firstAt(start), firstAt(end)).stream()
                .map(note -> inBeats(note, start, end, beat))
                .toList();
        if (stretch.isEmpty()) {
            throw new IllegalArgumentException(
                    "There is no note in bars " + firstBar + " to " + lastBar + " of this line");
        }
        List<Fraction> lines = barLines.stream()
                .filter(line -> line.compareTo(start) > 0 && line.compareTo(end) < 0)
                .map(line -> line.subtract(start).divide(beat))
                .toList();
        return new Passage(
                meterHere,
                beat,
                Direction.keyAt(start, key, directions),
                lines,
                stretch,
                end.subtract(start).divide(beat),
                Direction.within(directions, start, end, beat));
    }

    private static Note inBeats(Note note, Fraction start, Fraction end, Fraction beat) {
        Fraction until = note.end().compareTo(end) > 0 ? end : note.end();
        return note.at(
                note.onset().subtract(start).divide(beat),
                until.subtract(note.onset()).divide(beat));
    }

    private Fraction barStart(int bar) {
        return bar == 0 ? Fraction.ZERO : bar <= barLines.size() ? barLines.get(bar - 1) : length;
    }

    /** The index of the first note at or after {@code place}. */
    private int firstAt(Fraction place) {
        return IntStream.range(0, notes.size())
                .filter(note -> notes.get(note).onset().compareTo(place) >= 0)
                .findFirst()
                .orElse(notes.size());
    }
}

package tachylim.notation.score;

import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.words.Refusal;

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
 * @param barNumbers the number of each bar as the score prints it; bars that a score counts as one, such as the two halves
 *     of a bar with a repeat inside, share theirs
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
        List<String> barNumbers,
        List<LineNote> notes,
        Fraction length,
        List<Direction> directions) {

    /**
     * @throws IllegalArgumentException if there is not one number for each bar
     */
    public Line {
        barLines = List.copyOf(barLines);
        barNumbers = List.copyOf(barNumbers);
        notes = List.copyOf(notes);
        directions = directions.stream().sorted(Direction.IN_ORDER).toList();
        if (barNumbers.size() != barLines.size() + 1) {
            throw Refusal.of(
                    "refusal.line.numbersAreNotThoseOfBars",
                    "barNumbers",
                    barNumbers.size(),
                    "barLines",
                    barLines.size() + 1);
        }
    }

    /** A line whose bars are counted, from 0 where it starts with a pickup. */
    public static Line counted(
            String part,
            String voice,
            Meter meter,
            Key key,
            List<Fraction> barLines,
            List<LineNote> notes,
            Fraction length,
            List<Direction> directions) {
        return new Line(
                part,
                voice,
                meter,
                key,
                barLines,
                BarNumbersBuilder.counted(meter, barLines, length, directions),
                notes,
                length,
                directions);
    }

    /** The same music under other names. */
    public Line named(String newPart, String newVoice) {
        return new Line(newPart, newVoice, meter, key, barLines, barNumbers, notes, length, directions);
    }

    /** How many bars it has, halves counted singly. */
    public int bars() {
        return barLines.size() + 1;
    }

    /** The number of its first bar: 0 for a pickup, mostly. */
    public String firstBar() {
        return barNumbers.get(0);
    }

    /** The number of its last bar. */
    public String lastBar() {
        return barNumbers.get(barNumbers.size() - 1);
    }

    /** The number of the bar in which its first note starts. */
    public String barOfFirstNote() {
        return barNumbers.get(notes.isEmpty() ? 0 : barAt(notes.get(0).onset()));
    }

    /** The number that stands {@code bars} bars after the bar {@code from}, or the last there is. */
    public String barAfter(String from, int bars) {
        return barNumbers.get(Math.min(bars() - 1, Math.max(0, barNumbers.indexOf(from)) + bars));
    }

    private int barAt(Fraction place) {
        int bar = Collections.binarySearch(barLines, place);
        return bar >= 0 ? bar + 1 : -bar - 1;
    }

    /** The whole line as a passage. */
    public Passage passage(Fraction beatUnit) {
        return stretch(0, bars() - 1, beatUnit);
    }

    /**
     * The bars from {@code firstBar} to {@code lastBar} as a passage.
     *
     * @param firstBar a bar's number as the score prints it
     * @param lastBar the last bar's number, not before the first
     * @param beatUnit the beat as a fraction of a whole note; null for the usual beat of the meter there
     * @throws IllegalArgumentException if there are no such bars, no notes in them, or too many
     */
    public Passage passage(String firstBar, String lastBar, Fraction beatUnit) {
        int first = barNumbers.indexOf(firstBar);
        int last = barNumbers.lastIndexOf(lastBar);
        if (first < 0 || last < first) {
            throw Refusal.of(
                    "refusal.line.thisLineHasTheBarsToToIsNo",
                    "firstBar",
                    firstBar(),
                    "lastBar",
                    lastBar(),
                    "firstBar2",
                    firstBar,
                    "lastBar2",
                    lastBar);
        }
        return stretch(first, last, beatUnit);
    }

    private Passage stretch(int firstBar, int lastBar, Fraction beatUnit) {
        Fraction start = barStart(firstBar);
        Fraction end = barStart(lastBar + 1);
        Meter meterHere = Direction.meterAt(start, meter, directions);
        Fraction beat = beatUnit != null ? beatUnit : meterHere.usualBeat();
        List<Note> stretch = notes.subList(firstAt(start), firstAt(end)).stream()
                .map(note -> note.inBeats(start, end, beat))
                .toList();
        if (stretch.isEmpty()) {
            throw Refusal.of(
                    "refusal.line.thereIsNoNoteInBarsToOf",
                    "barNumbers",
                    barNumbers.get(firstBar),
                    "barNumbers2",
                    barNumbers.get(lastBar));
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

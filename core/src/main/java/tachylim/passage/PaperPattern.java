package tachylim.passage;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.words.Refusal;

/**
 * Notes the player has on paper, given as bars, beats and notes to each beat, without pitches.
 *
 * <p>The notes-per-beat list is repeated over the beats of the passage, so {@code [4]} is four to
 * every beat and {@code [4, 4, 3, 2]} a mixed bar of four beats. A beat of 0 notes is a rest. The
 * passage ends with one landing note on the beat after the last bar, as music usually does. This class
 * is immutable.
 *
 * @param meter the meter
 * @param beatUnit the note value of a beat, as a fraction of a whole note
 * @param bars how many bars, 1 to {@value #MOST_BARS}
 * @param notesPerBeat notes in each beat, repeated as needed; each 0 to {@value #MOST_PER_BEAT}
 */
public record PaperPattern(Meter meter, Fraction beatUnit, int bars, List<Integer> notesPerBeat) {

    /** The most bars of one passage on paper. */
    public static final int MOST_BARS = 64;

    /** The most notes to one beat. */
    public static final int MOST_PER_BEAT = 12;

    private static final int MOST_BEATS_IN_LIST = 32;

    /**
     * @throws IllegalArgumentException if a figure is out of range, the bar is not a whole number of
     *     beats, or no beat has a note
     */
    public PaperPattern {
        notesPerBeat = List.copyOf(notesPerBeat);
        if (bars < 1 || bars > MOST_BARS) {
            throw Refusal.of("refusal.paperPattern.give1ToBarsNot", "mostBars", MOST_BARS, "bars", bars);
        }
        if (notesPerBeat.isEmpty() || notesPerBeat.size() > MOST_BEATS_IN_LIST) {
            throw Refusal.of(
                    "refusal.paperPattern.giveTheNotesOf1ToBeatsNot",
                    "mostBeatsInList",
                    MOST_BEATS_IN_LIST,
                    "notesPerBeat",
                    notesPerBeat.size());
        }
        for (int notes : notesPerBeat) {
            if (notes < 0 || notes > MOST_PER_BEAT) {
                throw Refusal.of(
                        "refusal.paperPattern.aBeatHas0ToNotesNot", "mostPerBeat", MOST_PER_BEAT, "notes", notes);
            }
        }
        if (notesPerBeat.stream().allMatch(notes -> notes == 0)) {
            throw Refusal.of("refusal.paperPattern.aPassageNeedsAtLeastOne");
        }
        if (meter.bar().divide(beatUnit).getDenominator() != 1) {
            throw Refusal.of("refusal.paperPattern.aBarOfIsNotAWholeNumberOf", "meter", meter);
        }
    }

    /** The passage it stands for. */
    public Passage toPassage() {
        int beats = bars * meter.bar().divide(beatUnit).intValue();
        List<Note> notes = new ArrayList<>();
        for (int beat = 0; beat < beats; beat++) {
            int count = notesPerBeat.get(beat % notesPerBeat.size());
            for (int i = 0; i < count; i++) {
                notes.add(new Note(Fraction.of(beat).add(Fraction.of(i, count)), Fraction.of(1, count), List.of()));
            }
        }
        notes.add(new Note(Fraction.of(beats), Fraction.ONE, List.of()));
        List<Fraction> barLines = IntStream.rangeClosed(1, bars)
                .mapToObj(bar -> meter.bar().divide(beatUnit).multiply(bar))
                .toList();
        return new Passage(meter, beatUnit, Key.NONE, barLines, notes, Fraction.of(beats + 1));
    }
}

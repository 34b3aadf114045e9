package tachylim.passage;

import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.words.Refusal;

/**
 * A line of notes to be made fast: exact onsets in beats, with its bar lines, key and beat unit.
 *
 * <p>The first bar may be a pickup and bars may differ in length: the bar lines stand where they were
 * written. Transition {@code i} joins notes {@code i} and {@code i+1}. This class is immutable.
 *
 * @param meter the meter at its start
 * @param beatUnit the note value the tempo counts, as a fraction of a whole note
 * @param key the key signature at its start
 * @param barLines where bars after the first one start, in beats, in order
 * @param notes its notes in order of onset, 1 to {@value #MOST_NOTES}
 * @param length its whole length in beats, with trailing rests, up to {@value #MOST_BEATS}
 * @param directions what stands between the notes, in order of place
 */
public record Passage(
        Meter meter,
        Fraction beatUnit,
        Key key,
        List<Fraction> barLines,
        List<Note> notes,
        Fraction length,
        List<Direction> directions) {

    /** More notes than this are refused: by then it is pages of music, not a passage. */
    public static final int MOST_NOTES = 2_000;

    /** The shortest and the longest note value that a tempo may count. */
    public static final Fraction LEAST_BEAT = Fraction.of(1, 64);

    public static final Fraction MOST_BEAT = Fraction.of(2);

    /** More beats than this are refused. */
    public static final int MOST_BEATS = 2_000;

    /**
     * @throws IllegalArgumentException if there is no note, there are too many, they are out of order,
     *     one lies beyond the length, the length is too great, or the beat unit is no value a musician counts
     */
    public Passage {
        barLines = List.copyOf(barLines);
        notes = List.copyOf(notes);
        directions = directions.stream().sorted(Direction.IN_ORDER).toList();
        if (beatUnit.compareTo(LEAST_BEAT) < 0 || beatUnit.compareTo(MOST_BEAT) > 0) {
            throw Refusal.of(
                    "refusal.passage.aTempoCountsNoteValuesFrom", "leastBeat", LEAST_BEAT, "beatUnit", beatUnit);
        }
        if (notes.isEmpty()) {
            throw Refusal.of("refusal.passage.aPassageNeedsAtLeastOne");
        }
        if (notes.size() > MOST_NOTES) {
            throw Refusal.of(
                    "refusal.passage.aPassageHoldsUpToNotesThis", "mostNotes", MOST_NOTES, "notes", notes.size());
        }
        if (length.compareTo(Fraction.of(MOST_BEATS)) > 0) {
            throw Refusal.of("refusal.passage.aPassageLastsUpToBeatsKeep", "mostBeats", MOST_BEATS);
        }
        for (int i = 1; i < notes.size(); i++) {
            if (notes.get(i).onset().compareTo(notes.get(i - 1).onset()) <= 0) {
                throw Refusal.of("refusal.passage.noteDoesNotStartAfterNote", "i", i + 1, "i2", i);
            }
        }
        if (notes.get(notes.size() - 1).end().compareTo(length) > 0) {
            throw Refusal.of("refusal.passage.theLastNoteSoundsBeyondThe");
        }
    }

    /** Music in one meter and one key with nothing written between the notes. */
    public Passage(
            Meter meter, Fraction beatUnit, Key key, List<Fraction> barLines, List<Note> notes, Fraction length) {
        this(meter, beatUnit, key, barLines, notes, length, List.of());
    }

    /** The same music with other notes. */
    public Passage withNotes(List<Note> others) {
        return new Passage(meter, beatUnit, key, barLines, others, length, directions);
    }

    /** The same without the player's marks: as the composer wrote it. */
    public Passage unmarked() {
        if (notes.stream().allMatch(note -> note.inflection().marks().isEmpty())) {
            return this;
        }
        return withNotes(notes.stream()
                .map(note -> note.with(note.inflection().unmarked()))
                .toList());
    }

    /** Whether it is counted from paper: no note has a pitch. */
    public boolean isPaper() {
        return notes.stream().allMatch(note -> note.pitches().isEmpty());
    }

    /** The length of a whole bar of the meter in beats. */
    public Fraction barBeats() {
        return meter.bar().divide(beatUnit);
    }

    /** How many bars it has, a pickup and a broken last bar counted as bars. */
    public int bars() {
        return barLines.size() + 1;
    }

    /** Where bar {@code bar} (from 0) starts, in beats. */
    public Fraction barStart(int bar) {
        return bar == 0 ? Fraction.ZERO : barLines.get(bar - 1);
    }

    /** Whether the first bar is shorter than the meter, with more bars to follow. */
    public boolean hasPickup() {
        return !barLines.isEmpty() && barLines.get(0).compareTo(barBeats()) < 0;
    }

    /** The length in beats of the pickup; zero when the first bar is whole. */
    public Fraction pickup() {
        return hasPickup() ? barLines.get(0) : Fraction.ZERO;
    }

    /**
     * The gap of transition {@code transition} in beats: from the onset of its note to that of the next.
     *
     * @param transition 0 to {@code notes().size() - 2}
     */
    public Fraction gap(int transition) {
        return notes.get(transition + 1).onset().subtract(notes.get(transition).onset());
    }

    /** The mean number of notes to a beat over the stretch from the first to the last onset. */
    public double notesPerBeat() {
        if (notes.size() < 2) {
            return 1;
        }
        Fraction span =
                notes.get(notes.size() - 1).onset().subtract(notes.get(0).onset());
        return (notes.size() - 1) / span.doubleValue();
    }

    /** The same as {@link #gap} where nobody asks for the fraction in its lowest terms, which takes far longer. */
    private double gapAsNumber(int transition) {
        Fraction from = notes.get(transition).onset();
        Fraction to = notes.get(transition + 1).onset();
        long over = (long) to.getNumerator() * from.getDenominator() - (long) from.getNumerator() * to.getDenominator();
        return over / ((double) from.getDenominator() * to.getDenominator());
    }

    /** The most notes to a beat that any transition asks for, which is what speed has to reach. */
    public double quickestNotesPerBeat() {
        return IntStream.range(0, notes.size() - 1)
                .mapToDouble(transition -> 1 / gapAsNumber(transition))
                .max()
                .orElse(1);
    }

    /**
     * The written value of note {@code note} up to the next onset, in beats; for the last note its own length.
     *
     * @param note 0 to {@code notes().size() - 1}
     */
    public Fraction span(int note) {
        return note < notes.size() - 1 ? gap(note) : notes.get(note).duration();
    }

    /** The smallest gap of any transition in beats; the length of the only note where there is one. */
    public Fraction smallestGap() {
        return IntStream.range(0, notes.size() - 1)
                .mapToObj(this::gap)
                .min(Fraction::compareTo)
                .orElse(notes.get(0).duration());
    }

    /** Whether note {@code note} falls on a beat, counted from the bar line before it. */
    public boolean isOnBeat(int note) {
        Fraction place = notes.get(note).onset();
        return beatAtOrBefore(place).equals(place);
    }

    /**
     * The stretch of this passage that {@code section} covers, from the start of the beat its first note
     * lies in, so that it can be counted in, to the end of its last note.
     */
    public Passage excerpt(Section section) {
        if (section.lastNote() >= notes.size()) {
            throw Refusal.of(
                    "refusal.passage.theSectionEndsAtNoteOf",
                    "lastNote",
                    section.lastNote() + 1,
                    "notes",
                    notes.size());
        }
        Fraction beat = beatAtOrBefore(notes.get(section.firstNote()).onset());
        Fraction start = beat.compareTo(Fraction.ZERO) < 0 ? Fraction.ZERO : beat;
        Fraction end = notes.get(section.lastNote()).end();
        List<Note> part = notes.subList(section.firstNote(), section.lastNote() + 1).stream()
                .map(note -> note.shifted(start.negate()))
                .toList();
        List<Fraction> lines = barLines.stream()
                .filter(line -> line.compareTo(start) > 0 && line.compareTo(end) < 0)
                .map(line -> line.subtract(start))
                .toList();
        List<Direction> kept = Direction.within(directions, start, end, Fraction.ONE).stream()
                .filter(direction -> !(direction instanceof Direction.RepeatSign))
                .toList();
        return new Passage(
                Direction.meterAt(start, meter, directions),
                beatUnit,
                Direction.keyAt(start, key, directions),
                lines,
                part,
                end.subtract(start),
                kept);
    }

    /**
     * The last beat at or before {@code place}, counted from the bar line before it; in a pickup from the one
     * after it, and so below zero before its first beat.
     */
    private Fraction beatAtOrBefore(Fraction place) {
        Fraction bar = hasPickup() ? pickup().subtract((int) Math.ceil(pickup().doubleValue() - 1e-9)) : Fraction.ZERO;
        for (Fraction line : barLines) {
            if (line.compareTo(place) <= 0) {
                bar = line;
            }
        }
        int beats = (int) Math.floor(place.subtract(bar).doubleValue() + 1e-9);
        return bar.add(beats);
    }
}

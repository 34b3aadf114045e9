package tachylim.notation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;

/**
 * Reads one voice of ABC notation into a passage with exact onsets.
 *
 * <p>Understood: the fields M, L, K (major, minor and the church modes) at the head, in the body and
 * inline; notes with accidentals that last through the bar, octave marks and lengths; rests, also of
 * whole bars; ties, also over bar lines; chords as one onset; tuplets; broken rhythm; bar lines,
 * repeats (played once through) and endings. Grace notes, slurs, decorations, chord names, lyrics and
 * other fields are passed over. A second voice is refused, since a passage is one line. Follows the
 * ABC standard 2.1.
 */
public final class AbcReader {

    /** A longer text is refused before it is read. */
    public static final int MOST_CHARACTERS = 20_000;

    /** Finer divisions of a beat than this are refused, so that sums stay exact. */
    private static final int FINEST = 100_000;

    private static final String DECORATIONS = ".~HLMOPSTuvJRW";
    private static final String PASSED_OVER = " \t\r\n`\\y$)";

    private final AbcCursor cursor;
    private final Fraction wantedBeat;

    private final List<Note> notes = new ArrayList<>();
    private final List<Fraction> barLines = new ArrayList<>();
    private final List<String> warnings = new ArrayList<>();
    private final Map<String, Integer> accidentals = new HashMap<>();

    private Meter meter = new Meter(4, 4);
    private Meter firstMeter;
    private Key key = Key.NONE;
    private Key firstKey;
    private Fraction unit;

    /** Where we are, and where the bar began, in whole notes. */
    private Fraction now = Fraction.ZERO;
    private Fraction barStart = Fraction.ZERO;
    private int bar = 1;

    private int tupletLeft;
    private Fraction tupletRatio = Fraction.ONE;
    private Fraction brokenNext = Fraction.ONE;
    private boolean lastWasNote;
    private Fraction lastWritten = Fraction.ZERO;
    private boolean tied;
    private boolean unpitched;
    private boolean chordTie;

    private AbcReader(String text, Fraction wantedBeat) {
        this.cursor = new AbcCursor(text);
        this.wantedBeat = wantedBeat;
    }

    /**
     * Reads {@code text}; onsets are in beats of the meter's usual beat.
     *
     * @throws AbcException if it cannot be read, with the place
     */
    public static AbcTune read(String text) {
        return read(text, null);
    }

    /**
     * Reads {@code text}, with onsets in beats of {@code beatUnit}.
     *
     * @param beatUnit the beat as a fraction of a whole note; null for the meter's usual beat
     * @throws AbcException if it cannot be read, with the place
     */
    public static AbcTune read(String text, Fraction beatUnit) {
        if (text.length() > MOST_CHARACTERS) {
            throw new AbcException(1, 1, "", "This is " + text.length() + " characters long; a passage is read up to "
                    + MOST_CHARACTERS + ". Keep the part you are working on");
        }
        AbcReader reader = new AbcReader(text, beatUnit);
        try {
            return reader.tune();
        } catch (ArithmeticException tooFine) {
            throw reader.cursor.error("Lengths here divide the beat too finely to be counted");
        }
    }

    private AbcTune tune() {
        while (!cursor.atEnd()) {
            if (cursor.atLineStart() && atField()) {
                field(cursor.next(), fieldText());
            } else {
                music();
            }
        }
        if (notes.isEmpty()) {
            throw cursor.error("There is no note yet. Type letters from A to G to write some");
        }
        if (tupletLeft > 0) {
            throw cursor.error("The tuplet lacks " + tupletLeft + " more of its notes");
        }
        // A passage may stop in mid-bar, on the note where it lands; only too long a last bar is odd.
        if (now.subtract(barStart).compareTo(meter.bar()) > 0) {
            warnBar(now.subtract(barStart));
        }
        return new AbcTune(inBeats(), warnings);
    }

    private Passage inBeats() {
        Fraction beat = wantedBeat != null ? wantedBeat : firstMeter.usualBeat();
        List<Note> counted = notes.stream()
                .map(note -> new Note(note.onset().divide(beat), note.duration().divide(beat), note.pitches()))
                .toList();
        List<Fraction> lines = barLines.stream()
                .filter(line -> line.compareTo(now) < 0)
                .map(line -> line.divide(beat))
                .toList();
        try {
            return new Passage(firstMeter, beat, firstKey, lines, counted, now.divide(beat));
        } catch (IllegalArgumentException refused) {
            throw cursor.error(refused.getMessage());
        }
    }

    // Fields

    private boolean atField() {
        return Character.isLetter(cursor.peek()) && cursor.peek(1) == ':' && cursor.peek(2) != '|';
    }

    private String fieldText() {
        cursor.next();
        String text = cursor.restOfLine();
        int comment = text.indexOf('%');
        return (comment < 0 ? text : text.substring(0, comment)).strip();
    }

    private void field(char name, String value) {
        switch (name) {
            case 'M' -> meter(value);
            case 'L' -> unit = length(value);
            case 'K' -> key(value);
            case 'V' -> {
                if (!notes.isEmpty() || !value.startsWith("1")) {
                    throw cursor.error("A passage is one line of notes; leave out the voice " + value);
                }
            }
            default -> {
                // Titles, composers, lyrics and the like do not change the notes.
            }
        }
    }

    private void meter(String value) {
        String text = value.equals("C") ? "4/4" : value.equals("C|") ? "2/2" : value;
        String[] parts = text.split("/");
        try {
            meter = new Meter(Integer.parseInt(parts[0].strip()), Integer.parseInt(parts[1].strip()));
        } catch (RuntimeException unreadable) {
            throw cursor.error("The meter " + value + " is not one like 4/4 or 6/8");
        }
    }

    private Fraction length(String value) {
        String[] parts = value.split("/");
        try {
            int top = Integer.parseInt(parts[0].strip());
            int bottom = parts.length > 1 ? Integer.parseInt(parts[1].strip()) : 1;
            Fraction length = Fraction.of(top, bottom);
            if (length.compareTo(Fraction.ZERO) > 0 && bottom <= 64 && top <= 4) {
                return length;
            }
        } catch (NumberFormatException | ArithmeticException unreadable) {
            // said below
        }
        throw cursor.error("The unit length " + value + " is not one like 1/8 or 1/16");
    }

    private void key(String value) {
        Key read = AbcKeys.read(value);
        if (read == null) {
            throw cursor.error("The key " + value + " is not one like G, Bb or F#m");
        }
        key = read;
        // A one-line percussion staff is how passages on paper are written: rhythm without pitch.
        unpitched = value.contains("stafflines=1");
    }

    // Music

    private void music() {
        char c = cursor.peek();
        if (c == '%') {
            cursor.restOfLine();
        } else if (PASSED_OVER.indexOf(c) >= 0) {
            cursor.next();
        } else if ("^_=".indexOf(c) >= 0 || isNoteLetter(c)) {
            sound(List.of(pitch()));
        } else if (c == 'z' || c == 'x') {
            cursor.next();
            rest(writtenLength());
        } else if (c == 'Z' || c == 'X') {
            cursor.next();
            int bars = cursor.atDigit() ? cursor.number() : 1;
            wholeBarRests(bars);
        } else if (c == '[') {
            bracket();
        } else if (c == '|' || c == ':') {
            barLine();
        } else if (c == '(') {
            cursor.next();
            if (cursor.atDigit()) {
                tuplet();
            }
        } else if (c == '-') {
            cursor.next();
            tie();
        } else if (c == '<' || c == '>') {
            brokenRhythm();
        } else if (c == '{') {
            cursor.next();
            cursor.until('}', "The grace note");
        } else if (c == '"') {
            cursor.next();
            cursor.until('"', "The text");
        } else if (c == '!' || c == '+') {
            cursor.next();
            cursor.until(c, "The decoration");
        } else if (DECORATIONS.indexOf(c) >= 0) {
            cursor.next();
        } else if (c == '&') {
            throw cursor.error("A passage is one line of notes; a second voice starts here");
        } else {
            throw cursor.error("This is not a note, rest or bar line");
        }
    }

    private static boolean isNoteLetter(char c) {
        return (c >= 'A' && c <= 'G') || (c >= 'a' && c <= 'g');
    }

    private Pitch pitch() {
        Integer written = accidental();
        char c = cursor.peek();
        if (!isNoteLetter(c)) {
            throw cursor.error("A note letter from A to G should follow here");
        }
        cursor.next();
        int octave = Character.isLowerCase(c) ? 5 : 4;
        while (cursor.peek() == '\'' || cursor.peek() == ',') {
            octave += cursor.next() == '\'' ? 1 : -1;
        }
        char letter = Character.toUpperCase(c);
        String place = letter + "" + octave;
        if (written != null) {
            accidentals.put(place, written);
        }
        int alter = accidentals.getOrDefault(place, tied ? tiedAlter(letter, octave) : key.alterOf(letter));
        if (octave < -1 || octave > 9) {
            throw cursor.error("No instrument plays in that octave");
        }
        return new Pitch(letter, alter, octave);
    }

    /** A tie carries its accidental over the bar line. */
    private int tiedAlter(char letter, int octave) {
        return notes.get(notes.size() - 1).pitches().stream()
                .filter(pitch -> pitch.letter() == letter && pitch.octave() == octave)
                .findFirst()
                .map(Pitch::alter)
                .orElse(key.alterOf(letter));
    }

    private Integer accidental() {
        if (cursor.take('=')) {
            return 0;
        }
        for (char mark : new char[] {'^', '_'}) {
            if (cursor.take(mark)) {
                int size = cursor.take(mark) ? 2 : 1;
                return mark == '^' ? size : -size;
            }
        }
        return null;
    }

    private Fraction writtenLength() {
        Fraction length = unitLength();
        if (cursor.atDigit()) {
            length = length.multiply(cursor.number());
        }
        while (cursor.take('/')) {
            int divisor = cursor.atDigit() ? cursor.number() : 2;
            if (divisor == 0) {
                throw cursor.error("A note cannot be divided by zero");
            }
            length = length.divide(divisor);
        }
        if (length.compareTo(Fraction.ZERO) <= 0) {
            throw cursor.error("A note needs a length above zero");
        }
        return length;
    }

    private Fraction unitLength() {
        if (unit == null) {
            unit = meter.bar().compareTo(Fraction.of(3, 4)) < 0 ? Fraction.of(1, 16) : Fraction.of(1, 8);
        }
        return unit;
    }

    private void sound(List<Pitch> pitches) {
        Fraction duration = sounding(writtenLength());
        begin();
        int last = notes.size() - 1;
        if (tied && (unpitched || notes.get(last).pitches().equals(pitches))) {
            Note held = notes.get(last);
            notes.set(last, new Note(held.onset(), held.duration().add(duration), held.pitches()));
        } else {
            notes.add(new Note(now, duration, unpitched ? List.of() : pitches));
            if (notes.size() > Passage.MOST_NOTES) {
                throw cursor.error("A passage holds up to " + Passage.MOST_NOTES
                        + " notes. Keep the part you are working on");
            }
        }
        tied = false;
        advance(duration);
        lastWasNote = true;
    }

    private void rest(Fraction written) {
        Fraction duration = sounding(written);
        begin();
        tied = false;
        advance(duration);
        lastWasNote = false;
    }

    private void wholeBarRests(int bars) {
        if (bars < 1 || bars > 200) {
            throw cursor.error("A rest lasts 1 to 200 bars here");
        }
        begin();
        tied = false;
        lastWasNote = false;
        for (int i = 0; i < bars; i++) {
            if (i > 0) {
                markBar();
            }
            advance(meter.bar());
        }
    }

    /** The time a written length takes under the tuplet and broken rhythm it stands in. */
    private Fraction sounding(Fraction written) {
        Fraction duration = written.multiply(brokenNext);
        brokenNext = Fraction.ONE;
        if (tupletLeft > 0) {
            duration = duration.multiply(tupletRatio);
            tupletLeft--;
        }
        lastWritten = duration;
        return duration;
    }

    private void begin() {
        if (firstMeter == null) {
            firstMeter = meter;
            firstKey = key;
        }
    }

    private void advance(Fraction duration) {
        now = now.add(duration);
        if (now.getDenominator() > FINEST) {
            throw new ArithmeticException("too fine");
        }
    }

    private void tie() {
        if (!lastWasNote) {
            throw cursor.error("A tie needs a note before it");
        }
        tied = true;
    }

    private void tuplet() {
        int count = cursor.number();
        if (count < 2 || count > 9) {
            throw cursor.error("A tuplet has 2 to 9 notes");
        }
        int inTimeOf = usualTime(count);
        int affected = count;
        if (cursor.take(':')) {
            if (cursor.atDigit()) {
                inTimeOf = cursor.number();
            }
            if (cursor.take(':') && cursor.atDigit()) {
                affected = cursor.number();
            }
        }
        if (inTimeOf < 1 || inTimeOf > 16 || affected < 1 || affected > 32) {
            throw cursor.error("A tuplet looks like (3abc or (5:4:5abcde");
        }
        tupletRatio = Fraction.of(inTimeOf, count);
        tupletLeft = affected;
    }

    private int usualTime(int count) {
        boolean compound = meter.usualBeat().getNumerator() == 3;
        return switch (count) {
            case 2, 4, 8 -> 3;
            case 3, 6 -> 2;
            default -> compound ? 3 : 2;
        };
    }

    private void brokenRhythm() {
        char mark = cursor.peek();
        int depth = 0;
        while (cursor.take(mark)) {
            depth++;
        }
        if (!lastWasNote || depth > 3) {
            throw cursor.error("The broken-rhythm mark " + mark + " stands between two notes, up to three of them");
        }
        Fraction small = Fraction.of(1, 1 << depth);
        Fraction large = Fraction.of(2).subtract(small);
        Fraction before = mark == '>' ? large : small;
        brokenNext = mark == '>' ? small : large;
        Fraction change = lastWritten.multiply(before).subtract(lastWritten);
        int last = notes.size() - 1;
        Note note = notes.get(last);
        notes.set(last, new Note(note.onset(), note.duration().add(change), note.pitches()));
        advance(change);
        lastWasNote = false;
    }

    private void bracket() {
        cursor.next();
        char c = cursor.peek();
        if (c == '|') {
            cursor.next();
            endBar();
        } else if (Character.isDigit(c)) {
            cursor.number();
        } else if (Character.isLetter(c) && cursor.peek(1) == ':') {
            char name = cursor.next();
            cursor.next();
            field(name, cursor.until(']', "The field").strip());
        } else {
            chord();
        }
    }

    private void chord() {
        List<Pitch> pitches = new ArrayList<>();
        Fraction inner = null;
        while (!cursor.take(']')) {
            if (cursor.atEnd()) {
                throw cursor.error("The chord is never closed with ]");
            }
            if (DECORATIONS.indexOf(cursor.peek()) >= 0 || cursor.peek() == ' ') {
                cursor.next();
                continue;
            }
            pitches.add(pitch());
            Fraction length = writtenLength();
            if (inner == null) {
                inner = length;
            }
            if (cursor.take('-')) {
                // A tie on one note of a chord holds the chord: it is one onset either way.
                chordTie = true;
            }
        }
        if (pitches.isEmpty()) {
            throw cursor.error("A chord needs at least one note");
        }
        Fraction outer = unit;
        unit = inner;
        sound(pitches);
        unit = outer;
        if (chordTie) {
            chordTie = false;
            tied = true;
        }
    }

    private void barLine() {
        while (cursor.peek() == '|' || cursor.peek() == ':') {
            cursor.next();
        }
        if (cursor.peek() == ']') {
            cursor.next();
        }
        while (cursor.atDigit() || (cursor.peek() == ',' && Character.isDigit(cursor.peek(1)))) {
            cursor.next();
        }
        endBar();
    }

    private void endBar() {
        Fraction length = now.subtract(barStart);
        if (length.equals(Fraction.ZERO)) {
            return;
        }
        int compared = length.compareTo(meter.bar());
        boolean pickup = bar == 1 && compared < 0;
        if (compared != 0 && !pickup) {
            warnBar(length);
        }
        markBar();
    }

    private void markBar() {
        barLines.add(now);
        barStart = now;
        bar++;
        accidentals.clear();
    }

    private void warnBar(Fraction length) {
        if (warnings.size() < AbcTune.MOST_WARNINGS) {
            Fraction beat = Fraction.of(1, meter.unit());
            warnings.add("Bar " + bar + " lasts " + inWords(length.divide(beat)) + " of " + meter.count()
                    + " counts in " + meter);
        }
    }

    private static String inWords(Fraction counts) {
        return counts.getDenominator() == 1
                ? String.valueOf(counts.getNumerator())
                : String.format(Locale.ROOT, "%.2f", counts.doubleValue());
    }
}

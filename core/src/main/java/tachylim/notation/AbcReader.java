package tachylim.notation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Articulation;
import tachylim.passage.Direction;
import tachylim.passage.Inflection;
import tachylim.passage.Key;
import tachylim.passage.Mark;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Pitch;

/**
 * Reads one voice of one tune in ABC notation, with exact onsets.
 *
 * <p>Understood: the fields M, L, K (major, minor and the church modes), Q and w; notes with accidentals
 * that last through the bar, octave marks and lengths; rests, also of whole bars; ties, also over bar
 * lines; chords as one onset; tuplets; broken rhythm; bar lines, repeats and endings; grace notes, slurs,
 * articulations, fingers, bows, breaths and words. What a passage has no place for is counted. Follows the
 * ABC standard 2.1.
 */
public final class AbcReader {

    /** A longer text is refused before it is read. */
    public static final int MOST_CHARACTERS = 48_000;

    /** Finer divisions of a whole note than this are refused, so that sums stay exact. */
    private static final int FINEST = 100_000;

    private static final Pattern TEMPO =
            Pattern.compile("(?:(\\d{1,2})/(\\d{1,2})\\s*=\\s*)?(\\d{1,3}(?:\\.\\d{1,4})?)");
    private static final String DECORATIONS = ".~HLMOPSTJRuvW";
    private static final String PASSED_OVER = " \t\r\n`\\y$";

    private final AbcCursor cursor;
    private final AbcRhythm rhythm;
    private final AbcSyllables syllables = new AbcSyllables();
    private final Omissions omissions = new Omissions();

    private final List<Note> notes = new ArrayList<>();
    private final List<Direction> directions = new ArrayList<>();
    private final AbcBars bars;
    private final Map<String, Integer> accidentals = new HashMap<>();

    private String title = "";
    private Meter meter = new Meter(4, 4);
    private Meter firstMeter;
    private Key key = Key.NONE;
    private Key firstKey;

    /** Where we are, in whole notes. */
    private Fraction now = Fraction.ZERO;

    private boolean lastWasNote;
    private boolean tied;
    private boolean unpitched;
    private Inflection ahead = Inflection.PLAIN;
    private int slursOpen;

    private AbcReader(String text) {
        this.cursor = new AbcCursor(text);
        this.rhythm = new AbcRhythm(cursor);
        this.bars = new AbcBars(cursor, directions);
    }

    /**
     * Reads {@code text}, a single tune of a single voice.
     *
     * @throws AbcException if it cannot be read, with the place
     */
    public static AbcTune read(String text) {
        return read(text, MOST_CHARACTERS);
    }

    static AbcTune read(String text, int mostCharacters) {
        if (text.length() > mostCharacters) {
            throw new AbcException(
                    1,
                    1,
                    "",
                    "This is " + text.length() + " characters long; a passage is read up to " + mostCharacters
                            + ". Keep the part you are working on");
        }
        AbcReader reader = new AbcReader(text);
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
        if (rhythm.tupletLeft() > 0) {
            throw cursor.error("The tuplet lacks " + rhythm.tupletLeft() + " more of its notes");
        }
        bars.endTune(now, meter);
        Line line = new Line(title, "", firstMeter, firstKey, bars.lines(now), notes, now, directions);
        return new AbcTune(line, bars.warnings(), omissions.list());
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
            case 'T' -> title = title.isEmpty() ? value : title;
            case 'M' -> meter(value);
            case 'L' -> rhythm.unit(value);
            case 'K' -> key(value);
            case 'Q' -> tempo(value);
            case 'w' -> words(value);
            case 'V' -> {
                if (!notes.isEmpty() || !value.startsWith("1")) {
                    throw cursor.error("A passage is one line of notes; leave out the voice " + value);
                }
            }
            default -> {
                // Composers, sources and the like do not change the notes.
            }
        }
    }

    private void meter(String value) {
        if (value.equals("none")) {
            omissions.add("free meters, counted as " + meter);
            return;
        }
        String text = value.equals("C") ? "4/4" : value.equals("C|") ? "2/2" : value;
        String[] parts = text.split("/");
        Meter read;
        try {
            read = new Meter(Integer.parseInt(parts[0].strip()), Integer.parseInt(parts[1].strip()));
        } catch (RuntimeException unreadable) {
            throw cursor.error("The meter " + value + " is not one like 4/4 or 6/8");
        }
        if (firstMeter != null && !read.equals(meter)) {
            directions.add(new Direction.MeterChange(now, read));
        }
        meter = read;
    }

    private void key(String value) {
        Key read = AbcKeys.read(value);
        if (read == null) {
            throw cursor.error("The key " + value + " is not one like G, Bb or F#m");
        }
        if (firstKey != null && !read.equals(key)) {
            directions.add(new Direction.KeyChange(now, read));
        }
        key = read;
        // A one-line percussion staff is how passages on paper are written: rhythm without pitch.
        unpitched = value.contains("stafflines=1");
    }

    private void tempo(String value) {
        String rest = value;
        int open = value.indexOf('"');
        int close = value.lastIndexOf('"');
        if (open >= 0 && close > open) {
            directions.add(new Direction.Words(now, value.substring(open + 1, close)));
            rest = value.substring(0, open) + value.substring(close + 1);
        }
        Matcher matcher = TEMPO.matcher(rest);
        if (matcher.find() && Double.parseDouble(matcher.group(3)) >= 1) {
            Fraction unit = matcher.group(1) == null
                            || Integer.parseInt(matcher.group(2)) == 0
                            || Integer.parseInt(matcher.group(1)) == 0
                    ? meter.usualBeat()
                    : Fraction.of(Integer.parseInt(matcher.group(1)), Integer.parseInt(matcher.group(2)));
            directions.add(new Direction.TempoMark(now, unit, Double.parseDouble(matcher.group(3))));
        } else if (!rest.isBlank()) {
            omissions.add("tempo marks that could not be read");
        }
    }

    private void words(String value) {
        if (syllables.isAnotherVerse()) {
            omissions.add("further verses");
            return;
        }
        syllables.lay(value, (note, syllable) -> {
            Inflection over = notes.get(note).inflection();
            notes.set(
                    note,
                    notes.get(note)
                            .with(new Inflection(
                                    over.grace(),
                                    over.articulations(),
                                    over.slursOpened(),
                                    over.slursClosed(),
                                    over.marks(),
                                    syllable)));
        });
    }

    // Music

    private void music() {
        char c = cursor.peek();
        if (c == '%') {
            cursor.restOfLine();
        } else if (PASSED_OVER.indexOf(c) >= 0) {
            cursor.next();
        } else if ("^_=".indexOf(c) >= 0 || isNoteLetter(c)) {
            Pitch pitch = pitch();
            sound(List.of(pitch), rhythm.written(meter));
        } else if (c == 'z' || c == 'x') {
            cursor.next();
            rest(rhythm.written(meter));
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
                rhythm.tuplet(meter);
            } else {
                openSlur();
            }
        } else if (c == ')') {
            cursor.next();
            closeSlur();
        } else if (c == '-') {
            cursor.next();
            tie();
        } else if (c == '<' || c == '>') {
            lengthen(rhythm.broken(lastWasNote));
        } else if (c == '{') {
            grace();
        } else if (c == '"') {
            cursor.next();
            annotation(cursor.until('"', "The text"));
        } else if (c == '!' || c == '+') {
            cursor.next();
            decoration(cursor.until(c, "The decoration"));
        } else if (DECORATIONS.indexOf(c) >= 0) {
            cursor.next();
            decoration(AbcSigns.nameOf(c).orElse(String.valueOf(c)));
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
        Integer soFar = accidentals.get(place);
        int alter = soFar != null ? soFar : tied ? tiedAlter(letter, octave) : key.alterOf(letter);
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

    private void sound(List<Pitch> pitches, Fraction written) {
        Fraction duration = rhythm.sounding(written);
        begin();
        int last = notes.size() - 1;
        if (tied && (unpitched || notes.get(last).pitches().equals(pitches))) {
            Note held = notes.get(last);
            notes.set(last, held.at(held.onset(), held.duration().add(duration)));
        } else {
            Deadline.check();
            notes.add(new Note(now, duration, unpitched ? List.of() : pitches, ahead));
            ahead = Inflection.PLAIN;
        }
        syllables.head(notes.size() - 1);
        tied = false;
        advance(duration);
        lastWasNote = true;
    }

    private void rest(Fraction written) {
        Fraction duration = rhythm.sounding(written);
        begin();
        tied = false;
        advance(duration);
        lastWasNote = false;
    }

    private void wholeBarRests(int count) {
        if (count < 1 || count > 200) {
            throw cursor.error("A rest lasts 1 to 200 bars here");
        }
        begin();
        tied = false;
        lastWasNote = false;
        for (int i = 0; i < count; i++) {
            if (i > 0) {
                bars.mark(now);
                forgetBar();
            }
            advance(meter.bar());
        }
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

    /** Broken rhythm changes the note before it after the fact. */
    private void lengthen(Fraction change) {
        int last = notes.size() - 1;
        Note note = notes.get(last);
        notes.set(last, note.at(note.onset(), note.duration().add(change)));
        advance(change);
        lastWasNote = false;
    }

    // Over, under and before the notes

    private void openSlur() {
        if (ahead.slursOpened() == Inflection.MOST_SLURS) {
            omissions.add("slurs beyond " + Inflection.MOST_SLURS + " on one note");
            return;
        }
        slursOpen++;
        ahead = new Inflection(ahead.grace(), ahead.articulations(), ahead.slursOpened() + 1, 0, ahead.marks(), "");
    }

    private void closeSlur() {
        if (notes.isEmpty() || slursOpen == 0) {
            return;
        }
        slursOpen--;
        int last = notes.size() - 1;
        Inflection over = notes.get(last).inflection();
        if (over.slursClosed() < Inflection.MOST_SLURS) {
            notes.set(
                    last,
                    notes.get(last)
                            .with(new Inflection(
                                    over.grace(),
                                    over.articulations(),
                                    over.slursOpened(),
                                    over.slursClosed() + 1,
                                    over.marks(),
                                    over.syllable())));
        }
    }

    private void grace() {
        cursor.next();
        cursor.take('/');
        List<Pitch> pitches = new ArrayList<>(ahead.grace());
        while (!cursor.take('}')) {
            if (cursor.atEnd() || cursor.peek() == '\n') {
                throw cursor.error("The grace note opened before is never closed with }");
            }
            char c = cursor.peek();
            if ("^_=".indexOf(c) >= 0 || isNoteLetter(c)) {
                pitches.add(pitch());
                rhythm.written(Fraction.ONE);
            } else {
                cursor.next();
            }
        }
        ahead = new Inflection(pitches, ahead.articulations(), ahead.slursOpened(), 0, ahead.marks(), "");
    }

    private void decoration(String name) {
        Articulation articulation = AbcSigns.articulation(name).orElse(null);
        Mark mark = AbcSigns.mark(name).orElse(null);
        if (articulation != null) {
            ahead = ahead.with(articulation);
        } else if (mark != null) {
            mark(mark);
        } else {
            omissions.add("decorations such as " + (name.length() > 20 ? name.substring(0, 20) + "…" : name));
        }
    }

    /** Fingers written one after another over a chord are one mark. */
    private void mark(Mark mark) {
        String before = ahead.mark(mark.kind())
                .filter(other -> other.kind() == Mark.Kind.FINGERING)
                .map(Mark::value)
                .orElse("");
        String both = before + mark.value();
        ahead = ahead.with(mark.kind().takes(both) ? new Mark(mark.kind(), both) : mark);
    }

    private void annotation(String text) {
        Mark mark = AbcSigns.annotated(text).orElse(null);
        if (mark != null) {
            mark(mark);
        } else if (!text.isEmpty() && "^_<>@".indexOf(text.charAt(0)) >= 0) {
            directions.add(new Direction.Words(now, text.substring(1)));
        } else {
            omissions.add("chord names");
        }
    }

    // Brackets and bar lines

    private void bracket() {
        cursor.next();
        char c = cursor.peek();
        if (c == '|') {
            cursor.next();
            endBar();
        } else if (Character.isDigit(c)) {
            bars.endings(now);
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
        boolean held = false;
        while (!cursor.take(']')) {
            if (cursor.atEnd()) {
                throw cursor.error("The chord is never closed with ]");
            }
            if (DECORATIONS.indexOf(cursor.peek()) >= 0 || cursor.peek() == ' ') {
                cursor.next();
                continue;
            }
            pitches.add(pitch());
            Fraction length = rhythm.written(meter);
            if (inner == null) {
                inner = length;
            }
            // A tie on one note of a chord holds the chord: it is one onset either way.
            held |= cursor.take('-');
        }
        if (pitches.isEmpty()) {
            throw cursor.error("A chord needs at least one note");
        }
        sound(pitches, rhythm.written(inner));
        tied |= held;
    }

    private void barLine() {
        String signs = bars.signs();
        endBar();
        bars.repeats(signs, now);
        if (cursor.atDigit()) {
            bars.endings(now);
        }
    }

    private void endBar() {
        if (bars.end(now, meter)) {
            forgetBar();
        }
    }

    private void forgetBar() {
        accidentals.clear();
        syllables.bar();
    }
}

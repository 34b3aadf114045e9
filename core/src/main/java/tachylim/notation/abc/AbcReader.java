package tachylim.notation.abc;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.score.Deadline;
import tachylim.notation.score.Line;
import tachylim.notation.score.LineNote;
import tachylim.notation.score.Omissions;
import tachylim.passage.Articulation;
import tachylim.passage.Direction;
import tachylim.passage.Inflection;
import tachylim.passage.Key;
import tachylim.passage.Mark;
import tachylim.passage.Meter;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

/**
 * Reads one voice of one tune in ABC notation, with exact onsets.
 *
 * <p>Understood: the fields M, L, K (major, minor and the church modes), Q and w; notes with accidentals
 * that last through the bar, octave marks and lengths; rests, also of whole bars; ties, also over bar
 * lines; chords as one onset; tuplets; broken rhythm; bar lines, repeats and endings; grace notes, slurs,
 * articulations, fingers, bows, breaths and words. What a passage has no place for is counted; a sign that means nothing
 * is passed over and said. Follows the ABC standard 2.1.
 */
public final class AbcReader {

    /** A longer text is refused before it is read. */
    public static final int MOST_CHARACTERS = 48_000;

    /** Finer divisions of a whole note than this are refused, so that sums stay exact. */
    private static final int FINEST = 100_000;

    private static final Pattern TEMPO =
            Pattern.compile("(?:(\\d{1,2})/(\\d{1,2})\\s*=\\s*)?(\\d{1,3}(?:\\.\\d{1,4})?)");
    private static final String PASSED_OVER = " \t\r\n`\\$";
    /** The brackets of chords before there were brackets. */
    private static final Pattern OLD_CHORD = Pattern.compile("\\+(?:[\\^_=]{0,2}[A-Ga-g][,']*[0-9/]*){2,}\\+");

    private static final Pattern CHORD_WITH_TEXT = Pattern.compile("\"[^\"]*\"[\\^_=A-Ga-g][^\\s|\\]]*\\]");
    private static final String DIRECTIVE = "%%";
    private static final String PROPAGATE = "propagate-accidentals";

    private final AbcCursor cursor;
    private final AbcRhythm rhythm;
    private final AbcPitches pitches;
    private final AbcDecorations decorations;
    private final AbcSyllables syllables = new AbcSyllables();
    private final Omissions omissions;
    private final boolean inBook;

    private final List<LineNote> notes = new ArrayList<>();
    private final List<Direction> directions = new ArrayList<>();
    private final AbcBars bars;

    private String title = "";
    private Meter meter = new Meter(4, 4);
    private Meter firstMeter;
    private Key firstKey;

    /** Where we are, in whole notes. */
    private Fraction now = Fraction.ZERO;

    /** What came last, and so what a tie or a broken rhythm changes. */
    private enum Last {
        NOTHING,
        NOTE,
        REST
    }

    private Last last = Last.NOTHING;

    /** The pitches that a tie holds; empty without a tie. */
    private List<Pitch> tied = List.of();

    private boolean isTied;
    private boolean unpitched;
    private boolean overlaid;
    private Inflection ahead = Inflection.PLAIN;
    private int slursOpen;
    private int strays;
    private AbcException firstStray;

    private AbcReader(String text, boolean inBook, Omissions omissions) {
        this.cursor = new AbcCursor(text);
        this.rhythm = new AbcRhythm(cursor);
        this.pitches = new AbcPitches(cursor);
        this.decorations = new AbcDecorations(cursor);
        this.bars = new AbcBars(cursor, directions);
        this.inBook = inBook;
        this.omissions = omissions;
    }

    /**
     * Reads {@code text}, a single tune of a single voice.
     *
     * @throws AbcException if it cannot be read, with the place
     */
    public static AbcTune read(String text) {
        return read(text, MOST_CHARACTERS, false, new Omissions());
    }

    /** A voice of a book, whose omissions are gathered. */
    static AbcTune voice(String text, int mostCharacters, Omissions omissions) {
        return read(text, mostCharacters, true, omissions);
    }

    private static AbcTune read(String text, int mostCharacters, boolean inBook, Omissions omissions) {
        if (text.length() > mostCharacters) {
            throw new AbcException(
                    1,
                    1,
                    "",
                    Reason.of(
                            "refusal.abcReader.thisIsCharactersLongA",
                            "text",
                            text.length(),
                            "mostCharacters",
                            mostCharacters));
        }
        AbcReader reader = new AbcReader(text, inBook, omissions);
        try {
            return reader.tune();
        } catch (ArithmeticException tooFine) {
            throw reader.cursor.error(Reason.of("refusal.abcReader.lengthsHereDivideTheBeat"));
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
        if (strays > notes.size()) {
            throw firstStray;
        }
        if (notes.isEmpty()) {
            throw cursor.error(Reason.of("refusal.abcReader.thereIsNoNoteYetType"));
        }
        if (rhythm.tupletLeft() > 0) {
            bars.warn(Reason.of("read.tuplet", "notes", rhythm.tupletLeft()));
        }
        bars.endTune(now, meter);
        Line line = Line.counted(title, "", firstMeter, firstKey, bars.lines(now), notes, now, directions);
        return new AbcTune(line, bars.warnings(), omissions.list());
    }

    // Fields

    private boolean atField() {
        char name = cursor.peek();
        boolean isNote = name >= 'a' && name <= 'g';
        return Character.isLetter(name) && !isNote && cursor.peek(1) == ':' && "|:".indexOf(cursor.peek(2)) < 0;
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
            case 'L' -> unit(value);
            case 'K' -> key(value);
            case 'Q' -> tempo(value);
            case 'w' -> words(value);
            case 'U' -> decorations.define(value);
            case 'I' -> directive(value);
            case 'V' -> voice(value);
            default -> {
                // Composers, sources and the like do not change the notes.
            }
        }
    }

    private void unit(String value) {
        if (!rhythm.unit(value)) {
            omissions.add(Reason.of("omitted.unitLengths"));
        }
    }

    private void voice(String value) {
        if (!inBook && (!notes.isEmpty() || !value.startsWith("1"))) {
            throw cursor.error(Reason.of("refusal.abcReader.aPassageIsOneLineOfNotes", "value", value));
        }
        pitches.clef(AbcClef.read(value));
    }

    private void directive(String value) {
        if (value.startsWith(PROPAGATE)) {
            pitches.propagate(value.substring(PROPAGATE.length()));
        }
    }

    private void meter(String value) {
        if (value.isEmpty()) {
            return;
        }
        Meter read = AbcMeters.read(value);
        if (read == null) {
            omissions.add(Reason.of("omitted.meters", "meter", meter));
            return;
        }
        if (firstMeter != null && !read.equals(meter)) {
            directions.add(new Direction.MeterChange(now, read));
        }
        meter = read;
    }

    private void key(String value) {
        AbcKey read = AbcKey.read(value);
        if (!read.isReadable()) {
            omissions.add(Reason.of("omitted.keySignatures"));
        }
        if (firstKey != null && read.key() != null && !read.key().equals(pitches.key())) {
            directions.add(new Direction.KeyChange(now, read.key()));
        }
        pitches.key(read);
        unpitched = read.isUnpitched();
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
            omissions.add(Reason.of("omitted.tempoMarks"));
        }
    }

    private void words(String value) {
        if (syllables.isAnotherVerse()) {
            omissions.add(Reason.of("omitted.verses"));
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
            comment();
        } else if (PASSED_OVER.indexOf(c) >= 0) {
            cursor.next();
        } else if (pitches.isNext()) {
            Pitch pitch = pitches.read(tied);
            sound(List.of(pitch), rhythm.written(meter));
        } else if (c == 'z' || c == 'x') {
            cursor.next();
            rest(rhythm.written(meter));
        } else if (c == 'Z' || c == 'X') {
            cursor.next();
            int bars = cursor.atDigit() ? cursor.number() : 1;
            wholeBarRests(bars);
        } else if (c == 'y') {
            // Space between notes, which may have a width.
            cursor.next();
            cursor.number();
        } else if (c == '[') {
            bracket();
        } else if (c == '|' || c == ':' && "|:".indexOf(cursor.peek(1)) >= 0 && cursor.peek(1) != '\0') {
            barLine();
        } else if (c == '.' && "|(-".indexOf(cursor.peek(1)) >= 0 && cursor.peek(1) != '\0') {
            // Dotted bar lines, slurs and ties mean what plain ones do.
            cursor.next();
        } else if (c == '(') {
            open();
        } else if (c == ')') {
            cursor.next();
            closeSlur();
        } else if (c == '-') {
            cursor.next();
            tie();
        } else if (c == '<' || c == '>') {
            broken();
        } else if (c == '{') {
            grace();
        } else if (c == '"') {
            cursor.next();
            annotation(cursor.untilOrEndOfLine('"'));
        } else if (c == '&') {
            overlay();
        } else if (c == '+' && OLD_CHORD.matcher(cursor.lineAhead(0)).lookingAt()) {
            cursor.next();
            chord('+');
        } else if (decorations.isNext()) {
            decorations.read().ifPresentOrElse(this::decoration, () -> omissions.add(Reason.of("omitted.lineBreaks")));
        } else {
            stray();
        }
    }

    private void comment() {
        String line = cursor.restOfLine();
        if (line.startsWith(DIRECTIVE)) {
            directive(line.substring(DIRECTIVE.length()).strip());
        }
    }

    /** A sign that means nothing here is passed over and said, with its place. */
    private void stray() {
        AbcException place = cursor.error(Reason.of("refusal.abc.notMusic"));
        firstStray = firstStray == null ? place : firstStray;
        strays++;
        bars.warn(Reason.of(
                "read.stray", "line", place.line(), "column", place.column(), "found", String.valueOf(place.found())));
        omissions.add(Reason.of("omitted.straySigns"));
        cursor.skip();
    }

    private void open() {
        cursor.next();
        if (cursor.atDigit()) {
            if (!rhythm.tuplet(meter)) {
                omissions.add(Reason.of("omitted.tuplets"));
            }
        } else if (cursor.take('&')) {
            overlaid = true;
        } else {
            openSlur();
        }
    }

    /** Another voice over this one, up to the bar line, or over several bars in brackets. */
    private void overlay() {
        omissions.add(Reason.of("omitted.overlays"));
        boolean several = overlaid;
        overlaid = false;
        while (!cursor.atEnd()) {
            if (several ? cursor.peek() == '&' && cursor.peek(1) == ')' : endsOverlay()) {
                break;
            }
            cursor.next();
        }
        if (several && !cursor.atEnd()) {
            cursor.next();
            cursor.next();
        }
    }

    private boolean endsOverlay() {
        char c = cursor.peek();
        return c == '\n' || c == '|' || c == ':' && (cursor.peek(1) == '|' || cursor.peek(1) == ':');
    }

    private void sound(List<Pitch> written, Fraction length) {
        Fraction duration = rhythm.sounding(length);
        begin();
        if (isTied && (unpitched || tied.containsAll(written))) {
            int held = notes.size() - 1;
            notes.set(held, notes.get(held).lasting(notes.get(held).duration().add(duration)));
        } else {
            Deadline.check();
            notes.add(new LineNote(now, duration, unpitched ? List.of() : written, ahead));
            ahead = Inflection.PLAIN;
        }
        syllables.head(notes.size() - 1);
        untie();
        advance(duration);
        last = Last.NOTE;
    }

    private void untie() {
        tied = List.of();
        isTied = false;
    }

    private void rest(Fraction written) {
        Fraction duration = rhythm.sounding(written);
        begin();
        untie();
        advance(duration);
        last = Last.REST;
    }

    private void wholeBarRests(int count) {
        if (count < 1 || count > 200) {
            throw cursor.error(Reason.of("refusal.abcReader.aRestLasts1To200BarsHere"));
        }
        begin();
        untie();
        last = Last.NOTHING;
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
            firstKey = pitches.key();
        }
    }

    private void advance(Fraction duration) {
        now = now.add(duration);
        if (now.getDenominator() > FINEST) {
            throw new ArithmeticException("too fine");
        }
    }

    private void tie() {
        if (last == Last.NOTE) {
            isTied = true;
            tied = notes.get(notes.size() - 1).pitches();
        } else {
            omissions.add(Reason.of("omitted.tiesAlone"));
        }
    }

    /** Broken rhythm changes the value before it after the fact. */
    private void broken() {
        if (last == Last.NOTHING || rhythm.isBroken()) {
            stray();
            return;
        }
        Fraction change = rhythm.broken();
        if (last == Last.NOTE) {
            int broken = notes.size() - 1;
            LineNote note = notes.get(broken);
            notes.set(broken, note.lasting(note.duration().add(change)));
        }
        advance(change);
    }

    // Over, under and before the notes

    private void openSlur() {
        if (ahead.slursOpened() == Inflection.MOST_SLURS) {
            omissions.add(Reason.of("omitted.slurs", "most", Inflection.MOST_SLURS));
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
        List<Pitch> quick = new ArrayList<>(ahead.grace());
        while (!cursor.take('}') && !cursor.atEnd() && cursor.peek() != '\n') {
            if (pitches.isNext()) {
                quick.add(pitches.read(List.of()));
                rhythm.written(Fraction.ONE);
            } else {
                cursor.next();
            }
        }
        ahead = new Inflection(quick, ahead.articulations(), ahead.slursOpened(), 0, ahead.marks(), "");
    }

    private void decoration(String name) {
        Articulation articulation = AbcSigns.articulation(name).orElse(null);
        Mark mark = AbcSigns.mark(name).orElse(null);
        if (articulation != null) {
            ahead = ahead.with(articulation);
        } else if (mark != null) {
            mark(mark);
        } else {
            omissions.add(Reason.of("omitted.decorations", "name", Reason.shortened(name)));
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
            omissions.add(Reason.of("omitted.chordNames"));
        }
    }

    // Brackets and bar lines

    private void bracket() {
        cursor.next();
        char c = cursor.peek();
        if (c == '|') {
            // Also the bar line that is not drawn, [|].
            barLine();
        } else if (Character.isDigit(c)) {
            bars.endings(now);
        } else if (c == '"' && !CHORD_WITH_TEXT.matcher(cursor.lineAhead(0)).lookingAt()) {
            // An ending with a name.
            cursor.next();
            cursor.untilOrEndOfLine('"');
            cursor.take(']');
        } else if (Character.isLetter(c) && cursor.peek(1) == ':') {
            char name = cursor.next();
            cursor.next();
            field(name, cursor.untilOrEndOfLine(']').strip());
        } else {
            chord(']');
        }
    }

    private void chord(char close) {
        List<Pitch> chord = new ArrayList<>();
        List<Pitch> held = new ArrayList<>();
        Fraction inner = null;
        while (!cursor.take(close) && !cursor.atEnd() && cursor.peek() != '\n') {
            if (pitches.isNext()) {
                Pitch pitch = pitches.read(tied);
                Fraction length = rhythm.written(meter);
                inner = inner == null ? length : inner;
                if (!chord.contains(pitch)) {
                    chord.add(pitch);
                }
                if (cursor.take('-')) {
                    held.add(pitch);
                }
            } else if (cursor.peek() == '"') {
                cursor.next();
                annotation(cursor.untilOrEndOfLine('"'));
            } else if (decorations.isNext()) {
                decorations.read().ifPresent(this::decoration);
            } else {
                // Rests, spaces and slurs inside a chord change nothing of it.
                cursor.next();
            }
        }
        if (chord.isEmpty()) {
            omissions.add(Reason.of("omitted.emptyBrackets"));
            return;
        }
        chord.sort(Comparator.comparingInt(Pitch::midi));
        sound(chord, rhythm.written(inner));
        if (!held.isEmpty()) {
            isTied = true;
            tied = List.copyOf(held);
        }
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
        pitches.forgetBar();
        syllables.bar();
    }
}

package tachylim.notation.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tachylim.notation.score.Line;
import tachylim.notation.score.Omissions;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.words.Reason;

/**
 * Reads a file of ABC with any number of tunes and voices: every voice of every tune is a line.
 *
 * <p>A tune that cannot be read does not keep the others from being read; each is named with its place.
 */
final class AbcBook {

    private static final int MOST_TUNES = 50_000;
    private static final int MOST_LINES = 100_000;
    private static final int MOST_CHARACTERS_A_VOICE = 400_000;
    private static final int MOST_WARNINGS = 24;
    private static final Pattern TUNE = Pattern.compile("(?m)^X:");
    private static final Pattern TITLE = Pattern.compile("(?m)^T:\\s*(.+)$");
    private static final Pattern NUMBER = Pattern.compile("^X:\\s*(\\d+)");
    private static final Pattern PROPERTY = Pattern.compile("(?m)^(?:%abc|X:|K:|M:|T:)");

    private final List<Line> lines = new ArrayList<>();
    private final Omissions omissions = new Omissions();
    private final List<Reason> unread = new ArrayList<>();
    private final List<Reason> warnings = new ArrayList<>();
    private int moreWarnings;

    private AbcBook() {}

    /** Whether {@code text} looks like ABC: it has a field of a tune's head. */
    static boolean isAbc(String text) {
        return PROPERTY.matcher(text).find();
    }

    static Score read(String text) {
        AbcBook book = new AbcBook();
        List<Tune> tunes = tunes(text.replace("\r\n", "\n").replace('\r', '\n'));
        if (tunes.size() > MOST_TUNES) {
            throw new ScoreException(Reason.of(
                    "refusal.abcBook.thisFileHoldsTunesUpToAre", "tunes", tunes.size(), "mostTunes", MOST_TUNES));
        }
        for (int tune = 0; tune < tunes.size(); tune++) {
            book.tune(tunes.get(tune), tune + 1, tunes.size());
        }
        if (book.lines.isEmpty()) {
            throw new ScoreException(
                    book.unread.isEmpty()
                            ? Reason.of("refusal.abcBook.noNote")
                            : Reason.of("refusal.abcBook.noTune", "unread", book.unread.get(0)));
        }
        if (book.moreWarnings > 0) {
            book.warnings.add(Reason.of("read.more", "more", book.moreWarnings));
        }
        return new Score(book.lines.get(0).part(), book.lines, book.omissions.list(), book.unread, book.warnings, null);
    }

    /** The text of a tune below the fields that hold for all, and how many lines further down the file it stands. */
    private record Tune(String text, int linesDown) {}

    private static List<Tune> tunes(String text) {
        List<Integer> starts = new ArrayList<>();
        Matcher matcher = TUNE.matcher(text);
        while (matcher.find()) {
            starts.add(matcher.start());
        }
        if (starts.isEmpty()) {
            return List.of(new Tune(text, 0));
        }
        List<Tune> tunes = new ArrayList<>();
        // Fields above the first tune, such as the unit length, hold for all.
        String above = AbcText.fieldsOf(text.substring(0, starts.get(0)));
        int linesDown = 0;
        for (int i = 0; i < starts.size(); i++) {
            String own = text.substring(starts.get(i), i + 1 < starts.size() ? starts.get(i + 1) : text.length());
            tunes.add(new Tune(above + own, linesDown));
            linesDown += (int) own.chars().filter(c -> c == '\n').count();
        }
        return tunes;
    }

    private void tune(Tune one, int place, int of) {
        Reason name = name(one.text, place, of);
        int before = unread.size() + lines.size();
        try {
            AbcText.of(one.text).voices().forEach((voice, music) -> voice(one, place, name, voice, music));
        } catch (AbcException unreadable) {
            unread(one, name, unreadable);
        }
        if (unread.size() + lines.size() == before) {
            unread.add(Reason.of("refusal.abcBook.tuneWithoutNote", "name", name));
        }
    }

    private void voice(Tune one, int place, Reason name, String voice, AbcText.Voice music) {
        if (lines.size() >= MOST_LINES) {
            throw new ScoreException(Reason.of("refusal.abcBook.thisFileHoldsMoreThan", "mostLines", MOST_LINES));
        }
        try {
            AbcTune read = AbcReader.voice(music.text(), MOST_CHARACTERS_A_VOICE, omissions);
            String title =
                    read.line().part().isEmpty() ? "Tune " + place : read.line().part();
            lines.add(read.line().named(title, voice));
            read.warnings().forEach(warning -> warn(Reason.of("read.ofTune", "tune", title, "warning", warning)));
        } catch (AbcException unreadable) {
            if (!AbcText.isSilent(music.text())) {
                unread(
                        one,
                        voice.isEmpty() ? name : Reason.of("tune.voice", "name", name, "voice", voice),
                        unreadable.at(music.lineInTune(unreadable.line())));
            }
        }
    }

    private void unread(Tune one, Reason name, AbcException why) {
        unread.add(Reason.of(
                "refusal.abcBook.unread",
                "name",
                name,
                "line",
                one.linesDown + why.line(),
                "column",
                why.column(),
                "why",
                why.reason()));
    }

    private void warn(Reason warning) {
        if (warnings.size() < MOST_WARNINGS) {
            warnings.add(warning);
        } else {
            moreWarnings++;
        }
    }

    /** What a tune is called, so that it is found: its title, and its number among others. */
    private static Reason name(String text, int place, int of) {
        Matcher title = TITLE.matcher(text);
        Matcher number = NUMBER.matcher(text.substring(Math.max(0, text.indexOf("X:"))));
        Reason called = title.find() ? Reason.text(title.group(1).strip()) : Reason.of("tune.untitled");
        return of == 1
                ? called
                : Reason.of(
                        "tune.numbered",
                        "name",
                        called,
                        "number",
                        number.find() ? number.group(1) : String.valueOf(place));
    }
}

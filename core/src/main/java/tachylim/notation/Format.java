package tachylim.notation;

import java.util.Arrays;
import java.util.List;
import tachylim.notation.abc.AbcFormat;
import tachylim.notation.midi.MidiFormat;
import tachylim.notation.musicxml.MusicXmlFormat;
import tachylim.notation.score.Movement;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.ScoreFormat;
import tachylim.notation.score.Wishes;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * The kinds of file that music is read from and written to, one line each. Which kind a file is, is told from its first
 * bytes, not from its name; the first kind that knows it reads it.
 */
public enum Format {
    MUSICXML(new MusicXmlFormat()),
    MIDI(new MidiFormat()),
    ABC(new AbcFormat());

    /** A larger file is refused. */
    public static final int MOST_BYTES = 48 * 1024 * 1024;

    private final ScoreFormat own;

    Format(ScoreFormat own) {
        this.own = own;
    }

    /**
     * The kind of {@code file}.
     *
     * @throws ScoreException if it is empty, larger than {@value #MOST_BYTES} bytes, or none of these
     */
    public static Format of(byte[] file) {
        if (file.length == 0) {
            throw new ScoreException(Reason.of("refusal.format.thisFileIsEmpty"));
        }
        if (file.length > MOST_BYTES) {
            throw new ScoreException(
                    Reason.of("refusal.format.thisFileIsLargerThanMb", "mostBytes", MOST_BYTES / 1024 / 1024));
        }
        return Arrays.stream(values())
                .filter(format -> format.own.isOf(file))
                .findFirst()
                .orElseThrow(
                        () -> new ScoreException(Reason.of("refusal.format.thisIsNoFileOfMusicThatCan", "all", all())));
    }

    private static List<Reason> all() {
        return Arrays.stream(values()).map(Format::words).toList();
    }

    /**
     * Reads {@code file}, of whichever kind.
     *
     * @throws ScoreException if it cannot be read, with a sentence for its owner
     */
    public static Score read(byte[] file, Wishes wishes) {
        try {
            return of(file).own.read(file, wishes);
        } catch (StackOverflowError tooDeep) {
            throw new ScoreException(Reason.of("refusal.format.thisFileNestsTooDeepToBe"));
        }
    }

    /** Builds what reading needs and takes long, so that the first file does not wait for it. */
    public static void prepare() {
        Arrays.stream(values()).forEach(format -> format.own.prepare());
    }

    /** Writes {@code movements} under {@code title}, at {@code tempo} where the file has to say one. */
    public byte[] write(String title, List<Movement> movements, Tempo tempo) {
        return own.write(title, movements, tempo);
    }

    /** Its name. */
    public String title() {
        return own.title();
    }

    /** What it is called where files are asked for. */
    public Reason words() {
        return Reason.of("format." + name());
    }

    /** What the names of its files end in. */
    public String ending() {
        return own.ending();
    }

    /** What the names of files end in that may be read. */
    public List<String> endings() {
        return own.endings();
    }

    /** Its media type. */
    public String mediaType() {
        return own.mediaType();
    }

    /** Whether its times are recorded ones, so that they are drawn to a grid and bar one may be set. */
    public boolean isRecorded() {
        return own.isRecorded();
    }
}

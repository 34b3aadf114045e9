package tachylim.notation.midi;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import tachylim.notation.score.Movement;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreFormat;
import tachylim.notation.score.Wishes;
import tachylim.tempo.Tempo;

/** Standard MIDI files that count beats. */
public final class MidiFormat implements ScoreFormat {

    private static final byte[] START = "MThd".getBytes(StandardCharsets.US_ASCII);

    @Override
    public String title() {
        return "MIDI";
    }

    @Override
    public String ending() {
        return "mid";
    }

    @Override
    public List<String> endings() {
        return List.of("mid", "midi");
    }

    @Override
    public String mediaType() {
        return "audio/midi";
    }

    @Override
    public boolean isRecorded() {
        return true;
    }

    @Override
    public boolean isOf(byte[] file) {
        return file.length >= START.length && Arrays.equals(file, 0, START.length, START, 0, START.length);
    }

    @Override
    public Score read(byte[] file, Wishes wishes) {
        return MidiReader.read(file, wishes);
    }

    @Override
    public byte[] write(String title, List<Movement> movements, Tempo tempo) {
        return MidiWriter.write(movements, tempo);
    }
}

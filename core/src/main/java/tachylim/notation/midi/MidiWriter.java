package tachylim.notation.midi;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.apache.commons.numbers.core.ArithmeticUtils;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.score.Movement;
import tachylim.passage.Articulation;
import tachylim.passage.Direction;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.tempo.Tempo;

/**
 * Writes music as a MIDI file, its movements one after another with a marker and a bar between them.
 *
 * <p>Ticks divide the quarter note so that every onset falls on one, as far as a file can say. Repeats are
 * not played out; grace notes, slurs and marks have no place in it.
 */
public final class MidiWriter {

    private static final int MOST_COUNT = 32;
    private static final int MOST_UNIT = 32;
    private static final int MOST_TICKS = 30_240;
    private static final int PAPER_KEY = 60;
    private static final int LOUD = 104;
    private static final int USUAL = 80;

    private final Track track;
    private final int ticks;
    private Fraction start = Fraction.ZERO;

    private MidiWriter(Track track, int ticks) {
        this.track = track;
        this.ticks = ticks;
    }

    /**
     * The movements as a MIDI file.
     *
     * @param tempo the tempo of each movement's beat
     */
    public static byte[] write(List<Movement> movements, Tempo tempo) {
        int ticks = resolution(movements);
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, ticks);
            MidiWriter writer = new MidiWriter(sequence.createTrack(), ticks);
            for (Movement movement : movements) {
                writer.movement(movement, tempo);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 0, out);
            return out.toByteArray();
        } catch (InvalidMidiDataException | IOException broken) {
            throw new IllegalStateException(broken);
        }
    }

    /** The least common multiple of what the times divide a quarter by; less when a file cannot say it. */
    private static int resolution(List<Movement> movements) {
        long ticks = 1;
        for (Movement movement : movements) {
            Fraction quarters = movement.music().beatUnit().multiply(4);
            for (Note note : movement.music().notes()) {
                for (Fraction place : List.of(note.onset(), note.end())) {
                    ticks = ArithmeticUtils.lcm(ticks, place.multiply(quarters).getDenominator());
                    if (ticks > MOST_TICKS) {
                        return MOST_TICKS;
                    }
                }
            }
        }
        return (int) (ticks < 96 ? ticks * (96 / ticks) : ticks);
    }

    private void movement(Movement movement, Tempo tempo) throws InvalidMidiDataException {
        Passage music = movement.music();
        if (!movement.title().isEmpty()) {
            meta(0x06, movement.title().getBytes(StandardCharsets.UTF_8), Fraction.ZERO, music);
        }
        tempo(music.beatUnit(), tempo.bpm(), Fraction.ZERO, music);
        firstMeter(music);
        key(music.key(), Fraction.ZERO, music);
        for (Direction direction : music.directions()) {
            if (direction instanceof Direction.MeterChange change) {
                meter(change.meter(), change.at(), music);
            } else if (direction instanceof Direction.KeyChange change) {
                key(change.key(), change.at(), music);
            }
        }
        for (Note note : music.notes()) {
            int loudness = note.inflection().articulations().contains(Articulation.ACCENT) ? LOUD : USUAL;
            List<Integer> keys = note.pitches().isEmpty()
                    ? List.of(PAPER_KEY)
                    : note.pitches().stream().map(Pitch::midi).toList();
            for (int key : keys) {
                add(new ShortMessage(ShortMessage.NOTE_ON, 0, Math.min(127, key), loudness), note.onset(), music);
                add(new ShortMessage(ShortMessage.NOTE_OFF, 0, Math.min(127, key), 0), note.end(), music);
            }
        }
        Fraction bars = music.length().divide(music.barBeats());
        start = start.add(music.barBeats()
                .multiply((int) Math.ceil(bars.doubleValue() - 1e-9) + 1)
                .multiply(music.beatUnit()));
    }

    private void tempo(Fraction unit, double bpm, Fraction at, Passage music) throws InvalidMidiDataException {
        int perQuarter = (int) Math.round(60_000_000 / (bpm * unit.doubleValue() * 4));
        meta(0x51, new byte[] {(byte) (perQuarter >> 16), (byte) (perQuarter >> 8), (byte) perQuarter}, at, music);
    }

    /** A pickup gets a meter of its own, since only so does a file tell where bar one begins. */
    private void firstMeter(Passage music) throws InvalidMidiDataException {
        Fraction pickup = music.pickup().multiply(music.beatUnit());
        boolean hasMeter = music.hasPickup()
                && pickup.getDenominator() <= MOST_UNIT
                && Integer.bitCount(pickup.getDenominator()) == 1
                && pickup.getNumerator() <= MOST_COUNT;
        if (hasMeter) {
            int unit = Math.max(music.meter().unit(), pickup.getDenominator());
            int count = pickup.getNumerator() * (unit / pickup.getDenominator());
            meter(new Meter(count, unit), Fraction.ZERO, music);
        }
        meter(music.meter(), hasMeter ? music.pickup() : Fraction.ZERO, music);
    }

    private void meter(Meter meter, Fraction at, Passage music) throws InvalidMidiDataException {
        meta(
                0x58,
                new byte[] {(byte) meter.count(), (byte) Integer.numberOfTrailingZeros(meter.unit()), 24, 8},
                at,
                music);
    }

    private void key(Key key, Fraction at, Passage music) throws InvalidMidiDataException {
        meta(0x59, new byte[] {(byte) key.fifths(), 0}, at, music);
    }

    private void meta(int type, byte[] data, Fraction at, Passage music) throws InvalidMidiDataException {
        add(new MetaMessage(type, data, data.length), at, music);
    }

    private void add(MidiMessage message, Fraction at, Passage music) {
        double quarters = start.add(at.multiply(music.beatUnit())).multiply(4).doubleValue();
        track.add(new MidiEvent(message, Math.round(quarters * ticks)));
    }
}

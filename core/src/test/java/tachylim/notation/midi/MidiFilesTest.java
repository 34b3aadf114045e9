package tachylim.notation.midi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.notation.Format;
import tachylim.notation.Omitted;
import tachylim.notation.score.Grid;
import tachylim.notation.score.Line;
import tachylim.notation.score.LineNote;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.Wishes;
import tachylim.passage.Direction;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Passage;
import tachylim.words.Reason;

/** MIDI files as sequencers and keyboards write them. */
class MidiFilesTest {

    private static final int QUARTER = 480;

    private Sequence sequence;
    private Track track;

    @BeforeEach
    void anEmptyFile() throws InvalidMidiDataException {
        sequence = new Sequence(Sequence.PPQ, QUARTER);
        track = sequence.createTrack();
    }

    private void note(int channel, int key, long from, long to) throws InvalidMidiDataException {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, channel, key, 70), from));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, channel, key, 0), to));
    }

    private void meta(int type, long at, int... data) throws InvalidMidiDataException {
        byte[] bytes = new byte[data.length];
        for (int i = 0; i < data.length; i++) {
            bytes[i] = (byte) data[i];
        }
        track.add(new MidiEvent(new MetaMessage(type, bytes, bytes.length), at));
    }

    private Score read(Grid grid) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, sequence.getTracks().length > 1 ? 1 : 0, out);
        return Format.read(out.toByteArray(), Wishes.on(grid));
    }

    @Test
    void channelsOfATrackAreLinesOfTheirOwn() throws Exception {
        note(0, 72, 0, 480);
        note(1, 48, 0, 960);
        note(0, 74, 480, 960);
        Score score = read(null);
        assertThat(score.lines()).extracting(Line::voice).containsExactly("channel 1", "channel 2");
        assertThat(score.lines().get(0).notes()).hasSize(2);
        assertThat(score.lines().get(1).notes()).extracting(LineNote::duration).containsExactly(Fraction.of(1, 2));
    }

    @Test
    void tracksBearTheNamesTheyWereGiven() throws Exception {
        meta(0x03, 0, 'M', 'a', 'r', 'i', 'm', 'b', 'a');
        note(0, 60, 0, 480);
        track = sequence.createTrack();
        note(0, 62, 0, 480);
        assertThat(read(null).lines()).extracting(Line::part).containsExactly("Marimba", "Track 2");
    }

    @Test
    void keysStruckALittleApartAreAChord() throws Exception {
        note(0, 60, 0, 230);
        note(0, 64, 9, 235);
        note(0, 67, 14, 228);
        note(0, 72, 240, 470);
        assertThat(read(new Grid(2)).lines().get(0).notes())
                .extracting(note -> note.pitches().size())
                .containsExactly(3, 1);
    }

    @Test
    void asRecordedNothingIsDrawnTogether() throws Exception {
        note(0, 60, 0, 230);
        note(0, 64, 9, 235);
        Line line = read(new Grid(0)).lines().get(0);
        assertThat(line.notes())
                .extracting(LineNote::onset)
                .containsExactly(Fraction.ZERO, Fraction.of(9, 4 * QUARTER));
        assertThat(line.notes().get(0).duration())
                .as("ended where the next one starts")
                .isEqualTo(Fraction.of(9, 4 * QUARTER));
    }

    @Test
    void aKeyStruckAgainWhileItIsHeldEndsAndStartsAnew() throws Exception {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 60, 70), 0));
        note(0, 60, 480, 960);
        assertThat(read(null).lines().get(0).notes())
                .extracting(LineNote::onset)
                .containsExactly(Fraction.ZERO, Fraction.of(1, 4));
    }

    @Test
    void aStrikeWithoutForceIsARelease() throws Exception {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 60, 70), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 60, 0), 240));
        assertThat(read(new Grid(2)).lines().get(0).notes())
                .singleElement()
                .extracting(LineNote::duration)
                .isEqualTo(Fraction.of(1, 8));
    }

    @Test
    void metersKeysAndTemposComeAlongWhereTheyChange() throws Exception {
        meta(0x58, 0, 3, 2, 24, 8);
        meta(0x59, 0, -3, 0);
        meta(0x51, 0, 0x07, 0xa1, 0x20);
        meta(0x58, 3 * QUARTER, 6, 3, 24, 8);
        meta(0x59, 3 * QUARTER, 2, 0);
        meta(0x51, 3 * QUARTER, 0x05, 0x16, 0x15);
        for (int i = 0; i < 6; i++) {
            note(0, 63 + i, i * QUARTER, (i + 1) * QUARTER);
        }
        Line line = read(null).lines().get(0);
        assertThat(line.meter()).isEqualTo(new Meter(3, 4));
        assertThat(line.key()).isEqualTo(new Key(-3));
        assertThat(line.notes().get(0).pitches().get(0).letter()).as("E flat").isEqualTo('E');
        assertThat(line.notes().get(3).pitches().get(0).letter()).as("F sharp").isEqualTo('F');
        Fraction change = Fraction.of(3, 4);
        assertThat(line.directions())
                .contains(
                        new Direction.MeterChange(change, new Meter(6, 8)),
                        new Direction.KeyChange(change, new Key(2)),
                        new Direction.TempoMark(Fraction.ZERO, Fraction.of(1, 4), 120),
                        new Direction.TempoMark(change, Fraction.of(1, 4), 180));
        assertThat(line.bars()).isEqualTo(2);
        Passage second = line.passage("2", "2", null);
        assertThat(second.meter()).isEqualTo(new Meter(6, 8));
        assertThat(second.beatUnit()).isEqualTo(Fraction.of(3, 8));
    }

    @ParameterizedTest
    @CsvSource({"1, 480", "2, 240", "3, 160", "4, 120", "6, 80", "8, 60"})
    void theGridIsTheCoarsestThatThePlayingLiesCloseTo(int perQuarter, int ticks) throws Exception {
        for (int i = 0; i < 12; i++) {
            int hurried = i % 3 == 0 || i == 0 ? 0 : i % 3 == 1 ? -5 : 6;
            note(0, 60 + i, Math.max(0, i * ticks + hurried), (i + 1) * ticks - 8);
        }
        assertThat(read(null).warnings())
                .containsExactly(Reason.of("read.drawn", "grid", new Grid(perQuarter).title()));
    }

    @Test
    void notesThatAGridLaysOnOneAnotherAreCounted() throws Exception {
        for (int i = 0; i < 8; i++) {
            note(0, 60, i * 60L, i * 60L + 50);
        }
        Score score = read(new Grid(2));
        assertThat(score.lines().get(0).notes()).hasSizeLessThan(8);
        assertThat(Omitted.in(score.leftOut()))
                .containsExactly(
                        "gridNotes: " + (8 - score.lines().get(0).notes().size()));
        assertThat(read(new Grid(8)).leftOut()).isEmpty();
    }

    @Test
    void aKeyAboveTheHighestIsCountedAndTheOthersAreRead() throws Exception {
        note(0, 60, 0, 480);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 0, out);
        byte[] file = out.toByteArray();
        // A second note whose key is 200, by hand: no library writes one.
        byte[] wrong = new byte[file.length + 8];
        System.arraycopy(file, 0, wrong, 0, 22);
        System.arraycopy(new byte[] {0, (byte) 0x90, (byte) 200, 70, 10, (byte) 0x80, (byte) 200, 0}, 0, wrong, 22, 8);
        System.arraycopy(file, 22, wrong, 30, file.length - 22);
        wrong[21] += 8;
        try {
            Score score = Format.read(wrong, Wishes.NONE);
            assertThat(score.lines().get(0).notes()).hasSize(1);
            assertThat(Omitted.in(score.leftOut())).singleElement().asString().startsWith("keys: ");
        } catch (ScoreException refused) {
            assertThat(refused).hasMessageContaining("damaged");
        }
    }

    @Test
    void farNotesWithoutAGridAreReadOrRefusedInASentence() throws Exception {
        sequence = new Sequence(Sequence.PPQ, 32_767);
        track = sequence.createTrack();
        for (int i = 0; i < 40; i++) {
            note(0, 60, i * 16_000_003L, i * 16_000_003L + 7);
        }
        try {
            Line line = read(new Grid(0)).lines().get(0);
            line.passage(line.lastBar(), line.lastBar(), null);
        } catch (ScoreException | ArithmeticException | IllegalArgumentException refused) {
            assertThat(refused.getMessage()).isNotBlank();
        }
    }

    @Test
    void whatHasNoPlaceInAPassageIsCounted() throws Exception {
        note(0, 60, 0, 480);
        track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 64, 127), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 64, 0), 400));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, 12, 0), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.PITCH_BEND, 0, 0, 70), 100));
        meta(0x05, 0, 'l', 'a');
        assertThat(Omitted.in(read(null).leftOut()))
                .containsExactlyInAnyOrder("controllers: 2", "sounds: 1", "pitchBends: 1", "words: 1");
    }

    @Test
    void aFileWithoutNotesOrInFilmFramesGetsASentence() throws Exception {
        assertThatThrownBy(() -> read(null))
                .isInstanceOf(ScoreException.class)
                .hasMessageContaining("refusal.midiReader.thisMidiFileHoldsNoNote");
        sequence = new Sequence(Sequence.SMPTE_25, 40);
        track = sequence.createTrack();
        note(0, 60, 0, 480);
        assertThatThrownBy(() -> read(null))
                .isInstanceOf(ScoreException.class)
                .hasMessageContaining("refusal.midiReader.thisMidiFileCountsFilm");
    }
}

package tachylim.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.passage.InstrumentFamily;
import tachylim.take.Measured.Suggested;
import tachylim.take.Measured.Why;

/** Takes of a made-up wind player: eleven tones, five a second, after a second and a half of a quiet room. */
class ListenerTest {

    private static final double RATE = 22_050;
    private static final double START = 1.5;
    private static final double TEMPO = 150;
    private static final int[] MELODY = {72, 74, 76, 77, 79, 77, 76, 74, 72, 76, 79};

    private static List<Asked> notes() {
        List<Asked> notes = new ArrayList<>();
        for (int i = 0; i < MELODY.length; i++) {
            notes.add(new Asked(i / 2.0, 0.5, List.of(MELODY[i])));
        }
        return notes;
    }

    /** When each note is due. */
    private static double[] due() {
        double[] due = new double[MELODY.length];
        for (int i = 0; i < due.length; i++) {
            due[i] = START + i * 0.2;
        }
        return due;
    }

    private static Take take(float[] samples) {
        return new Take(samples, RATE, notes(), TEMPO, START, List.of(), InstrumentFamily.WIND);
    }

    /** Tones that begin when they are played and last until the next, in a quiet room. */
    private static float[] played(double[] at) {
        return played(MELODY, at);
    }

    private static float[] played(int[] pitches, double[] at) {
        float[] samples = room(0.0008, 4.4);
        for (int note = 0; note < at.length; note++) {
            double end = note + 1 < at.length ? at[note + 1] : at[note] + 0.2;
            if (Double.isNaN(at[note]) || Double.isNaN(end)) {
                continue;
            }
            double frequency = 440 * Math.pow(2, (pitches[note] - 69) / 12.0);
            for (int i = (int) (at[note] * RATE); i < end * RATE && i < samples.length; i++) {
                double since = i / RATE - at[note];
                double left = end - i / RATE;
                double level = 0.2 * Math.min(1, since / 0.008) * Math.min(1, left / 0.008);
                for (int harmonic = 1; harmonic <= 5; harmonic++) {
                    samples[i] += (float) (level / harmonic * Math.sin(2 * Math.PI * harmonic * frequency * since));
                }
            }
        }
        return samples;
    }

    private static float[] room(double level, double seconds) {
        Random random = new Random(5);
        float[] samples = new float[(int) (seconds * RATE)];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (level * random.nextGaussian());
        }
        return samples;
    }

    @Test
    void anEvenPassIsCleanAndItsNotesAreWhereTheyWere() {
        Measured measured = Listener.listen(take(played(due())));
        assertThat(measured.verdict()).isEqualTo(Suggested.CLEAN);
        assertThat(measured.missing()).isEmpty();
        assertThat(measured.onsets()).extracting(Onset::note).containsExactly(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10);
        double constant = measured.onsets().get(5).seconds() - due()[5];
        for (Onset onset : measured.onsets()) {
            assertThat(onset.seconds() - constant).isCloseTo(due()[onset.note()], within(0.01));
        }
        assertThat(measured.tempoRatio()).isCloseTo(1, within(0.01));
        assertThat(measured.evenness().orElseThrow()).isLessThan(0.03);
    }

    /** A clarinet in B flat sounds a tone lower than its part is written, a guitar an octave, a tenor a ninth. */
    @ParameterizedTest
    @ValueSource(ints = {-14, -12, -2, -1, 3})
    void whatSoundsOtherThanItIsWrittenIsHeardAsItIsAsked(int semitones) {
        int[] sounding = Arrays.stream(MELODY).map(pitch -> pitch + semitones).toArray();
        double[] at = due();
        assertThat(Listener.listen(take(played(sounding, at))).verdict()).isEqualTo(Suggested.CLEAN);
        at[6] += 0.06;
        Measured late = Listener.listen(take(played(sounding, at)));
        assertThat(late.why()).isEqualTo(Why.SLIPPED);
        assertThat(late.where()).hasValue(6);
        assertThat(Listener.listen(take(played(sounding, Arrays.copyOf(due(), 7))))
                        .why())
                .isEqualTo(Why.LEFT_OFF);
    }

    /** Most of such a take is silence, but what was played of it is loud enough to be judged. */
    @Test
    void whoLeavesOffAtOnceIsHeardAllTheSame() {
        assertThat(Listener.listen(take(played(Arrays.copyOf(due(), 3)))).why()).isEqualTo(Why.LEFT_OFF);
    }

    /** Every third note is struck softly into two loud ones that ring on over it. */
    @Test
    void softNotesAreHeardThroughWhatRingsOn() {
        float[] samples = room(0.0008, 6);
        for (int note = 0; note < MELODY.length; note++) {
            double frequency = 440 * Math.pow(2, (MELODY[note] - 69) / 12.0);
            double level = note % 3 == 2 ? 0.05 : 0.25;
            for (int i = (int) (due()[note] * RATE); i < samples.length; i++) {
                double since = i / RATE - due()[note];
                samples[i] += (float) (level
                        * Math.min(1, since / 0.003)
                        * Math.exp(-since / 0.8)
                        * (Math.sin(2 * Math.PI * frequency * since)
                                + Math.exp(-since / 0.05) * Math.sin(8 * Math.PI * frequency * since)));
            }
        }
        Take take = new Take(samples, RATE, notes(), TEMPO, START, List.of(), InstrumentFamily.MALLET);
        Measured measured = Listener.listen(take);
        assertThat(measured.onsets())
                .filteredOn(onset -> onset.note() % 3 == 2)
                .hasSize(3)
                .allSatisfy(onset -> assertThat(onset.seconds()).isCloseTo(due()[onset.note()], within(0.02)));
        assertThat(measured.missing()).isEmpty();
    }

    /** It sounds as another note of the passage does, but nobody went there and back. */
    @ParameterizedTest
    @ValueSource(ints = {3, 4, 6})
    void aWrongNoteIsWrongWhereItIs(int note) {
        int[] sounding = MELODY.clone();
        sounding[note] = 72;
        Measured measured = Listener.listen(take(played(sounding, due())));
        assertThat(measured.verdict()).isEqualTo(Suggested.ROUGH);
        assertThat(measured.where()).hasValue(note);
        assertThat(measured.onsets()).noneMatch(Onset::stopped);
    }

    @Test
    void aLateNoteSlipsAtItsPlace() {
        double[] at = due();
        at[6] += 0.06;
        Measured measured = Listener.listen(take(played(at)));
        assertThat(measured.verdict()).isEqualTo(Suggested.ROUGH);
        assertThat(measured.why()).isEqualTo(Why.SLIPPED);
        assertThat(measured.where()).hasValue(6);
        Measured.Transition late = measured.transitions().stream()
                .filter(one -> one.to() == 6)
                .findFirst()
                .orElseThrow();
        assertThat(late.off()).isCloseTo(0.06, within(0.01));
    }

    /** Three times through, with three seconds between: nothing is missed in them, and nobody goes back. */
    @Test
    void restsBetweenRoundsArePlayedThrough() {
        int rounds = 3;
        double round = 5.2;
        List<Asked> asked = new ArrayList<>();
        int[] notes = new int[rounds * MELODY.length];
        double[] at = new double[notes.length];
        for (int i = 0; i < notes.length; i++) {
            notes[i] = i % MELODY.length;
            at[i] = START + i / MELODY.length * round + notes[i] * 0.2;
            asked.add(new Asked((at[i] - START) / 0.4, 0.5, List.of(MELODY[notes[i]])));
        }
        float[] samples = room(0.0008, START + rounds * round);
        for (int first = 0; first < notes.length; first += MELODY.length) {
            float[] once = played(due());
            int shift = (int) ((at[first] - START) * RATE);
            for (int i = 0; i < once.length && shift + i < samples.length; i++) {
                samples[shift + i] += once[i];
            }
        }
        Take take = new Take(samples, RATE, asked, TEMPO, START, List.of(), InstrumentFamily.WIND);
        Measured measured = Listener.listen(take);
        assertThat(measured.verdict()).isEqualTo(Suggested.CLEAN);
        assertThat(measured.onsets())
                .extracting(Onset::note)
                .containsExactlyElementsOf(
                        IntStream.range(0, notes.length).boxed().toList());
    }

    @Test
    void aStopBreaksThePassWhereItIs() {
        double[] at = due();
        for (int note = 5; note < at.length; note++) {
            at[note] += 0.8;
        }
        float[] samples = played(at);
        Arrays.fill(samples, (int) ((due()[4] + 0.2) * RATE), (int) (at[5] * RATE), 0);
        Measured measured = Listener.listen(take(samples));
        assertThat(measured.verdict()).isEqualTo(Suggested.BROKE);
        assertThat(measured.where()).hasValue(5);
    }

    @Test
    void whatIsLeftOffBreaksIt() {
        double[] at = Arrays.copyOf(due(), 8);
        Measured measured = Listener.listen(take(played(at)));
        assertThat(measured.verdict()).isEqualTo(Suggested.BROKE);
        assertThat(measured.why()).isEqualTo(Why.LEFT_OFF);
        assertThat(measured.missing()).contains(9, 10);
    }

    @Test
    void whoGoesBackAndGivesUpIsHeardToGoBack() {
        int[] notes = {0, 1, 2, 3, 4, 5, 6, 7, 2, 3, 4, 5};
        double[] at = Arrays.copyOf(due(), notes.length);
        for (int i = 8; i < at.length; i++) {
            at[i] = START + i * 0.2 + 0.3;
        }
        Measured measured = Listener.listen(
                take(played(Arrays.stream(notes).map(note -> MELODY[note]).toArray(), at)));
        assertThat(measured.verdict()).isEqualTo(Suggested.BROKE);
        assertThat(measured.why()).isEqualTo(Why.WENT_BACK);
        assertThat(measured.where()).hasValue(2);
    }

    @Test
    void ofSilenceNoiseAndOtherMusicNothingIsClean() {
        assertThat(Listener.listen(take(new float[(int) (4 * RATE)])).verdict()).isEqualTo(Suggested.CANNOT_TELL);
        assertThat(Listener.listen(take(room(0.05, 4))).verdict()).isNotEqualTo(Suggested.CLEAN);
        float[] low = new float[(int) (4.4 * RATE)];
        for (int i = (int) (START * RATE); i < low.length; i++) {
            low[i] = (float) (0.2 * Math.sin(2 * Math.PI * 146.8 * i / RATE));
        }
        assertThat(Listener.listen(take(low)).verdict()).isNotEqualTo(Suggested.CLEAN);
    }

    /** In the same rhythm; what is struck may be drums, whose pitches are names, but not where it sounds at other pitches. */
    @ParameterizedTest
    @EnumSource(names = {"WIND", "MALLET", "KEYBOARD"})
    void anotherTuneIsNotThisOne(InstrumentFamily family) {
        for (int seed = 0; seed < 8; seed++) {
            Random random = new Random(seed);
            int[] other =
                    Arrays.stream(MELODY).map(pitch -> 66 + random.nextInt(19)).toArray();
            Take take = new Take(played(other, due()), RATE, notes(), TEMPO, START, List.of(), family);
            assertThat(Listener.listen(take).why()).as("tune %d", seed).isEqualTo(Why.NOT_THIS);
        }
    }

    @Test
    void aVerdictIsAsSureAsItsReasonIsOftenRight() {
        double[] late = due();
        late[6] += 0.06;
        assertThat(Listener.listen(take(played(due()))).sure()).isEqualTo(0.96);
        assertThat(Listener.listen(take(played(late))).sure()).isEqualTo(0.85);
        assertThat(Listener.listen(take(room(0, 4.4))).sure()).isZero();
    }

    @ParameterizedTest
    @ValueSource(floats = {0.05f, 3})
    void loudnessChangesNothing(float factor) {
        float[] samples = played(due());
        float[] other = samples.clone();
        for (int i = 0; i < other.length; i++) {
            other[i] = factor * other[i] + 0.01f;
        }
        Measured one = Listener.listen(take(samples));
        Measured scaled = Listener.listen(take(other));
        assertThat(scaled.verdict()).isEqualTo(one.verdict());
        for (int note = 0; note < one.onsets().size(); note++) {
            assertThat(scaled.onsets().get(note).seconds())
                    .isCloseTo(one.onsets().get(note).seconds(), within(0.002));
        }
    }

    @Test
    void aLaterTakeIsMeasuredLater() {
        float[] samples = played(due());
        float[] later = new float[samples.length + (int) (0.1 * RATE)];
        System.arraycopy(room(0.0008, 0.1), 0, later, 0, (int) (0.1 * RATE));
        System.arraycopy(samples, 0, later, (int) (0.1 * RATE), samples.length);
        Measured one = Listener.listen(take(samples));
        Measured moved =
                Listener.listen(new Take(later, RATE, notes(), TEMPO, START + 0.1, List.of(), InstrumentFamily.WIND));
        assertThat(moved.verdict()).isEqualTo(one.verdict());
        for (int note = 0; note < one.onsets().size(); note++) {
            assertThat(moved.onsets().get(note).seconds() - 0.1)
                    .isCloseTo(one.onsets().get(note).seconds(), within(0.005));
        }
    }

    @Test
    void brokenSamplesAndOtherRatesAreListenedToAllTheSame() {
        float[] samples = played(due());
        samples[100] = Float.NaN;
        samples[20_000] = Float.POSITIVE_INFINITY;
        assertThat(Listener.listen(take(samples)).onsets()).hasSizeBetween(9, 13);
        float[] coarse = new float[(int) (samples.length * 8_000 / RATE)];
        for (int i = 0; i < coarse.length; i++) {
            coarse[i] = samples[(int) (i * RATE / 8_000)];
        }
        assertThat(Listener.listen(new Take(coarse, 8_000, notes(), TEMPO, START, List.of(), InstrumentFamily.WIND))
                        .onsets())
                .isNotEmpty();
        assertThat(Listener.listen(take(new float[10])).verdict()).isEqualTo(Suggested.CANNOT_TELL);
    }

    @Test
    void whatAsksForNothingIsNoTake() {
        assertThatThrownBy(() -> new Take(new float[1], RATE, List.of(), TEMPO, 0, List.of(), InstrumentFamily.WIND))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Take(new float[1], RATE, notes(), 0, 0, List.of(), InstrumentFamily.WIND))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Take(new float[1], 100, notes(), TEMPO, 0, List.of(), InstrumentFamily.WIND))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** A count-in of four clicks, heard late by {@code late} seconds and as loud as the playing; then one with each beat. */
    private static float[] withClicks(float[] samples, double late) {
        for (double click : CLICKS) {
            int from = (int) Math.round((click + late) * RATE);
            for (int i = 0; i < 0.04 * RATE && from + i < samples.length; i++) {
                double since = i / RATE;
                samples[from + i] += (float) (0.2 * Math.cos(2 * Math.PI * 1_760 * since) * Math.exp(-140 * since));
            }
        }
        return samples;
    }

    private static final List<Double> CLICKS = List.of(0.1, 0.45, 0.8, 1.15, 1.5, 1.9, 2.3, 2.7, 3.1, 3.5);

    private static Take clicked(float[] samples) {
        return new Take(samples, RATE, notes(), TEMPO, START, CLICKS, InstrumentFamily.WIND);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.004, 0.031, 0.12, 0.29})
    void theClickIsFoundHoweverLateItIsHeardAndDisturbsNothing(double late) {
        double[] at = Arrays.stream(due()).map(due -> due + late).toArray();
        Measured measured = Listener.listen(clicked(withClicks(played(at), late)));
        assertThat(measured.late().orElseThrow()).isCloseTo(late, within(0.002));
        assertThat(measured.verdict()).isEqualTo(Suggested.CLEAN);
        assertThat(measured.onsets()).hasSize(MELODY.length);
    }

    @Test
    void noClickIsHeardWhereNoneSounds() {
        assertThat(Listener.listen(clicked(played(due()))).late()).isEmpty();
        assertThat(Listener.listen(take(played(due()))).late()).isEmpty();
    }

    @Test
    void whatIsStruckWithoutItsPitchesIsHeardAsARhythm() {
        float[] samples = room(0.0008, 4.4);
        Random random = new Random(3);
        for (double at : due()) {
            for (int i = (int) (at * RATE); i < (at + 0.05) * RATE; i++) {
                samples[i] += (float) (0.3 * random.nextGaussian() * Math.exp(-90 * (i / RATE - at)));
            }
        }
        Measured measured =
                Listener.listen(new Take(samples, RATE, notes(), TEMPO, START, List.of(), InstrumentFamily.MALLET));
        assertThat(measured.verdict()).isEqualTo(Suggested.CLEAN);
        assertThat(measured.wrong()).isEmpty();
    }

    /** Nine strokes of ten that come an interval late: only who knows how late one hears can tell that the last was left out. */
    @Test
    void whichStrokeIsLeftOutIsToldByHowLateOneUsuallyHears() {
        float[] samples = room(0.0008, 7);
        Random random = new Random(3);
        List<Asked> strokes = new ArrayList<>();
        for (int stroke = 0; stroke < 10; stroke++) {
            strokes.add(new Asked(stroke, 1, List.of()));
            double at = START + (1 + stroke) * 0.4;
            for (int i = (int) (at * RATE); stroke < 9 && i < (at + 0.05) * RATE; i++) {
                samples[i] += (float) (0.3 * random.nextGaussian() * Math.exp(-90 * (i / RATE - at)));
            }
        }
        Take take = new Take(samples, RATE, strokes, 150, START, List.of(), InstrumentFamily.MALLET);
        assertThat(Listener.listen(take, List.of(strokes), OptionalDouble.of(0.38))
                        .get(0)
                        .missing())
                .containsExactly(9);
        assertThat(Listener.listen(take, List.of(strokes), OptionalDouble.of(0.02))
                        .get(0)
                        .missing())
                .containsExactly(0);
    }

    @Test
    void eachPassOfASetIsMeasuredByItself() {
        int rounds = 3;
        double round = 12 * 0.2;
        float[] all = room(0.0008, START + rounds * round + 1);
        List<List<Asked>> passes = new ArrayList<>();
        for (int pass = 0; pass < rounds; pass++) {
            double[] at = due();
            // The second comes late to one note, and goes on from there in time.
            at[5] += pass == 1 ? 0.09 : 0;
            float[] one = played(at);
            int from = (int) Math.round(pass * round * RATE);
            for (int i = (int) (1.4 * RATE); i < one.length && from + i < all.length && i < (START + 2.3) * RATE; i++) {
                all[from + i] += one[i];
            }
            double beat = pass * round * TEMPO / 60;
            passes.add(notes().stream()
                    .map(note -> new Asked(note.beat() + beat, note.beats(), note.pitches()))
                    .toList());
        }
        List<Measured> measured = Listener.listen(take(all), passes, OptionalDouble.empty());
        assertThat(measured)
                .extracting(Measured::verdict)
                .containsExactly(Suggested.CLEAN, Suggested.ROUGH, Suggested.CLEAN);
        assertThat(measured.get(1).where()).hasValue(5);
        assertThat(measured.get(2).onsets().get(0).seconds()).isCloseTo(START + 2 * round, within(0.01));
    }
}

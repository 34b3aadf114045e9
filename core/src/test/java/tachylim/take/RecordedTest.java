package tachylim.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.passage.InstrumentFamily;
import tachylim.take.Measured.Suggested;
import tachylim.take.Recorded.Found;

/** Seven passes of eleven tones in one recording, some right after another and some after a pause. */
class RecordedTest {

    private static final double TEMPO = 150;
    private static final double INTERVAL = 0.2;
    private static final int[] MELODY = {72, 74, 76, 77, 79, 77, 76, 74, 72, 76, 79};
    private static final double[] BEGINS = {1.3, 5.1, 7.5, 13, 15.4, 20, 24.1};
    private static final int UNEVEN = 2;
    private static final int BROKEN = 4;

    private final List<Asked> notes = new ArrayList<>();

    RecordedTest() {
        for (int i = 0; i < MELODY.length; i++) {
            notes.add(new Asked(i / 2.0, 0.5, List.of(MELODY[i])));
        }
    }

    private Take take(float[] samples, double rate) {
        return new Take(samples, rate, notes, TEMPO, 0, List.of(), InstrumentFamily.WIND);
    }

    private static float[] recording(double rate, double click) {
        Random random = new Random(5);
        float[] samples = new float[(int) (28 * rate)];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (0.0008 * random.nextGaussian());
        }
        for (int pass = 0; pass < BEGINS.length; pass++) {
            int played = pass == BROKEN ? 6 : MELODY.length;
            for (int note = 0; note < played; note++) {
                double late = pass == UNEVEN && note == 6 ? 0.06 : 0;
                tone(samples, rate, MELODY[note], BEGINS[pass] + note * INTERVAL + late, INTERVAL - late);
            }
        }
        // On the beats of the first pass, half a beat of which is an interval.
        for (double at = BEGINS[0] % (2 * INTERVAL); click > 0 && at < 28; at += 2 * INTERVAL) {
            for (int i = 0; i < 0.03 * rate; i++) {
                int place = (int) (at * rate) + i;
                if (place < samples.length) {
                    samples[place] +=
                            (float) (click * Math.exp(-i / (0.005 * rate)) * Math.sin(i * 2 * Math.PI * 1_320 / rate));
                }
            }
        }
        return samples;
    }

    private static void tone(float[] samples, double rate, int pitch, double at, double lasts) {
        double frequency = 440 * Math.pow(2, (pitch - 69) / 12.0);
        for (int i = (int) (at * rate); i < (at + lasts) * rate && i < samples.length; i++) {
            double since = i / rate - at;
            double level = 0.2 * Math.min(1, since / 0.008) * Math.min(1, (at + lasts - i / rate) / 0.008);
            for (int harmonic = 1; harmonic <= 5; harmonic++) {
                samples[i] += (float) (level / harmonic * Math.sin(2 * Math.PI * harmonic * frequency * since));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.1})
    void sevenPassesAreFoundAndEachIsMeasuredByItself(double click) {
        List<Found> found = Recorded.passes(take(recording(22_050, click), 22_050));
        assertThat(found).hasSize(BEGINS.length);
        for (int pass = 0; pass < BEGINS.length; pass++) {
            assertThat(found.get(pass).seconds()).isCloseTo(BEGINS[pass], within(0.03));
            assertThat(found.get(pass).measured().verdict())
                    .as("pass " + pass)
                    .isEqualTo(pass == BROKEN ? Suggested.BROKE : pass == UNEVEN ? Suggested.ROUGH : Suggested.CLEAN);
        }
    }

    @Test
    void passesThatSoundOtherThanTheyAreWrittenAreFound() {
        Take take = take(recording(22_050, 0), 22_050);
        List<Found> found = Recorded.passes(take.transposed(2));
        assertThat(found).hasSize(BEGINS.length);
        assertThat(found.get(UNEVEN).measured().where()).hasValue(6);
        assertThat(found.get(0).measured().verdict()).isEqualTo(Suggested.CLEAN);
    }

    @Test
    void aPassThatStopsAndGoesOnIsOne() {
        double rate = 22_050;
        float[] samples = new float[(int) (12 * rate)];
        for (int note = 0; note < MELODY.length; note++) {
            tone(samples, rate, MELODY[note], 1 + note * INTERVAL + (note < 6 ? 0 : 0.9), INTERVAL);
            tone(samples, rate, MELODY[note], 7 + note * INTERVAL, INTERVAL);
        }
        List<Found> found = Recorded.passes(take(samples, rate));
        assertThat(found).hasSize(2);
        assertThat(found.get(0).measured().why()).isEqualTo(Measured.Why.STOPPED);
        assertThat(found.get(0).measured().where()).hasValue(6);
        assertThat(found.get(1).measured().verdict()).isEqualTo(Suggested.CLEAN);
    }

    @Test
    void aRecordingOfSomethingElseHasNone() {
        float[] samples = new float[20 * 22_050];
        for (int i = 0; i < 40; i++) {
            tone(samples, 22_050, 40 + 7 * i % 23, i * 0.47, 0.4);
        }
        assertThat(Recorded.passes(take(samples, 22_050))).isEmpty();
        assertThat(Recorded.passes(take(new float[22_050], 22_050))).isEmpty();
        assertThat(Recorded.passes(take(new float[0], 22_050))).isEmpty();
    }

    @Test
    void whatLastsTooLongIsRefused() {
        float[] long_ = new float[(int) (Recorded.LONGEST * 8_000) + 1];
        assertThatThrownBy(() -> Recorded.passes(take(long_, 8_000))).isInstanceOf(IllegalArgumentException.class);
        Take slow = new Take(new float[8_000], 8_000, notes, 1.5, 0, List.of(), InstrumentFamily.WIND);
        assertThatThrownBy(() -> Recorded.passes(slow)).isInstanceOf(IllegalArgumentException.class);
    }
}

package tachylim.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.passage.InstrumentFamily;
import tachylim.take.Measured.Suggested;

/** What rooms, cables and converters do to a take of sixteen plucked notes moves its figures as it should, and makes nothing clean. */
class DisturbedTest {

    private static final double START = 1.2;
    private static final double INTERVAL = 0.16;
    private static final int LATE = 9;

    private static List<Asked> notes() {
        List<Asked> notes = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            notes.add(new Asked(i / 4.0, 0.25, List.of(pitch(i))));
        }
        return notes;
    }

    private static int pitch(int i) {
        return 60 + new int[] {0, 4, 7, 12, 11, 7, 5, 2}[i % 8] + i / 8;
    }

    private static Take take(float[] samples, double rate) {
        return new Take(samples, rate, notes(), 15 / INTERVAL, START, List.of(), InstrumentFamily.PLUCKED);
    }

    /** Plucked tones; one of them late by so much, all of them so much later and at so many times their intervals. */
    private static float[] played(double rate, double late, double later, double stretch) {
        Random random = new Random(11);
        float[] samples = new float[(int) (5.5 * rate)];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (0.0006 * random.nextGaussian());
        }
        for (int note = 0; note < 16; note++) {
            double at = START + later + note * INTERVAL * stretch + (note == LATE ? late : 0);
            double frequency = 440 * Math.pow(2, (pitch(note) - 69) / 12.0);
            for (int i = 0; i < 0.5 * rate; i++) {
                int place = (int) (at * rate) + i;
                double since = i / rate;
                double level = 0.2 * Math.min(1, since / 0.003) * Math.exp(-since / 0.13);
                for (int partial = 1; partial <= 5 && place < samples.length; partial++) {
                    samples[place] += (float) (level / partial * Math.sin(2 * Math.PI * partial * frequency * since));
                }
            }
        }
        return samples;
    }

    private static final double RATE = 22_050;

    private static Measured measured(float[] samples) {
        return Listener.listen(take(samples, RATE));
    }

    private static double offAt(Measured measured, int note) {
        return measured.transitions().stream()
                .filter(one -> one.to() == note)
                .mapToDouble(Measured.Transition::off)
                .findFirst()
                .orElse(Double.NaN);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.05, 0.13, 0.3})
    void playedLaterAllOnsetsAreSoMuchLaterAndNothingElseMoves(double later) {
        Measured here = measured(played(RATE, 0.06, 0, 1));
        Measured there = measured(played(RATE, 0.06, later, 1));
        assertThat(there.verdict()).isEqualTo(here.verdict()).isEqualTo(Suggested.ROUGH);
        assertThat(there.where()).hasValue(LATE);
        for (int i = 0; i < here.onsets().size(); i++) {
            assertThat(there.onsets().get(i).seconds() - here.onsets().get(i).seconds())
                    .isCloseTo(later, within(0.004));
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.94, 0.97, 1.03, 1.06})
    void playedSlowerTheTempoIsSlowerAndTheIntervalsStayEven(double stretch) {
        Measured measured = measured(played(RATE, 0, 0, stretch));
        assertThat(measured.tempoRatio()).isCloseTo(1 / stretch, within(0.006));
        assertThat(measured.evenness().orElseThrow()).isLessThan(0.03);
        assertThat(measured.missing()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.04, 0.06, 0.08})
    void aLateNoteIsAsLateAsItWas(double late) {
        assertThat(offAt(measured(played(RATE, late, 0, 1)), LATE)).isCloseTo(late, within(0.006));
    }

    /** Decibels of the noise under the playing. */
    @ParameterizedTest
    @CsvSource({"0.002, 16", "0.006, 16", "0.02, 15"})
    void noiseTakesNoNotesAway(double level, int least) {
        Random random = new Random(3);
        float[] samples = played(RATE, 0.07, 0, 1);
        for (int i = 0; i < samples.length; i++) {
            samples[i] += (float) (level * random.nextGaussian());
        }
        Measured measured = measured(samples);
        assertThat(measured.onsets().stream().map(Onset::note).distinct().count())
                .isGreaterThanOrEqualTo(least);
        assertThat(measured.verdict()).isNotEqualTo(Suggested.CLEAN);
        assertThat(offAt(measured, LATE)).isCloseTo(0.07, within(0.01));
    }

    @ParameterizedTest
    @ValueSource(floats = {0.4f, 0.15f, 0.05f})
    void clippingMovesNoOnset(float most) {
        float[] samples = played(RATE, 0.07, 0, 1);
        for (int i = 0; i < samples.length; i++) {
            samples[i] = Math.max(-most, Math.min(most, samples[i]));
        }
        Measured measured = measured(samples);
        assertThat(measured.verdict()).isNotEqualTo(Suggested.CLEAN);
        assertThat(offAt(measured, LATE)).isCloseTo(0.07, within(0.012));
    }

    @ParameterizedTest
    @ValueSource(floats = {-0.5f, 0.1f, 0.9f})
    void whatStandsStillIsNotHeard(float level) {
        float[] moved = played(RATE, 0.07, 0, 1);
        for (int i = 0; i < moved.length; i++) {
            moved[i] += level;
        }
        Measured here = measured(played(RATE, 0.07, 0, 1));
        Measured there = measured(moved);
        assertThat(there.verdict()).isEqualTo(here.verdict());
        assertThat(there.evenness().orElseThrow()).isCloseTo(here.evenness().orElseThrow(), within(0.004));
    }

    @ParameterizedTest
    @ValueSource(doubles = {1.5, 2.2, 2.9})
    void aSecondThatWasLostIsNeverClean(double from) {
        float[] samples = played(RATE, 0, 0, 1);
        Arrays.fill(samples, (int) (from * RATE), (int) ((from + 1) * RATE), 0);
        assertThat(measured(samples).verdict()).isNotEqualTo(Suggested.CLEAN);
    }

    /** As of a telephone, of usual converters, and of what is best. */
    @ParameterizedTest
    @ValueSource(doubles = {8_000, 16_000, 44_100, 48_000, 96_000})
    void anyRateHearsTheLateNote(double rate) {
        Measured measured = Listener.listen(take(played(rate, 0.07, 0, 1), rate));
        assertThat(measured.verdict()).isNotEqualTo(Suggested.CLEAN);
        assertThat(offAt(measured, LATE)).isCloseTo(0.07, within(0.012));
    }

    /** A saturated, a silent and an endless channel, and one of what is no number. */
    @Test
    void nothingThatIsNoPlayingIsClean() {
        int length = (int) (5 * RATE);
        float[] square = new float[length];
        float[] impulses = new float[length];
        float[] none = new float[length];
        for (int i = 0; i < length; i++) {
            square[i] = i / 50 % 2 == 0 ? 1 : -1;
            impulses[i] = i % 3_528 == 0 ? 1 : 0;
            none[i] = i % 2 == 0 ? Float.NaN : Float.POSITIVE_INFINITY;
        }
        for (float[] samples : List.of(square, none, new float[length], new float[1], new float[0])) {
            assertThat(measured(samples).verdict()).isNotEqualTo(Suggested.CLEAN);
        }
        assertThat(measured(impulses).onsets()).hasSizeLessThanOrEqualTo(40);
    }
}

package tachylim.take;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.passage.InstrumentFamily;
import tachylim.take.Measured.Suggested;
import tachylim.take.Measured.Transition;
import tachylim.take.Measured.Why;

/** What follows from when notes began, and from how exactly that is known: sixteen even notes, 320 ms each. */
class JudgeTest {

    private static final int NOTES = 16;
    private static final double INTERVAL = 0.32;
    private static final double EXACT = 0.002;
    private static final double COARSE = 0.03;

    private final double[] at =
            IntStream.range(0, NOTES).mapToDouble(i -> 1 + i * INTERVAL).toArray();

    private Measured judged(double sigma, Set<Integer> missing, int stoppedBefore) {
        List<Asked> notes = new ArrayList<>();
        List<Onset> onsets = new ArrayList<>();
        for (int i = 0; i < NOTES; i++) {
            notes.add(new Asked(i / 2.0, 0.5, List.of(60 + i)));
            if (!missing.contains(i)) {
                onsets.add(new Onset(i, at[i], sigma, 0, false, i == stoppedBefore));
            }
        }
        double tempo = 60 / (2 * INTERVAL);
        return Listener.judged(
                new Take(new float[0], 44_100, notes, tempo, 1, List.of(), InstrumentFamily.PLUCKED),
                onsets,
                List.of());
    }

    private void later(int from, double seconds) {
        for (int i = from; i < NOTES; i++) {
            at[i] += seconds;
        }
    }

    @Test
    void whatHurriesAfterALateNoteIsOfTheSameSlip() {
        later(9, 0.24);
        later(10, -0.08);
        later(11, -0.08);
        later(12, -0.08);
        Measured measured = judged(EXACT, Set.of(), -1);
        assertThat(measured.verdict()).isEqualTo(Suggested.ROUGH);
        assertThat(measured.where()).hasValue(9);
        assertThat(measured.transitions().stream().filter(Transition::slipped)).hasSize(1);
    }

    @Test
    void whatHurriesFurtherThanThatSlipsOnceMore() {
        later(12, 0.08);
        later(13, -0.09);
        later(14, -0.09);
        assertThat(judged(EXACT, Set.of(), -1).transitions().stream().filter(Transition::slipped))
                .extracting(Transition::to)
                .containsExactly(12, 14);
    }

    @ParameterizedTest
    @CsvSource({"0.002, BROKE, MANY_SLIPS", "0.03, CANNOT_TELL, TOO_COARSE"})
    void notesAreMissedOnlyWhereItCouldBeToldThatTheyBegan(double sigma, Suggested verdict, Why why) {
        Measured measured = judged(sigma, Set.of(3, 7, 11), -1);
        assertThat(measured.verdict()).isEqualTo(verdict);
        assertThat(measured.why()).isEqualTo(why);
    }

    /** Too short for a stop, long enough to be late. */
    @Test
    void aHaltIsALateNote() {
        later(6, 0.25);
        Measured measured = judged(EXACT, Set.of(), 6);
        assertThat(measured.verdict()).isEqualTo(Suggested.ROUGH);
        assertThat(measured.why()).isEqualTo(Why.SLIPPED);
        assertThat(measured.where()).hasValue(6);
        later(6, 0.15);
        assertThat(judged(EXACT, Set.of(), 6).why()).isEqualTo(Why.STOPPED);
    }

    @Test
    void whatStopsAllTheTimeIsSomethingElse() {
        List<Asked> notes = new ArrayList<>();
        List<Onset> onsets = new ArrayList<>();
        for (int i = 0; i < NOTES; i++) {
            notes.add(new Asked(i / 2.0, 0.5, List.of(60 + i)));
            onsets.add(new Onset(i, at[i], EXACT, 0, false, i % 3 == 1));
        }
        Take take = new Take(new float[0], 44_100, notes, 60 / (2 * INTERVAL), 1, List.of(), InstrumentFamily.PLUCKED);
        assertThat(Listener.judged(take, onsets, List.of()).why()).isEqualTo(Why.NOT_THIS);
    }

    /** A stop is heard however coarsely notes are, if it is long enough. */
    @Test
    void aStopIsToldOfCoarseNotesWhereItIsLong() {
        later(8, 0.5);
        assertThat(judged(EXACT, Set.of(), 8).why()).isEqualTo(Why.STOPPED);
        assertThat(judged(COARSE, Set.of(), 8).why()).isEqualTo(Why.TOO_COARSE);
        later(8, 0.5);
        Measured measured = judged(COARSE, Set.of(), 8);
        assertThat(measured.verdict()).isEqualTo(Suggested.BROKE);
        assertThat(measured.where()).hasValue(8);
    }

    /** Within the limit of the long note before it, and beyond that of the short one after it. */
    @ParameterizedTest
    @ValueSource(doubles = {0.06, -0.06})
    void aNoteDisplacedAfterALongOneIsTheOneThatSlips(double off) {
        List<Asked> notes = new ArrayList<>();
        List<Onset> onsets = new ArrayList<>();
        for (int i = 0; i < NOTES; i++) {
            // Four beats between the two halves, a quarter of one between the others.
            double beat = i / 4.0 + (i < 8 ? 0 : 3.75);
            notes.add(new Asked(beat, i == 7 ? 4 : 0.25, List.of()));
            onsets.add(new Onset(i, 1 + beat * 0.5 + (i == 8 ? off : 0), EXACT, 0, false, false));
        }
        Take take = new Take(new float[0], 44_100, notes, 120, 1, List.of(), InstrumentFamily.MALLET);
        Measured measured = Listener.judged(take, onsets, List.of());
        assertThat(measured.why()).isEqualTo(Why.SLIPPED);
        assertThat(measured.where()).hasValue(8);
        assertThat(measured.transitions().stream().filter(Transition::slipped))
                .extracting(Transition::to)
                .containsExactly(8);
    }
}

package tachylim.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tachylim.take.Measured.Transition;

class EvennessTest {

    private static Transition of(int to, double off, double sigma) {
        return new Transition(to, off, sigma, 0.2, false);
    }

    private static Transition slip(int to) {
        return new Transition(to, 0.08, 0.002, 0.2, true);
    }

    @Test
    void itIsWhatIntervalsDifferByWithoutTheErrorOfTheMeasure() {
        Random random = new Random(5);
        List<List<Transition>> passes = new ArrayList<>();
        for (int pass = 0; pass < 400; pass++) {
            List<Transition> transitions = new ArrayList<>();
            for (int to = 1; to <= 10; to++) {
                double off = 0.010 * random.nextGaussian() + 0.005 * Math.sqrt(0.8) * random.nextGaussian();
                transitions.add(of(to, off, 0.005));
            }
            passes.add(transitions);
        }
        assertThat(Evenness.of(passes, 1, 10).orElseThrow()).isCloseTo(0.05, within(0.002));
    }

    @Test
    void onlyTheNotesThatAreAskedAboutCount() {
        List<Transition> pass = List.of(
                of(1, 0.02, 0),
                of(2, -0.02, 0),
                of(3, 0.02, 0),
                of(4, -0.02, 0),
                of(5, 0, 0),
                of(6, 0, 0),
                of(7, 0, 0),
                of(8, 0, 0));
        assertThat(Evenness.of(List.of(pass), 1, 4).orElseThrow()).isCloseTo(0.1, within(1e-12));
        assertThat(Evenness.of(List.of(pass), 5, 8).orElseThrow()).isZero();
        assertThat(Evenness.of(List.of(pass), 7, 8)).isEmpty();
    }

    @Test
    void aNoteThatWasNotHeardHasNoInterval() {
        Transition missing = new Transition(3, 0, 0, 0, true);
        assertThat(Evenness.of(List.of(List.of(missing, missing, missing, missing)), 1, 9))
                .isEmpty();
    }

    @Test
    void whatSlippedInTwoOfTheLastFourPassesGivesTrouble() {
        List<Transition> even = List.of(of(1, 0, 0), of(3, 0, 0), of(7, 0, 0));
        assertThat(Evenness.troubled(List.of(List.of(slip(3), slip(7)), even, List.of(slip(7)), List.of(slip(3)))))
                .containsExactly(3, 7);
        assertThat(Evenness.troubled(List.of(List.of(slip(3)), even, even, even, List.of(slip(3)))))
                .isEmpty();
        assertThat(Evenness.troubled(List.of(List.of(slip(3), slip(3))))).isEmpty();
    }

    /** Bursts are of some of its notes, and a pass that was left off has only its first. */
    @Test
    void ofATransitionOnlyThePassesCountInWhichItWasPlayed() {
        List<Transition> elsewhere = List.of(of(8, 0, 0), of(9, 0, 0));
        assertThat(Evenness.troubled(List.of(
                        List.of(slip(3)), elsewhere, elsewhere, elsewhere, elsewhere, List.of(slip(3), of(4, 0, 0)))))
                .containsExactly(3);
    }

    @Test
    void theWorstComesFirst() {
        assertThat(Evenness.troubled(
                        List.of(List.of(slip(3), slip(9)), List.of(slip(3), slip(9)), List.of(slip(9)), List.of())))
                .containsExactly(9, 3);
    }
}

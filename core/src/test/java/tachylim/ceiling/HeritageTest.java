package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Heritage.Source;
import tachylim.passage.Section;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class HeritageTest {

    private static Posterior learnt(double bpm) {
        Posterior belief = Posterior.prior(Tempo.of(bpm), 0.22);
        for (int i = 0; i < 12; i++) {
            belief = belief.after(Evidence.of(Tempo.of(bpm * 0.94), Verdict.CLEAN))
                    .after(Evidence.of(Tempo.of(bpm * 1.06), Verdict.ROUGH));
        }
        return belief;
    }

    private static double ceiling(Posterior belief) {
        return belief.estimate().ceiling().middle().bpm();
    }

    @Test
    void theSameNotesAreKnownAsWell() {
        Posterior known = learnt(100);
        Posterior taken = Heritage.of(new Section(4, 12), List.of(new Source(new Section(4, 12), known)))
                .orElseThrow();
        assertThat(taken.estimate()).isEqualTo(known.estimate());
        assertThat(taken.estimate().enoughEvidence()).isTrue();
    }

    @Test
    void aWholeGoesNoFasterThanItsSlowestPart() {
        Posterior taken = Heritage.of(
                        new Section(0, 20),
                        List.of(
                                new Source(new Section(0, 8), learnt(120)),
                                new Source(new Section(8, 14), learnt(90)),
                                new Source(new Section(14, 20), learnt(110))))
                .orElseThrow();
        assertThat(ceiling(taken)).isEqualTo(90, within(3.0));
    }

    @Test
    void theLessIsSharedTheLessIsKnown() {
        Posterior known = learnt(100);
        Posterior part = Heritage.of(new Section(0, 7), List.of(new Source(new Section(0, 31), known)))
                .orElseThrow();
        assertThat(part.logCeiling().variance())
                .isGreaterThan(known.logCeiling().variance());
        assertThat(part.passes()).isLessThan(known.passes());
        assertThat(ceiling(part)).isEqualTo(100, within(4.0));
        assertThat(Heritage.of(new Section(40, 50), List.of(new Source(new Section(0, 31), known))))
                .isEmpty();
    }

    @Test
    void anotherBeatMovesTheTempoAndNotTheSpeed() {
        assertThat(ceiling(learnt(70).carried(2, 1))).isEqualTo(2 * ceiling(learnt(70)), within(2.5));
    }

    @Test
    void aFirstGuessIsNeverEvidenceHoweverSure() {
        for (double bpm : new double[] {20, 60, 399, 400}) {
            assertThat(Posterior.prior(Tempo.of(bpm), 0.03).estimate().enoughEvidence())
                    .isFalse();
        }
    }
}

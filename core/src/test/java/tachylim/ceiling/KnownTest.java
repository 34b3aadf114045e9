package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/** What is known of a section: by a belief, or by an estimate that was kept without one. */
class KnownTest {

    private static final Posterior BELIEF = Posterior.prior(Tempo.of(100), 0.1);
    private static final AwkwardBand ODD = new AwkwardBand(Tempo.of(80), Tempo.of(84), 12, 0.3, 0.9);
    private static final Tempo ALERT = Tempo.of(90);
    private static final Tempo LIMIT = Tempo.of(140);

    private static Evidence broke(int tempo) {
        return Evidence.of(Tempo.of(tempo), Verdict.BROKE);
    }

    @Test
    void anEstimateWithoutItsBeliefSaysWhatItSaidAndLearnsNothing() {
        Known said = Known.said(BELIEF.estimate(), Optional.of(ALERT), List.of(ODD));
        assertThat(said.estimate()).isEqualTo(BELIEF.estimate());
        assertThat(said.belief()).isEmpty();
        assertThat(said.alert()).contains(ALERT);
        assertThat(said.awkward()).containsExactly(ODD);
        assertThat(said.after(broke(95))).isSameAs(said);
        assertThat(Known.said(BELIEF.estimate()).alert()).isEmpty();
    }

    @Test
    void withoutItsBeliefItProbesWhereItIsSafe() {
        Known said = Known.said(BELIEF.estimate());
        assertThat(said.probe(Optional.of(Tempo.of(97)), LIMIT)).isEqualTo(Tempo.of(97));
        assertThat(said.probe(Optional.of(Tempo.of(97)), Tempo.of(60))).isEqualTo(Tempo.of(60));
    }

    @Test
    void aBeliefTakesThePlaceOfWhatWasSaid() {
        Known known =
                Known.said(BELIEF.estimate(), Optional.of(ALERT), List.of(ODD)).by(BELIEF);
        assertThat(known.belief()).contains(BELIEF);
        assertThat(known.alert()).contains(ALERT);
        assertThat(known.awkward()).containsExactly(ODD);
        assertThat(known.after(broke(95)).estimate()).isNotEqualTo(known.estimate());
    }

    @Test
    void aPassInAnAwkwardBandSaysNothingOfTheCeiling() {
        Known known = Known.of(BELIEF).besides(List.of(ODD));
        assertThat(known.tells(broke(82))).isFalse();
        assertThat(known.after(broke(82))).isSameAs(known);
        assertThat(known.tells(broke(86))).isTrue();
    }

    @Test
    void whatIsOnlyExpectedIsNotLearnedAndKeepsItsProbe() {
        Known known = Known.of(BELIEF);
        Tempo probe = known.probe(Optional.empty(), LIMIT);
        Known frozen = known.frozen();
        assertThat(frozen.after(broke(95))).isSameAs(frozen);
        assertThat(frozen.probe(Optional.empty(), LIMIT)).isEqualTo(probe);
        assertThat(Known.of(BELIEF).frozen().probe(Optional.of(Tempo.of(97)), LIMIT))
                .isLessThanOrEqualTo(LIMIT);
    }
}

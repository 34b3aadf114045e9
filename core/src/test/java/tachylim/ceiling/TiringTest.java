package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class TiringTest {

    /** What is believed of a section whose player is so much slower when spent, after many passes fresh and spent. */
    private static Posterior played(double tiring, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        CeilingModel curve = new CeilingModel(Math.log(110), 0.04, 0.08);
        Posterior belief = Posterior.prior(Tempo.of(105), 0.1);
        for (int pass = 0; pass < 60; pass++) {
            double recovery = pass % 2 == 0 ? 1 : 0;
            Tempo tempo = Tempo.of(90 + random.nextInt(30));
            double x = tempo.log() + tiring * (1 - recovery);
            double draw = random.nextDouble();
            Verdict verdict =
                    draw < curve.clean(x) ? Verdict.CLEAN : draw < 1 - curve.broke(x) ? Verdict.ROUGH : Verdict.BROKE;
            belief = belief.after(Evidence.of(tempo, verdict, recovery, 0, 1));
        }
        return belief.afterDays(1);
    }

    @Test
    void withoutAnyPassageItIsWhatPlayersUsuallyTire() {
        assertThat(Tiring.USUAL.passages()).isZero();
        assertThat(Tiring.USUAL.chances().stream().mapToDouble(one -> one).sum())
                .isCloseTo(1, within(1e-12));
        assertThat(Tiring.USUAL.moments().mean()).isBetween(0.05, 0.07);
        // A guess tells nothing of tiring.
        assertThat(Tiring.of(List.of(Posterior.prior(Tempo.of(100), 0.2)))).isEqualTo(Tiring.USUAL);
    }

    @Test
    void passagesTogetherTellWhoTiresAndWhoDoesNot() {
        Tiring little = Tiring.of(List.of(played(0, 1), played(0, 2), played(0, 3)));
        Tiring much = Tiring.of(List.of(played(0.16, 1), played(0.16, 2), played(0.16, 3)));
        assertThat(little.passages()).isEqualTo(3);
        assertThat(little.moments().mean()).isLessThan(Tiring.USUAL.moments().mean() - 0.02);
        assertThat(much.moments().mean()).isGreaterThan(Tiring.USUAL.moments().mean() + 0.02);
        assertThat(much.moments().variance()).isLessThan(Tiring.USUAL.moments().variance());
        Tiring alone = Tiring.of(List.of(played(0.16, 1)));
        assertThat(much.moments().mean()).isGreaterThan(alone.moments().mean() - 0.03);
    }

    @Test
    void aNewSectionIsOneOfAPlayerWhoTiresSo() {
        Tiring much = Tiring.of(List.of(played(0.16, 1), played(0.16, 2)));
        Posterior guess = Posterior.prior(Tempo.of(100), 0.2);
        Posterior like = guess.tiringLike(much);
        assertThat(Tiring.of(List.of(like))).isEqualTo(Tiring.USUAL);
        for (int tiring = 0; tiring < much.chances().size(); tiring++) {
            assertThat(like.tirings()[tiring]).isCloseTo(much.chances().get(tiring), within(1e-9));
        }
        // A guess of a ceiling does not hang on it.
        assertThat(like.estimate().ceiling().middle().bpm())
                .isCloseTo(guess.estimate().ceiling().middle().bpm(), within(0.01));
    }

    @Test
    void whatIsForgottenIsUsualAgainAndWhatWasPlayedSpentCountsForMore() {
        Posterior belief = played(0.16, 4);
        Posterior forgotten = belief.tiringLike(Tiring.USUAL);
        assertThat(forgotten.passes()).isEqualTo(belief.passes());
        assertThat(forgotten.tirings()[3]).isLessThan(belief.tirings()[3]);
        assertThat(forgotten.estimate().ceiling().middle())
                .isLessThan(belief.estimate().ceiling().middle())
                .isGreaterThan(belief.estimate().ceiling().middle().times(0.9));
    }
}

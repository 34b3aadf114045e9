package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import tachylim.sim.SimulatedPlayer;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class CeilingTest {

    private static final CeilingModel MODEL = new CeilingModel(Math.log(130), 0.04, 0.08);

    @Test
    void comfortableCeilingAndBreakdownAreWhereTheModelSays() {
        assertThat(MODEL.notClean(MODEL.comfortable())).isCloseTo(0.05, within(1e-9));
        assertThat(MODEL.notClean(MODEL.ceiling())).isCloseTo(0.20, within(1e-9));
        assertThat(MODEL.broke(MODEL.breakdown())).isCloseTo(0.50, within(1e-9));
    }

    @Property
    void theThreeVerdictsAreAllThereIs(@ForAll @DoubleRange(min = 20, max = 400) double bpm) {
        double x = Math.log(bpm);
        double sum = MODEL.chance(Verdict.CLEAN, x) + MODEL.chance(Verdict.ROUGH, x) + MODEL.chance(Verdict.BROKE, x);
        assertThat(sum).isCloseTo(1, within(1e-6));
    }

    @Test
    void aGuessIsTheMiddleOfTheFirstBelief() {
        Estimate estimate = Posterior.prior(Tempo.of(100), Posterior.GUESS_SD).estimate();
        assertThat(estimate.ceiling().middle().bpm()).isCloseTo(100, within(1.0));
        assertThat(estimate.enoughEvidence()).isFalse();
        assertThat(estimate.comfortable().middle())
                .isLessThan(estimate.ceiling().middle());
        assertThat(estimate.breakdown().middle())
                .isGreaterThan(estimate.ceiling().middle());
    }

    @Test
    void cleanRaisesTheCeilingAndBrokenLowersIt() {
        Posterior before = Posterior.prior(Tempo.of(100), Posterior.PLAYED_SD);
        Tempo at = before.estimate().ceiling().middle();
        assertThat(before.after(Evidence.of(at, Verdict.CLEAN))
                        .estimate()
                        .ceiling()
                        .middle())
                .isGreaterThan(at);
        assertThat(before.after(Evidence.of(at, Verdict.BROKE))
                        .estimate()
                        .ceiling()
                        .middle())
                .isLessThan(at);
    }

    @Test
    void aTiredPassSaysLess() {
        Posterior before = Posterior.prior(Tempo.of(100), Posterior.PLAYED_SD);
        Tempo at = Tempo.of(100);
        assertThat(before.after(Evidence.of(at, Verdict.BROKE, 0.4, 20, 1))
                        .estimate()
                        .ceiling()
                        .middle())
                .isGreaterThan(before.after(Evidence.of(at, Verdict.BROKE))
                        .estimate()
                        .ceiling()
                        .middle());
    }

    @Test
    void aCleanBurstSaysLessThanACleanPassOfTheWholeAndABrokenOneIsHeardInFull() {
        Posterior before = Posterior.prior(Tempo.of(100), Posterior.PLAYED_SD);
        Tempo at = Tempo.of(112);
        double whole = ceilingAfter(before, new Evidence(at, Verdict.CLEAN, 1, 0, 1));
        double burst = ceilingAfter(before, new Evidence(at, Verdict.CLEAN, 0.1, 0, 1));
        assertThat(burst).isGreaterThan(100.5).isLessThan(whole - 2);
        assertThat(ceilingAfter(before, new Evidence(at, Verdict.BROKE, 0.1, 0, 1)))
                .isLessThanOrEqualTo(ceilingAfter(before, new Evidence(at, Verdict.BROKE, 1, 0, 1)) + 0.5);
    }

    private static double ceilingAfter(Posterior before, Evidence evidence) {
        return before.after(evidence).estimate().ceiling().middle().bpm();
    }

    @Test
    void playingTiresByWhatIsLeftAndByItsMinutes() {
        assertThat(tired(1, 0)).isZero();
        assertThat(tired(0.5, 0)).isEqualTo(0.5);
        assertThat(tired(0.5, 30)).isEqualTo(0.75);
        assertThat(tired(0, 45)).isEqualTo(tired(0, 300)).isEqualTo(Evidence.MOST_TIRED);
        assertThatThrownBy(() -> new Evidence(Tempo.of(100), Verdict.CLEAN, 1, -0.1, 1))
                .isInstanceOf(IllegalArgumentException.class);
    }

    private static double tired(double recovery, double minutes) {
        return Evidence.of(Tempo.of(130), Verdict.CLEAN, recovery, minutes, 1).tired();
    }

    /** Who is the slower the longer a workout lasts is believed to be tired, and not to be slow. */
    @Test
    void tiredIsNotSlow() {
        Posterior belief = Posterior.prior(Tempo.of(100), Posterior.PLAYED_SD);
        Posterior fresh = belief;
        for (int i = 0; i < 30; i++) {
            Verdict tired = i % 2 == 0 ? Verdict.ROUGH : Verdict.BROKE;
            fresh = fresh.after(Evidence.of(Tempo.of(97), Verdict.CLEAN)).after(Evidence.of(Tempo.of(98), tired));
            belief = belief.after(Evidence.of(Tempo.of(97), Verdict.CLEAN))
                    .after(Evidence.of(Tempo.of(98), tired, 0.2, 40, 1));
        }
        assertThat(belief.estimate().ceiling().middle().bpm())
                .isGreaterThan(fresh.estimate().ceiling().middle().bpm() + 2)
                .isGreaterThan(96);
    }

    @Test
    void aNightWidensAndALayoffAlsoLowers() {
        Posterior known = afterManyPasses(120, 60);
        Estimate now = known.estimate();
        Estimate tomorrow = known.afterDays(1).estimate();
        assertThat(tomorrow.ceiling().giveOrTake()).isGreaterThan(now.ceiling().giveOrTake());
        assertThat(tomorrow.ceiling().middle().bpm())
                .isCloseTo(now.ceiling().middle().bpm(), within(0.5));
        Estimate back = known.afterDays(21).estimate();
        assertThat(back.ceiling().middle().bpm())
                .isLessThan(now.ceiling().middle().bpm() * 0.97);
        assertThat(back.ceiling().giveOrTake()).isGreaterThan(tomorrow.ceiling().giveOrTake());
    }

    @Test
    void manyPassesFindTheTruth() {
        Estimate estimate = afterManyPasses(120, 120).estimate();
        assertThat(estimate.ceiling().middle().bpm()).isCloseTo(120, within(6.0));
        assertThat(estimate.enoughEvidence()).isTrue();
    }

    @Test
    void theIntervalsHoldTheTruthAboutFourTimesInFive() {
        int held = 0;
        int players = 200;
        for (int seed = 0; seed < players; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            double truth = 75 + 105 * random.nextDouble();
            Tempo guess = Tempo.of(truth * Math.exp(Posterior.GUESS_SD * random.nextGaussian() * 0.8));
            Band ceiling = played(truth, guess, 24, random).estimateOfToday().ceiling();
            if (ceiling.low().bpm() <= truth && truth <= ceiling.high().bpm()) {
                held++;
            }
        }
        assertThat(held).isBetween((int) (0.70 * players), (int) (0.93 * players));
    }

    /** What is heard on one day leaves open how it would be on another. */
    @Test
    void todayIsKnownBeforeTheUsualDayIs() {
        Posterior belief = Posterior.prior(Tempo.of(100), 0.03);
        assertThat(belief.form()).isEqualTo(1);
        assertThat(belief.estimateOfToday()).isEqualTo(belief.estimate());
        for (int i = 0; i < 6; i++) {
            belief = belief.after(Evidence.of(Tempo.of(95), Verdict.ROUGH))
                    .after(Evidence.of(Tempo.of(97), Verdict.BROKE));
        }
        Band today = belief.estimateOfToday().ceiling();
        Band usual = belief.estimate().ceiling();
        assertThat(today.middle()).isLessThan(usual.middle());
        assertThat(belief.form()).isBetween(0.95, 0.99);
        assertThat(belief.afterDays(1).form()).isEqualTo(1);
        Posterior many = afterManyPasses(120, 60);
        assertThat(many.estimateOfToday().ceiling().giveOrTake())
                .isLessThan(many.estimate().ceiling().giveOrTake());
    }

    private static Posterior afterManyPasses(double truth, int passes) {
        return played(truth, Tempo.of(truth * 0.85), passes, new SplittableRandom(7));
    }

    /** Passes spread around the present estimate, as a workout spreads them. */
    private static Posterior played(double truth, Tempo guess, int passes, SplittableRandom random) {
        Posterior belief = Posterior.prior(guess, Posterior.GUESS_SD);
        SimulatedPlayer player = SimulatedPlayer.withCeiling(Tempo.of(truth), random);
        double[] around = {0.85, 0.95, 1.0, 1.05, 1.1};
        for (int i = 0; i < passes; i++) {
            Tempo tempo = belief.estimate()
                    .ceiling()
                    .middle()
                    .times(around[i % around.length])
                    .onMetronome();
            belief = belief.after(Evidence.of(tempo, player.play(tempo, 1).verdict()));
        }
        return belief;
    }

    @Test
    void tensionIsSaidOnlyWhereItWasFelt() {
        SimulatedPlayer player = SimulatedPlayer.withCeiling(Tempo.of(120), new SplittableRandom(3));
        List<TensionCurve.Felt> felt = new ArrayList<>();
        for (int bpm = 80; bpm <= 150; bpm += 2) {
            Answer answer = player.play(Tempo.of(bpm), 1);
            felt.add(new TensionCurve.Felt(Tempo.of(bpm), answer.tension()));
        }
        TensionCurve curve = TensionCurve.through(felt);
        assertThat(curve.tempoAt(TensionCurve.ALERT).orElseThrow().bpm()).isCloseTo(120, within(8.0));
        assertThat(curve.tempoAt(TensionCurve.EDGE).orElseThrow())
                .isGreaterThan(curve.tempoAt(TensionCurve.ALERT).orElseThrow());
        assertThat(TensionCurve.through(felt.subList(0, 5)).tempoAt(TensionCurve.ALERT))
                .isEmpty();
        assertThat(TensionCurve.through(felt.subList(0, 9)).tempoAt(TensionCurve.EDGE))
                .isEmpty();
    }

    @Test
    void tensionLowersTheComfortableTempoButNeverRaisesIt() {
        Posterior belief = afterManyPasses(120, 60);
        List<TensionCurve.Felt> tense = new ArrayList<>();
        for (int bpm = 70; bpm <= 100; bpm++) {
            tense.add(new TensionCurve.Felt(Tempo.of(bpm), bpm < 85 ? Tension.LIGHT : Tension.EDGE));
        }
        Tempo plain = belief.estimate().comfortable().middle();
        assertThat(belief.estimate()
                        .under(TensionCurve.through(tense))
                        .comfortable()
                        .middle())
                .isLessThan(plain);
        assertThat(belief.estimate()
                        .under(TensionCurve.through(List.of()))
                        .comfortable()
                        .middle())
                .isEqualTo(plain);
    }

    @Test
    void smoothingPullsADayTowardsWhatCameAfter() {
        List<Smoother.Day> smoothed = Smoother.smooth(List.of(
                new Smoother.Day(0, 4.60, 0.01), new Smoother.Day(1, 4.70, 0.002), new Smoother.Day(2, 4.72, 0.001)));
        assertThat(smoothed.get(0).mean()).isBetween(4.68, 4.72);
        assertThat(smoothed.get(0).variance()).isLessThan(0.01);
        assertThat(smoothed.get(2)).isEqualTo(new Smoother.Day(2, 4.72, 0.001));
    }
}

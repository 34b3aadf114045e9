package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.Base64;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class PosteriorTest {

    private static Evidence random(SplittableRandom random) {
        return new Evidence(
                Tempo.of(70 + random.nextInt(70)),
                Verdict.values()[random.nextInt(3)],
                random.nextBoolean() ? 1 : 0.05 + 0.95 * random.nextDouble(),
                random.nextInt(4) == 0 ? 0 : Evidence.MOST_TIRED * random.nextDouble(),
                random.nextInt(4) == 0 ? 0.5 : 1);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void theFastFilterAgreesWithThePlainOne(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Tempo guess = Tempo.of(80 + random.nextInt(40));
        double sd = 0.05 + 0.2 * random.nextDouble();
        Posterior fast = Posterior.prior(guess, sd);
        PlainFilter plain = new PlainFilter(guess, sd);
        for (int day = 0; day < 3; day++) {
            for (int pass = 0; pass < 4; pass++) {
                Evidence evidence = random(random);
                fast = fast.after(evidence);
                plain.learn(evidence);
            }
            assertThat(fast.form()).isCloseTo(plain.form(), within(1e-9));
            fast = fast.afterDays(1);
            plain.night();
            assertThat(fast.logCeiling().mean()).isCloseTo(plain.meanLogCeiling(), within(1e-9));
            assertThat(fast.logCeiling().variance()).isCloseTo(plain.varianceLogCeiling(), within(1e-9));
            Tempo at = Tempo.of(85 + random.nextInt(40));
            assertThat(fast.cleanAt(at)).isCloseTo(plain.cleanAt(at, 0), within(1e-9));
            assertThat(fast.cleanAt(at, 0.7)).isCloseTo(plain.cleanAt(at, 0.7), within(1e-9));
        }
    }

    @Test
    void whatIsCleanInBurstsIsFasterThanTheCeilingAndIsLearned() {
        Posterior belief = Posterior.prior(Tempo.of(100), Posterior.PLAYED_SD);
        for (int i = 0; i < 12; i++) {
            belief = belief.after(Evidence.of(Tempo.of(96), Verdict.CLEAN))
                    .after(Evidence.of(Tempo.of(106), Verdict.ROUGH));
        }
        Posterior alike = belief;
        Posterior easier = belief;
        for (int i = 0; i < 12; i++) {
            alike = alike.after(new Evidence(Tempo.of(106), Verdict.ROUGH, 0.1, 0, 1));
            easier = easier.after(new Evidence(Tempo.of(112), Verdict.CLEAN, 0.1, 0, 1));
        }
        assertThat(easier.ceilingOf(0.1).middle().bpm())
                .isGreaterThan(easier.estimate().ceiling().middle().bpm() * 1.04)
                .isGreaterThan(alike.ceilingOf(0.1).middle().bpm() * 1.03);
        assertThat(alike.ceilingOf(1).middle().bpm())
                .isCloseTo(alike.estimate().ceiling().middle().bpm(), within(1e-6));
    }

    @Test
    void whoImprovesEveryDayIsBelievedToGoOn() {
        double truth = 90;
        Posterior belief = Posterior.prior(Tempo.of(truth), 0.05);
        Posterior still = belief;
        for (int day = 0; day < 25; day++) {
            belief = played(belief, truth).afterDays(1);
            still = played(still, 90).afterDays(1);
            truth *= 1.006;
        }
        assertThat(gain(belief)).isGreaterThan(0.003);
        assertThat(gain(still)).isBetween(-0.002, 0.0022);
    }

    private static double gain(Posterior belief) {
        return belief.afterDays(1).logCeiling().mean() - belief.logCeiling().mean();
    }

    private static Posterior played(Posterior before, double ceiling) {
        Posterior belief = before;
        double[] around = {0.94, 0.97, 1.0, 1.04, 1.08};
        Verdict[] verdicts = {Verdict.CLEAN, Verdict.CLEAN, Verdict.CLEAN, Verdict.ROUGH, Verdict.BROKE};
        for (int i = 0; i < around.length; i++) {
            belief = belief.after(Evidence.of(Tempo.of(ceiling * around[i]), verdicts[i]));
        }
        return belief;
    }

    private static Posterior afterPasses(int passes, double sd) {
        SplittableRandom random = new SplittableRandom(passes);
        Posterior belief = Posterior.prior(Tempo.of(100), sd);
        for (int i = 0; i < passes; i++) {
            Tempo tempo = Tempo.of(90 + random.nextInt(25));
            Verdict verdict = tempo.bpm() < 100 ? Verdict.CLEAN : tempo.bpm() < 107 ? Verdict.ROUGH : Verdict.BROKE;
            belief = belief.after(new Evidence(tempo, verdict, i % 3 == 0 ? 0.1 : 1, 0, 1));
        }
        return belief;
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 3, 10, 40, 200})
    void aKeptBeliefIsSmallAndSaysTheSame(int passes) {
        Posterior belief = afterPasses(passes, Posterior.GUESS_SD);
        byte[] kept = belief.toBytes();
        assertThat(kept.length).isLessThanOrEqualTo(BeliefBytes.MOST_BYTES);
        Estimate exact = belief.estimate();
        Estimate again = Posterior.fromBytes(kept, belief.passes()).estimate();
        assertThat(again.passes()).isEqualTo(exact.passes());
        assertAlike(again.ceiling(), exact.ceiling());
        assertAlike(again.comfortable(), exact.comfortable());
        assertAlike(again.breakdown(), exact.breakdown());
    }

    /** Off by a twentieth of what is not known anyway, and by a hair. */
    private static void assertAlike(Band kept, Band exact) {
        double share = 0.002 + exact.giveOrTake() / 20;
        assertThat(kept.low().ratioTo(exact.low())).isCloseTo(1, within(share));
        assertThat(kept.middle().ratioTo(exact.middle())).isCloseTo(1, within(share));
        assertThat(kept.high().ratioTo(exact.high())).isCloseTo(1, within(share));
    }

    @Test
    void keepingAfterEveryPassLosesNothingThatMatters() {
        SplittableRandom random = new SplittableRandom(11);
        Posterior exact = Posterior.prior(Tempo.of(100), Posterior.GUESS_SD);
        Posterior kept = exact;
        for (int i = 0; i < 60; i++) {
            Evidence evidence = random(random);
            exact = exact.after(evidence);
            kept = Posterior.fromBytes(kept.toBytes(), kept.passes()).after(evidence);
            if (i % 6 == 5) {
                exact = exact.afterDays(1);
                kept = kept.afterDays(1);
            }
        }
        assertAlike(kept.estimate().ceiling(), exact.estimate().ceiling());
    }

    /** On the same day the next pass is learned from what was kept as from what it was. */
    @Test
    void aKeptDayKeepsItsForm() {
        Posterior belief = afterPasses(40, Posterior.GUESS_SD).afterDays(1);
        for (int i = 0; i < 4; i++) {
            belief = belief.after(Evidence.of(Tempo.of(97), Verdict.BROKE));
        }
        Posterior kept = Posterior.fromBytes(belief.toBytes(), belief.passes());
        assertThat(kept.form()).isCloseTo(belief.form(), within(0.001)).isLessThan(0.999);
        Evidence next = Evidence.of(Tempo.of(95), Verdict.ROUGH);
        assertAlike(
                kept.after(next).estimate().ceiling(),
                belief.after(next).estimate().ceiling());
    }

    /** A belief as it was kept before tiring was learned: the same place, about as sure. */
    @Test
    void aBeliefThatWasKeptEarlierIsReadAndGoesOn() throws IOException {
        byte[] kept = Base64.getMimeDecoder()
                .decode(getClass().getResourceAsStream("earlier-belief.txt").readAllBytes());
        Posterior belief = Posterior.fromBytes(kept, 30);
        assertThat(belief.estimate().ceiling().middle().bpm()).isCloseTo(98, within(0.8));
        assertThat(belief.estimate().ceiling().giveOrTake()).isBetween(0.005, 0.03);
        assertThat(belief.after(Evidence.of(Tempo.of(100), Verdict.CLEAN))
                        .estimate()
                        .ceiling()
                        .middle())
                .isGreaterThan(belief.estimate().ceiling().middle());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 3, 7, 12, 30})
    void whatWasSaidIsBroughtToALaterDayAsTheBeliefWouldSayIt(long days) {
        Posterior belief = afterPasses(40, Posterior.GUESS_SD);
        Estimate exact = belief.afterDays(days).estimate();
        Estimate brought = belief.estimate().later(days, belief.gain());
        for (Function<Estimate, Band> part :
                List.<Function<Estimate, Band>>of(Estimate::comfortable, Estimate::ceiling)) {
            assertThat(part.apply(brought).low().ratioTo(part.apply(exact).low()))
                    .isCloseTo(1, within(0.006));
            assertThat(part.apply(brought).middle().ratioTo(part.apply(exact).middle()))
                    .isCloseTo(1, within(0.006));
            assertThat(part.apply(brought).high().ratioTo(part.apply(exact).high()))
                    .isCloseTo(1, within(0.006));
        }
        assertThat(belief.estimate().later(0, 0.01)).isEqualTo(belief.estimate());
    }

    @ParameterizedTest
    @ValueSource(doubles = {40, 93, 100, 171, 230})
    void aGuessSaysWhatItsBeliefWouldSay(double bpm) {
        for (double sd : List.of(Posterior.GUESS_SD, Posterior.PLAYED_SD)) {
            Estimate exact = Posterior.prior(Tempo.of(bpm), sd).estimate();
            Estimate guessed = Posterior.guessed(Tempo.of(bpm), sd);
            assertThat(guessed.ceiling().middle().ratioTo(exact.ceiling().middle()))
                    .isCloseTo(1, within(0.003));
            assertThat(guessed.comfortable().low().ratioTo(exact.comfortable().low()))
                    .isCloseTo(1, within(0.003));
            assertThat(guessed.breakdown().middle().ratioTo(exact.breakdown().middle()))
                    .isCloseTo(1, within(0.003));
            assertThat(guessed.enoughEvidence()).isFalse();
        }
    }

    @Test
    void bytesThatAreNoBeliefAreRefused() {
        assertThatThrownBy(() -> Posterior.fromBytes(new byte[7], 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Posterior.fromBytes(new byte[0], 0)).isInstanceOf(IllegalArgumentException.class);
    }
}

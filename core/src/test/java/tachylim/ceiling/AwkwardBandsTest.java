package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import tachylim.tempo.Tempo;

class AwkwardBandsTest {

    private static final Tempo CEILING = Tempo.of(110);

    /** Four weeks of passes at 80 to 116, clean by {@code chance}. */
    private static List<AwkwardBands.Tried> weeks(long seed, DoubleUnaryOperator chance) {
        SplittableRandom random = new SplittableRandom(seed);
        List<AwkwardBands.Tried> passes = new ArrayList<>();
        for (int day = 0; day < 14; day++) {
            for (int bpm = 80; bpm <= 116; bpm += 3) {
                passes.add(new AwkwardBands.Tried(
                        2 * day, Tempo.of(bpm), CEILING, random.nextDouble() < chance.applyAsDouble(bpm)));
            }
        }
        return passes;
    }

    private static double falling(double bpm) {
        return new CeilingModel(Math.log(118), 0.05, 0.1).clean(Math.log(bpm));
    }

    @Test
    void aBandInWhichItGoesWrongAsOftenAsNotIsFoundWhereItIs() {
        List<AwkwardBand> found = AwkwardBands.in(weeks(1, bpm -> bpm >= 92 && bpm <= 98 ? 0.5 : falling(bpm)));
        assertThat(found).hasSize(1);
        AwkwardBand band = found.get(0);
        assertThat(band.from().bpm()).isBetween(89.0, 93.0);
        assertThat(band.to().bpm()).isBetween(97.0, 101.0);
        assertThat(band.clean()).isLessThan(band.cleanAbove());
        assertThat(band.passes()).isGreaterThan(20);
        assertThat(band.holds(Tempo.of(95))).isTrue();
        assertThat(band.holds(Tempo.of(88))).isFalse();
    }

    @Test
    void successThatFallsWithTempoHasNoBand() {
        int alarms = 0;
        for (int seed = 0; seed < 60; seed++) {
            alarms += AwkwardBands.in(weeks(seed, AwkwardBandsTest::falling)).isEmpty() ? 0 : 1;
        }
        assertThat(alarms).isLessThanOrEqualTo(3);
    }

    /** Who gets better plays faster later: the slow passes of the first weeks were as hard as the fast ones of the last. */
    @Test
    void gettingBetterIsNoBand() {
        int alarms = 0;
        for (int seed = 0; seed < 60; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            List<AwkwardBands.Tried> passes = new ArrayList<>();
            for (int day = 0; day < 28; day++) {
                double ceiling = 100 + 0.6 * day;
                CeilingModel player = new CeilingModel(Math.log(ceiling) + 0.06, 0.04, 0.1);
                for (double share : new double[] {0.9, 0.95, 1, 1.03}) {
                    Tempo tempo = Tempo.of(ceiling * share).onMetronome();
                    passes.add(new AwkwardBands.Tried(
                            day, tempo, Tempo.of(ceiling), random.nextDouble() < player.clean(tempo.log())));
                }
            }
            alarms += AwkwardBands.in(passes).isEmpty() ? 0 : 1;
        }
        assertThat(alarms).isLessThanOrEqualTo(3);
    }

    @Test
    void littleSaysNothing() {
        assertThat(AwkwardBands.in(List.of())).isEmpty();
        assertThat(AwkwardBands.in(weeks(3, bpm -> bpm < 100 ? 0.4 : 0.9).subList(0, 12)))
                .isEmpty();
    }

    @Test
    void aPassInABandSaysNothingOfTheCeilingAndIsNotAskedFor() {
        Posterior belief = Posterior.prior(Tempo.of(100), 0.08);
        AwkwardBand band = new AwkwardBand(Tempo.of(92), Tempo.of(97), 20, 0.5, 0.9);
        Known known = Known.of(belief).besides(List.of(band));
        Evidence within = Evidence.of(Tempo.of(95), tachylim.task.Verdict.BROKE);
        Evidence above = Evidence.of(Tempo.of(99), tachylim.task.Verdict.CLEAN);
        assertThat(known.after(within)).isSameAs(known);
        assertThat(known.after(above).estimate().ceiling().middle())
                .isGreaterThan(known.estimate().ceiling().middle());
        Tempo probe = known.probe(java.util.Optional.empty(), Tempo.of(130));
        assertThat(band.holds(probe)).isFalse();
        assertThat(probe).as("above the band it was clean").isGreaterThan(band.to());
    }
}

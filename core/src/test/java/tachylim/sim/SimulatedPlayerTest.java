package tachylim.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class SimulatedPlayerTest {

    private static SimulatedPlayer player() {
        return SimulatedPlayer.withCeiling(Tempo.of(120), new SplittableRandom(11));
    }

    private static double cleanShare(SimulatedPlayer player, double bpm, double recovery) {
        return IntStream.range(0, 2_000)
                        .filter(i -> player.play(Tempo.of(bpm), recovery).verdict() == Verdict.CLEAN)
                        .count()
                / 2_000.0;
    }

    @Test
    void theCeilingIsCleanFourTimesInFive() {
        assertThat(cleanShare(player(), 120, 1)).isBetween(0.77, 0.83);
    }

    @Test
    void aTiredPlayerIsLessClean() {
        assertThat(cleanShare(player(), 120, 0.2)).isLessThan(cleanShare(player(), 120, 1) - 0.1);
    }

    @Test
    void anAwkwardBandIsLessCleanThanFasterTempos() {
        SimulatedPlayer awkward = player().awkwardBetween(Tempo.of(91), Tempo.of(98));
        assertThat(cleanShare(awkward, 95, 1)).isLessThan(cleanShare(awkward, 108, 1) - 0.2);
    }

    @Test
    void theSameSeedPlaysTheSame() {
        assertThat(player().play(Tempo.of(130), 1)).isEqualTo(player().play(Tempo.of(130), 1));
    }

    @Test
    void aTensePlayerGripsAtTheCeiling() {
        long gripping = IntStream.range(0, 200)
                .filter(i -> player().tenser(2).play(Tempo.of(124), 1).tension().atLeast(Tension.EDGE))
                .count();
        assertThat(gripping).isGreaterThan(150);
    }
}

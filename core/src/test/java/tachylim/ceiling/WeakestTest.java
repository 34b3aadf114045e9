package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.tempo.Tempo;

class WeakestTest {

    private static Estimate around(double bpm) {
        return Posterior.prior(Tempo.of(bpm), 0.04).estimate();
    }

    @Test
    void theSectionWithTheLowestCeilingHoldsThePassageBack() {
        List<Estimate> sections = List.of(around(120), around(96), around(110));
        assertThat(Weakest.of(sections)).isEqualTo(1);
        assertThat(Weakest.ceilingOf(sections))
                .isEqualTo(sections.get(1).ceiling().middle());
    }

    @Test
    void theWholeOfOneSectionIsThatSection() {
        Estimate alone = around(100);
        assertThat(Weakest.wholeOf(List.of(alone)).bpm())
                .isCloseTo(alone.ceiling().middle().bpm(), within(0.1));
    }

    @Test
    void aSectionThatIsFarFasterCostsTheWholeNothingAndAnEqualOneSomething() {
        double alone = Weakest.wholeOf(List.of(around(100))).bpm();
        assertThat(Weakest.wholeOf(List.of(around(100), around(180))).bpm()).isCloseTo(alone, within(0.5));
        assertThat(Weakest.wholeOf(List.of(around(100), around(100))).bpm()).isBetween(alone * 0.85, alone - 1);
    }

    @Test
    void aPassageHasOneSectionAtLeast() {
        assertThatThrownBy(() -> Weakest.of(List.of())).isInstanceOf(IllegalArgumentException.class);
    }
}

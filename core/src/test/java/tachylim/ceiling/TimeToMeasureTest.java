package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class TimeToMeasureTest {

    private static Estimate known(double sd) {
        return Posterior.prior(Tempo.of(100), sd).estimate();
    }

    @Test
    void aSectionThatWasNeverPlayedIsWorthMeasuring() {
        assertThat(TimeToMeasure.why(known(0.2), null).code()).isEqualTo("measure.never");
    }

    @Test
    void aWideIntervalSaysHowWide() {
        assertThat(TimeToMeasure.why(known(0.08), 2L)).isEqualTo(Reason.of("measure.vague", "percent", 10));
    }

    @Test
    void anOldFigureSaysHowOld() {
        assertThat(TimeToMeasure.why(known(0.03), 20L)).isEqualTo(Reason.of("measure.old", "days", 20));
    }

    @Test
    void whatIsKnownAndFreshIsLeftAlone() {
        assertThat(TimeToMeasure.why(known(0.03), 1L).saysNothing()).isTrue();
    }
}

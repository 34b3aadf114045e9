package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tachylim.tempo.Tempo;

class TimeToMeasureTest {

    private static Estimate known(double sd) {
        return Posterior.prior(Tempo.of(100), sd).estimate();
    }

    @Test
    void aSectionThatWasNeverPlayedIsWorthMeasuring() {
        assertThat(TimeToMeasure.why(known(0.2), null)).contains("not been played");
    }

    @Test
    void aWideIntervalSaysHowWide() {
        assertThat(TimeToMeasure.why(known(0.08), 2L)).contains("±").contains("%");
    }

    @Test
    void anOldFigureSaysHowOld() {
        assertThat(TimeToMeasure.why(known(0.03), 20L)).startsWith("Last played 20 days ago");
    }

    @Test
    void whatIsKnownAndFreshIsLeftAlone() {
        assertThat(TimeToMeasure.why(known(0.03), 1L)).isEmpty();
    }
}

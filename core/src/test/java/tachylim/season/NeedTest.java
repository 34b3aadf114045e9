package tachylim.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import tachylim.tempo.Tempo;

class NeedTest {

    private static double need(double target, double ceiling, Long days) {
        return Need.of(Tempo.of(target), Tempo.of(ceiling), days);
    }

    @Test
    void itIsTheLogOfTheGapOverTheWeeksLeft() {
        assertThat(need(120, 100, 14L)).isCloseTo(Math.log(1.2) / 2, within(1e-12));
        assertThat(need(120, 100, null)).isCloseTo(Math.log(1.2) / 12, within(1e-12));
    }

    @Test
    void theLastWeekIsNoMoreUrgentThanAWeek() {
        assertThat(need(120, 100, 0L)).isEqualTo(need(120, 100, 7L));
    }

    @Test
    void aDateThatIsPastIsNone() {
        assertThat(need(120, 100, -1L)).isEqualTo(need(120, 100, null));
    }

    @Test
    void whatIsUpToTempoIsStillKept() {
        assertThat(need(100, 130, 7L)).isPositive().isLessThan(need(110, 100, 7L));
    }
}

package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class CrestAndSettleTest {

    private static final CrestAndSettle AT_125 = new CrestAndSettle(Tempo.of(125), 3, 20);

    @Test
    void itDropsAndComesBackByOnePercent() {
        assertThat(Played.tempos(Played.well(AT_125))).containsExactly(120.0, 121.0, 122.0, 123.0, 124.0, 125.0);
    }

    @Test
    void itStaysUntilItIsEasy() {
        Position alert = AT_125.opening().after(new Answer(Verdict.CLEAN, Tension.ALERT, 3));
        assertThat(((Move.Play) alert.move()).tempo()).isEqualTo(Tempo.of(120));
        assertThat(alert.move().why().code()).isEqualTo("crest.notYet");
        Position broke = AT_125.opening().after(new Answer(Verdict.BROKE, Tension.LIGHT, 0));
        assertThat(((Move.Play) broke.move()).tempo().bpm()).isBetween(116.0, 117.0);
    }

    @Test
    void settingsOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new CrestAndSettle(Tempo.of(100), 7, 4)).hasMessageContaining("settles");
    }
}

package tachylim.tempo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.words.Reason;

class TempoTest {

    @Test
    void fourNotesToABeatAt120AreEightNotesASecond() {
        assertThat(Tempo.of(120).rate(4)).isEqualTo(8);
        assertThat(Tempo.of(120).gap(4)).isCloseTo(0.125, within(1e-12));
    }

    @Test
    void sixteenBeatsAt96LastTenSeconds() {
        assertThat(Tempo.of(96).secondsFor(16)).isCloseTo(10, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(doubles = {19.999, 400.001, 0, -60, Double.NaN, Double.POSITIVE_INFINITY})
    void aTempoOutsideTheMetronomeIsRefusedWithTheValue(double bpm) {
        assertThatThrownBy(() -> Tempo.of(bpm))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(Reason.of("refusal.tempoNot", "bpm", bpm)
                        .values()
                        .toString()
                        .replaceAll("[{}]", ""));
    }

    @Test
    void roundingHappensOnlyOnTheMetronome() {
        assertThat(Tempo.of(100).times(1.02).times(1.02).bpm()).isCloseTo(104.04, within(1e-9));
        assertThat(Tempo.of(100).times(1.02).times(1.02).onMetronome()).isEqualTo(Tempo.of(104));
    }

    @Test
    void resultsOfCalculationsStayOnTheMetronome() {
        assertThat(Tempo.of(390).times(2)).isEqualTo(Tempo.of(400));
        assertThat(Tempo.of(21).times(0.1)).isEqualTo(Tempo.of(20));
    }
}

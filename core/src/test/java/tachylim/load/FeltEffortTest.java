package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class FeltEffortTest {

    @Test
    void itIsMinutesTimesHowHardTheyFelt() {
        assertThat(FeltEffort.of(20 * 60, 2)).isEqualTo(new Effort(20));
        assertThat(FeltEffort.of(20 * 60, 5)).isEqualTo(new Effort(50));
        assertThat(FeltEffort.of(20 * 60, 0)).isEqualTo(Effort.NONE);
    }

    @Test
    void itIsToldFromNoughtToTen() {
        assertThatThrownBy(() -> FeltEffort.of(60, 11))
                .hasMessageContaining("refusal.feltEffort.howHardItFeltIsToldFrom0To");
        assertThatThrownBy(() -> FeltEffort.of(60, -1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void sayingThatItWasEasyIsNoMoreRoomToday() {
        Effort day = new Effort(30);
        assertThat(FeltEffort.ofDay(day, new Effort(20), new Effort(10), false)).isEqualTo(day);
        assertThat(FeltEffort.ofDay(day, new Effort(20), new Effort(10), true)).isEqualTo(new Effort(20));
        assertThat(FeltEffort.ofDay(day, new Effort(20), new Effort(35), false)).isEqualTo(new Effort(45));
        assertThat(FeltEffort.ofDay(day, new Effort(40), Effort.NONE, true)).isEqualTo(Effort.NONE);
    }
}

package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class FeltEffortTest {

    @Test
    void itIsMinutesTimesHowHardTheyFelt() {
        assertThat(FeltEffort.of(20 * 60, 2)).isEqualTo(20);
        assertThat(FeltEffort.of(20 * 60, 5)).isEqualTo(50);
        assertThat(FeltEffort.of(20 * 60, 0)).isZero();
    }

    @Test
    void itIsToldFromNoughtToTen() {
        assertThatThrownBy(() -> FeltEffort.of(60, 11)).hasMessageContaining("from 0 to 10, not by 11");
        assertThatThrownBy(() -> FeltEffort.of(60, -1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void sayingThatItWasEasyIsNoMoreRoomToday() {
        assertThat(FeltEffort.correction(20, 10, false)).isZero();
        assertThat(FeltEffort.correction(20, 10, true)).isEqualTo(-10);
        assertThat(FeltEffort.correction(20, 35, false)).isEqualTo(15);
    }
}

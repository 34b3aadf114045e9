package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What can be done with effort; what playing costs is tried in {@link LoadTest}. */
class EffortTest {

    private static final Effort SIX = new Effort(6);
    private static final Effort TEN = new Effort(10);

    @Test
    void nothingIsLeftWhereMoreWasUsedThanThereWas() {
        assertThat(TEN.less(SIX)).isEqualTo(new Effort(4));
        assertThat(SIX.less(TEN)).isEqualTo(Effort.NONE);
    }

    @Test
    void itIsAddedUpAndMultiplied() {
        assertThat(SIX.plus(TEN)).isEqualTo(new Effort(16));
        assertThat(Effort.sum(Stream.of(SIX, TEN, SIX))).isEqualTo(new Effort(22));
        assertThat(Effort.sum(Stream.of())).isEqualTo(Effort.NONE);
        assertThat(TEN.times(0.4)).isEqualTo(new Effort(4));
    }

    @Test
    void ofTwoThereIsALesserAndAGreater() {
        assertThat(SIX.orLess(TEN)).isEqualTo(SIX).isEqualTo(TEN.orLess(SIX));
        assertThat(SIX.orMore(TEN)).isEqualTo(TEN).isEqualTo(TEN.orMore(SIX));
        assertThat(TEN.isMoreThan(SIX)).isTrue();
        assertThat(TEN.isMoreThan(TEN)).isFalse();
        assertThat(Effort.NONE.isAny()).isFalse();
        assertThat(SIX.isAny()).isTrue();
    }

    @Test
    void itIsNeverNegative() {
        assertThatThrownBy(() -> new Effort(-0.1)).hasMessage("Effort is not negative: -0.1");
        assertThatThrownBy(() -> new Effort(Double.NaN)).hasMessageContaining("not negative");
    }
}

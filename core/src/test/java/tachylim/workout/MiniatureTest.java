package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.method.School;
import tachylim.task.PassKind;

class MiniatureTest {

    @ParameterizedTest
    @EnumSource(School.class)
    void everyMethodHasAShapeButTheOneInWhichNothingIsPlayed(School school) {
        if (school == School.STUDY_CARD) {
            assertThat(Miniature.of(school)).isEmpty();
        } else {
            assertThat(Miniature.of(school)).isNotEmpty().hasSizeLessThan(200).allSatisfy(stretch -> {
                assertThat(stretch.seconds()).isPositive();
                assertThat(stretch.tempo()).isBetween(30.0, 160.0);
            });
        }
    }

    @Test
    void burstsStandAboveWhatIsSlowAndAnArchGoesUpAndBack() {
        assertThat(Miniature.of(School.INTERVAL_BURSTS))
                .filteredOn(stretch -> stretch.kind() == PassKind.BURST)
                .isNotEmpty()
                .allSatisfy(burst -> assertThat(burst.tempo()).isGreaterThan(124));
        var arch = Miniature.of(School.ARCH);
        double top = arch.stream().mapToDouble(Miniature.Stretch::tempo).max().orElseThrow();
        assertThat(arch.get(0).tempo()).isLessThan(0.7 * top);
        assertThat(arch.get(arch.size() - 1).tempo()).isLessThan(0.7 * top);
    }
}

package tachylim.count;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.tempo.Tempo;

class CountTest {

    private static final LocalDate DAY = LocalDate.of(2026, 3, 2);

    private static Count minute(int clean) {
        return new Count(DAY, Change.MINUTE, clean);
    }

    private static List<Count> minutes(int... clean) {
        List<Count> counts = new ArrayList<>();
        for (int one : clean) {
            counts.add(minute(one));
        }
        return counts;
    }

    @ParameterizedTest
    @CsvSource({"112, 2, 56", "112, 1, 112", "90, 4, 23", "60, 0.5, 120", "20, 16, 1"})
    void aTargetNeedsItsBeatsOverThoseOfAChange(double target, double beats, int needed) {
        assertThat(new Change(Tempo.of(target), beats).needed()).isEqualTo(needed);
    }

    @Test
    void whatIsNeededKeepsUpWithTheTarget() {
        Change change = new Change(Tempo.of(112), 2);
        assertThat(change.tempo(change.needed()).bpm()).isEqualTo(112);
        assertThat(change.tempo(42).bpm()).isEqualTo(84);
        assertThat(change.tempo(0).bpm()).isEqualTo(Tempo.MIN);
        // Six changes a minute, one every two beats, keep up with twelve beats a minute and no more.
        assertThat(change.keepsUpWith(6)).isEqualTo(12);
    }

    @Test
    void halfAMinuteCountsTwice() {
        assertThat(new Count(DAY, Change.HALF_A_MINUTE, 20).perMinute()).isEqualTo(40);
    }

    @Test
    void countsOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new Count(DAY, 45, 20)).hasMessageContaining("45");
        assertThatThrownBy(() -> minute(601)).hasMessageContaining("601");
        assertThatThrownBy(() -> minute(-1)).hasMessageContaining("refusal.count.0ToChangesAreCountedNot");
        assertThatThrownBy(() -> new Change(Tempo.of(100), 0)).hasMessageContaining("beats=0");
    }

    /** At the best there ever was a minute costs e^1.2 = 3.32 effort minutes, as any minute at the ceiling does. */
    @Test
    void theBestCountStandsForTheCeiling() {
        Change change = new Change(Tempo.of(112), 2);
        assertThat(change.effort(minute(40), 40).minutes()).isCloseTo(3.32, within(0.01));
        assertThat(change.effort(minute(40), 0).minutes()).isCloseTo(3.32, within(0.01));
        assertThat(change.effort(minute(24), 40).minutes()).isCloseTo(1, within(1e-9));
    }

    @Property
    void noCountCostsNothingNorMoreThanAtItsBest(
            @ForAll @IntRange(max = 600) int clean, @ForAll @DoubleRange(max = 600) double best) {
        double effort = new Change(Tempo.of(112), 2).effort(minute(clean), best).minutes();
        assertThat(effort).isPositive().isLessThanOrEqualTo(Math.exp(1.2) + 1e-9);
    }

    @Test
    void aTrendNeedsSixCounts() {
        assertThat(Trend.of(minutes(30, 31, 32, 33, 34)).gained()).isEmpty();
        assertThat(Trend.of(minutes(30, 30, 30, 36, 36, 36)).gained()).hasValue(6);
    }

    @Test
    void aTrendComparesTheLastFiveWithTheFiveBefore() {
        Trend trend = Trend.of(minutes(90, 90, 30, 31, 32, 33, 34, 40, 41, 42, 43, 44));
        assertThat(trend.now()).isEqualTo(42);
        assertThat(trend.gained()).hasValue(42 - 32);
    }

    @Test
    void oneLuckyMinuteSwaysNothing() {
        assertThat(Trend.of(minutes(30, 30, 30, 30, 30, 30, 30, 30, 30, 99)).gained())
                .hasValue(0);
    }

    @Property
    void aTrendLiesAmongItsCounts(@ForAll @Size(min = 1, max = 40) List<@IntRange(max = 200) Integer> clean) {
        List<Count> counts = clean.stream().map(CountTest::minute).toList();
        double least = clean.stream().mapToInt(one -> one).min().orElseThrow();
        double most = clean.stream().mapToInt(one -> one).max().orElseThrow();
        Trend trend = Trend.of(counts);
        assertThat(trend.now()).isBetween(least, most);
        trend.gained().ifPresent(gained -> assertThat(Math.abs(gained)).isLessThanOrEqualTo(most - least));
    }
}

package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.task.Tension;

class LoadTest {

    private static final Instant NOON = Instant.parse("2026-03-02T12:00:00Z");

    @ParameterizedTest
    @CsvSource({"0.6, 1.00", "0.8, 1.82", "1.0, 3.32", "1.2, 6.05"})
    void aLooseMinuteCostsMoreTheNearerTheCeiling(double ratio, double effort) {
        assertThat(Effort.of(60, ratio, Tension.LOOSE).minutes()).isCloseTo(effort, within(0.005));
    }

    @Test
    void tensionAboveLightCosts15PercentAStep() {
        Effort loose = Effort.of(60, 0.9, Tension.LOOSE);
        assertThat(Effort.of(60, 0.9, Tension.LIGHT)).isEqualTo(loose);
        assertThat(Effort.of(60, 0.9, Tension.GRIPPING).minutes()).isCloseTo(1.45 * loose.minutes(), within(1e-9));
    }

    @Test
    void sixSecondsAtAFifthAboveComfortableCostSixTenths() {
        assertThat(Recovery.full().afterPlaying(1.2, 6).level()).isCloseTo(0.4, within(1e-9));
    }

    @Test
    void fromFourTenthsToSevenTakesSeventeenSeconds() {
        assertThat(new Recovery(0.4, 2).restUntil(0.7)).isCloseTo(17.3, within(0.05));
    }

    @Test
    void slowPlayingFillsMoreSlowlyThanRest() {
        Recovery low = new Recovery(0.3, 2);
        assertThat(low.afterPlaying(0.6, 10).level())
                .isBetween(0.31, low.afterRest(10).level() - 0.01);
    }

    @Property
    void theRecoveryStaysBetweenNothingAndFull(
            @ForAll @DoubleRange(min = 0, max = 1) double level,
            @ForAll @DoubleRange(min = 0.1, max = 3) double ratio,
            @ForAll @DoubleRange(min = 0, max = 600) double seconds) {
        assertThat(new Recovery(level, 2).afterPlaying(ratio, seconds).level()).isBetween(0.0, 1.0);
    }

    @Property
    void theRestComputedIsTheRestNeeded(
            @ForAll @DoubleRange(min = 0, max = 0.99) double level,
            @ForAll @DoubleRange(min = 0, max = 0.95) double wanted) {
        Recovery recovery = new Recovery(level, 2);
        assertThat(recovery.afterRest(recovery.restUntil(wanted)).level()).isGreaterThanOrEqualTo(wanted - 1e-9);
    }

    @Property
    void theLevelBeforeSlowPlayingBecomesTheOneWanted(
            @ForAll @DoubleRange(min = 0.3, max = 0.95) double wanted,
            @ForAll @DoubleRange(min = 0.3, max = 1) double ratio,
            @ForAll @DoubleRange(min = 0, max = 60) double seconds) {
        double before = Recovery.beforeSlowPlaying(wanted, ratio, seconds);
        assertThat(new Recovery(before, 2).afterPlaying(ratio, seconds).level()).isGreaterThanOrEqualTo(wanted - 1e-9);
    }

    @Test
    void theLimitWithTheLargestUsedShareBinds() {
        Guardrails guardrails = new Guardrails(40, null);
        assertThat(guardrails
                        .today(new DayLoad(new Effort(10), 80, 600, Tension.LIGHT), NOON)
                        .get(0)
                        .kind())
                .isEqualTo(Limit.Kind.BURST_SECONDS);
        assertThat(guardrails
                        .today(new DayLoad(new Effort(38), 20, 600, Tension.LIGHT), NOON)
                        .get(0)
                        .kind())
                .isEqualTo(Limit.Kind.EFFORT);
        assertThat(guardrails
                        .today(new DayLoad(new Effort(10), 20, 2950, Tension.LIGHT), NOON)
                        .get(0)
                        .kind())
                .isEqualTo(Limit.Kind.PLAYING_MINUTES);
    }

    @Test
    void aLockedHandLeavesNoBurstsForTheDay() {
        Limit bursts = new Guardrails(40, null)
                .today(new DayLoad(new Effort(5), 10, 300, Tension.LOCKED), NOON).stream()
                        .filter(limit -> limit.kind() == Limit.Kind.BURST_SECONDS)
                        .findFirst()
                        .orElseThrow();
        assertThat(bursts.left()).isZero();
        assertThat(bursts.why().code()).isEqualTo("bursts.locked");
    }

    @Test
    void aSymptomStopsPlayingForTwoDays() {
        Guardrails guardrails = new Guardrails(40, NOON);
        Limit binding =
                guardrails.today(DayLoad.NONE, NOON.plus(Duration.ofHours(47))).get(0);
        assertThat(binding.kind()).isEqualTo(Limit.Kind.EFFORT);
        assertThat(binding.left()).isZero();
        assertThat(guardrails.rest(NOON.plus(Duration.ofHours(49)))).isEmpty();
    }

    @Test
    void aDayOfNothingOrOfMoreThanADayIsRefused() {
        assertThatThrownBy(() -> new Guardrails(0, null))
                .hasMessageContaining("refusal.dailyMinutes.giveToMinutesADayNot");
        assertThatThrownBy(() -> new Guardrails(-5, null)).hasMessageContaining("-5");
        assertThatThrownBy(() -> new Guardrails(601, null)).hasMessageContaining("601");
    }
}

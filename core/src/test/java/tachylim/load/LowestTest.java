package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tachylim.task.Tension;
import tachylim.words.Reason;

class LowestTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 5, 4);
    private static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");
    private static final History FRESH = History.none(TODAY, Effort.planned(60));

    private static Guardrails rails(List<LocalDate> dates, Optional<Lowest> lowest, Ordered... given) {
        return new Guardrails(60, SymptomHistory.NONE, FRESH, dates, List.of(given), Optional.empty(), lowest);
    }

    private static Limit limit(Guardrails rails, Limit.Kind kind) {
        return rails.today(DayLoad.NONE, NOW).stream()
                .filter(limit -> limit.kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aPerformanceThatIsDeletedGivesNothingBackToday() {
        Lowest tapered = rails(List.of(TODAY.plusDays(1)), Optional.empty()).lowest(DayLoad.NONE, NOW);
        Guardrails without = rails(List.of(), Optional.of(tapered));
        assertThat(limit(without, Limit.Kind.EFFORT).cap())
                .isEqualTo(tapered.effort().orElseThrow().effort().minutes())
                .isLessThan(60);
        assertThat(limit(without, Limit.Kind.EFFORT).why())
                .isEqualTo(Reason.of(
                        "cap.onlyDown", "why", tapered.effort().orElseThrow().why()));
        assertThat(limit(without, Limit.Kind.BURST_SECONDS).cap()).isZero();
        assertThat(without.caps(NOW).get(0).rule()).isEqualTo(Cap.Rule.EARLIER);
    }

    @Test
    void whatIsHeldTwiceIsHeldForItsFirstReason() {
        Lowest tapered = rails(List.of(TODAY.plusDays(1)), Optional.empty()).lowest(DayLoad.NONE, NOW);
        Lowest again = rails(List.of(), Optional.of(tapered)).lowest(DayLoad.NONE, NOW);
        assertThat(again).isEqualTo(tapered);
    }

    @Test
    void whatIsLowerNowIsHeldFromNow() {
        Lowest tapered = rails(List.of(TODAY.plusDays(1)), Optional.empty()).lowest(DayLoad.NONE, NOW);
        Lowest lower = rails(
                        List.of(),
                        Optional.of(tapered),
                        new Ordered(Limit.Kind.EFFORT, 5, "Dr Pell"),
                        new Ordered(Limit.Kind.BURST_SECONDS, 30, "Dr Pell"))
                .lowest(DayLoad.NONE, NOW);
        assertThat(lower.effort().orElseThrow().effort()).isEqualTo(new Effort(5));
        assertThat(lower.bursts().cap()).as("none is less than thirty").isZero();
    }

    @Test
    void aPlayersOwnMinutesAndASymptomAreHeldByOtherRules() {
        assertThat(rails(List.of(), Optional.empty()).lowest(DayLoad.NONE, NOW).effort())
                .isEmpty();
        Guardrails resting = new Guardrails(
                60,
                new SymptomHistory(NOW, null, false),
                FRESH,
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty());
        assertThat(resting.lowest(DayLoad.NONE, NOW).effort()).isEmpty();
    }

    @Test
    void aHandThatLockedIsHeld() {
        DayLoad locked = new DayLoad(new Effort(3), 10, 200, Tension.LOCKED);
        Lowest held = rails(List.of(), Optional.empty()).lowest(locked, NOW);
        assertThat(limit(rails(List.of(), Optional.of(held)), Limit.Kind.BURST_SECONDS)
                        .cap())
                .isZero();
    }

    @Test
    void tomorrowNothingOfTodayIsHeld() {
        Lowest tapered = rails(List.of(TODAY.plusDays(1)), Optional.empty()).lowest(DayLoad.NONE, NOW);
        Guardrails tomorrow = rails(List.of(), Optional.of(tapered)).after(new Effort(10), null);
        assertThat(limit(tomorrow, Limit.Kind.BURST_SECONDS).cap()).isEqualTo(90);
    }
}

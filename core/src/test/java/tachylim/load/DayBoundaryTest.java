package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DayBoundaryTest {

    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");
    private static final Instant NOON = Instant.parse("2026-03-10T12:00:00Z");
    private static final List<String> ZONES = List.of(
            "Europe/Lisbon",
            "America/New_York",
            "Asia/Tokyo",
            "Pacific/Kiritimati",
            "Pacific/Pago_Pago",
            "Asia/Kathmandu",
            "Australia/Lord_Howe");

    @ParameterizedTest
    @CsvSource({
        "2026-03-10T03:59:59Z, 2026-03-09",
        "2026-03-10T04:00:00Z, 2026-03-10",
        "2026-03-11T00:30:00Z, 2026-03-10"
    })
    void whatIsPractisedAfterMidnightBelongsToTheEveningBefore(Instant at, LocalDate day) {
        assertThat(DayBoundary.in(LISBON).day(at)).isEqualTo(day);
    }

    @Test
    void aDayOfTheClockChangeEndsAtFourToo() {
        DayBoundary home = DayBoundary.in(LISBON);
        assertThat(home.dayEnds(Instant.parse("2026-03-28T20:00:00Z")))
                .isEqualTo(Instant.parse("2026-03-29T03:00:00Z"));
    }

    @ParameterizedTest
    @CsvSource({
        "America/New_York, 2026-03-11T08:00:00Z",
        "Asia/Tokyo, 2026-03-11T04:00:00Z",
        "Europe/Lisbon, 2026-03-11T04:00:00Z"
    })
    void aMoveHoldsOnceTheRunningDayHasEndedInBothZones(String to, Instant from) {
        DayBoundary moved = DayBoundary.in(LISBON).movingTo(ZoneId.of(to), NOON);
        assertThat(moved.nextFrom()).isEqualTo(from);
        assertThat(moved.zoneAt(from.minusSeconds(1))).isEqualTo(LISBON);
        assertThat(moved.zoneAt(from)).isEqualTo(ZoneId.of(to));
    }

    @Test
    void aMoveChangesNoDayThatIsOver() {
        DayBoundary moved = DayBoundary.in(LISBON).movingTo(ZoneId.of("Asia/Tokyo"), NOON);
        Instant aWeekAgo = NOON.minus(Duration.ofDays(7));
        assertThat(moved.day(aWeekAgo)).isEqualTo(DayBoundary.in(LISBON).day(aWeekAgo));
    }

    @Test
    void oneMoveADay() {
        DayBoundary moved = DayBoundary.in(LISBON).movingTo(ZoneId.of("Asia/Tokyo"), NOON);
        assertThatThrownBy(() -> moved.movingTo(LISBON, NOON.plusSeconds(60)))
                .isInstanceOf(IllegalStateException.class);
        assertThat(moved.movingTo(LISBON, NOON.plus(Duration.ofDays(1))).next()).isEqualTo(LISBON);
    }

    /** However one moves, days follow each other, and in any stretch of time there are no more of them than it holds. */
    @Property(tries = 300)
    void movingMakesNoDays(
            @ForAll @Size(20) List<@IntRange(min = 0, max = 6) Integer> zones,
            @ForAll @IntRange(min = 1, max = 30) int hours) {
        DayBoundary home = DayBoundary.in(LISBON);
        List<LocalDate> days = new ArrayList<>();
        Instant now = NOON;
        for (int i = 0; i < 400; i++, now = now.plus(Duration.ofMinutes(30))) {
            if (i % (2 * hours) == 0) {
                home = moved(home, ZoneId.of(ZONES.get(zones.get(i / (2 * hours) % zones.size()))), now);
            }
            days.add(home.day(now));
        }
        assertThat(days).isSorted();
        assertThat(days.stream().distinct().count()).isLessThanOrEqualTo(400 / 48 + 3);
    }

    private static DayBoundary moved(DayBoundary home, ZoneId to, Instant now) {
        try {
            return home.movingTo(to, now);
        } catch (IllegalStateException tooSoon) {
            return home;
        }
    }

    @Test
    void aDayBeganWhenItTurnedAlsoWhenTheClocksChange() {
        DayBoundary paris = DayBoundary.in(ZoneId.of("Europe/Paris"));
        // The night in which clocks go forward, and the one in which they go back.
        for (String night : new String[] {"2026-03-29T00:30:00Z", "2026-10-25T00:30:00Z", "2028-02-29T01:00:00Z"}) {
            Instant now = Instant.parse(night);
            Instant began = paris.dayBegan(now);
            assertThat(began).isBefore(now);
            assertThat(paris.day(began)).isEqualTo(paris.day(now));
            assertThat(paris.day(began.minusNanos(1))).isEqualTo(paris.day(now).minusDays(1));
        }
    }

    @Test
    void aDayInWhichOneMovesBeganWhereItBegan() {
        Instant asked = Instant.parse("2026-05-04T12:00:00Z");
        DayBoundary moved = DayBoundary.in(ZoneId.of("Europe/Paris")).movingTo(ZoneId.of("America/New_York"), asked);
        for (int hour = 0; hour < 72; hour++) {
            Instant now = asked.plusSeconds(3_600L * hour);
            Instant began = moved.dayBegan(now);
            assertThat(began).isBeforeOrEqualTo(now);
            assertThat(moved.day(began)).isEqualTo(moved.day(now));
            assertThat(moved.day(began.minusNanos(1))).isBefore(moved.day(now));
        }
    }
}

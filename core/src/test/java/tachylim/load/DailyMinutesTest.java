package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A cap is lowered at once and never raised in the heat of the day. */
class DailyMinutesTest {

    private static final LocalDate FIRST = LocalDate.of(2026, 3, 2);
    private static final DailyMinutes USUAL = DailyMinutes.of(40, FIRST);

    @Test
    void onTheFirstDayTheyAreSetFreely() {
        assertThat(USUAL.asked(90, FIRST).on(FIRST)).isEqualTo(90);
        assertThat(USUAL.asked(90, FIRST).asked(20, FIRST).on(FIRST)).isEqualTo(20);
    }

    @Test
    void laterMoreHoldFromTomorrowAndFewerAtOnce() {
        LocalDate later = FIRST.plusDays(9);
        DailyMinutes more = USUAL.asked(60, later);
        assertThat(more.on(later)).isEqualTo(40);
        assertThat(more.tomorrow(later)).isEqualTo(60);
        assertThat(more.on(later.plusDays(1))).isEqualTo(60);
        assertThat(more.tomorrow(later.plusDays(1))).isNull();
        DailyMinutes fewer = more.asked(30, later);
        assertThat(fewer.on(later)).isEqualTo(30);
        assertThat(fewer.on(later.plusDays(1))).as("the raise is off").isEqualTo(30);
    }

    @Test
    void aRaiseThatIsAskedForAgainWaitsAgain() {
        LocalDate later = FIRST.plusDays(9);
        DailyMinutes twice = USUAL.asked(60, later).asked(80, later.plusDays(1));
        assertThat(twice.on(later.plusDays(1))).isEqualTo(60);
        assertThat(twice.on(later.plusDays(2))).isEqualTo(80);
    }

    @ParameterizedTest
    @ValueSource(ints = {-1, 0, DailyMinutes.LEAST - 1, DailyMinutes.MOST + 1})
    void minutesOutsideTheRangeAreRefused(int minutes) {
        assertThatThrownBy(() -> DailyMinutes.of(minutes, FIRST))
                .hasMessageContaining("refusal.dailyMinutes.giveToMinutesADayNot");
        assertThatThrownBy(() -> USUAL.asked(minutes, FIRST))
                .hasMessageContaining("refusal.dailyMinutes.giveToMinutesADayNot");
    }
}

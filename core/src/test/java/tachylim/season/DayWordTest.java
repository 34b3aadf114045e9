package tachylim.season;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import tachylim.season.DayWord.Kind;
import tachylim.words.Reason;

class DayWordTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 3, 10);

    private static DayWord word(boolean off, boolean easy, boolean played, int daysAgo, int offBefore) {
        return DayWord.of(TODAY, off, easy, played, TODAY.minusDays(daysAgo), offBefore);
    }

    @Test
    void aDayAfterAPlayedOneNeedsNoWords() {
        assertThat(word(false, false, false, 1, 0)).isEqualTo(new DayWord(Kind.USUAL, Reason.NONE));
        assertThat(DayWord.of(TODAY, false, false, false, null, 0).kind()).isEqualTo(Kind.USUAL);
    }

    @Test
    void aForgottenDayOwesNothing() {
        DayWord one = word(false, false, false, 2, 0);
        assertThat(one.kind()).isEqualTo(Kind.FORGOTTEN);
        assertThat(one.sentence()).isEqualTo(Reason.of("day.missed", "days", 1));
        assertThat(word(false, false, false, 5, 0).sentence()).isEqualTo(Reason.of("day.missed", "days", 4));
    }

    @Test
    void aDayThatWasToBeOffWasNotForgotten() {
        assertThat(word(false, false, false, 2, 1).kind()).isEqualTo(Kind.USUAL);
        assertThat(word(false, false, false, 3, 1).sentence()).isEqualTo(Reason.of("day.missed", "days", 1));
    }

    @Test
    void aDayOffABadDayAndADayThatIsDoneHaveTheirOwn() {
        assertThat(word(true, false, false, 1, 0).kind()).isEqualTo(Kind.OFF);
        assertThat(word(true, true, false, 1, 0).kind()).isEqualTo(Kind.EASY);
        assertThat(word(true, false, true, 1, 0).kind()).isEqualTo(Kind.DONE);
    }
}

package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import tachylim.task.Tension;
import tachylim.words.Reason;

class SparingTest {

    private static final LocalDate TODAY = LocalDate.of(2027, 3, 10);
    private static final Instant NOW = Instant.parse("2027-03-10T09:00:00Z");

    @Test
    void aDayLikeAnyOtherSparesNobody() {
        assertThat(Sparing.why(TODAY, TODAY.minusDays(1), null, Tension.LIGHT, NOW))
                .isEqualTo(Reason.NONE);
        assertThat(Sparing.why(TODAY, TODAY.minusDays(7), null, Tension.LIGHT, NOW))
                .as("six days without playing")
                .isEqualTo(Reason.NONE);
        assertThat(Sparing.why(TODAY, null, null, Tension.LIGHT, NOW)).isEqualTo(Reason.NONE);
    }

    @Test
    void theFirstDayAfterAWeekAwayIsEasy() {
        assertThat(Sparing.why(TODAY, TODAY.minusDays(8), null, Tension.LIGHT, NOW))
                .isEqualTo(Reason.of("spared.away", "days", 7));
        assertThat(Sparing.why(TODAY, TODAY.minusDays(41), null, Tension.LIGHT, NOW))
                .isEqualTo(Reason.of("spared.away", "days", 40));
    }

    @Test
    void aWeekAfterASymptomIsEasyAndSaysWhoseWordGoesFirst() {
        assertThat(Sparing.why(TODAY, TODAY.minusDays(1), NOW.minus(Duration.ofDays(3)), Tension.LIGHT, NOW)
                        .code())
                .isEqualTo("spared.symptom");
        assertThat(Sparing.why(TODAY, TODAY.minusDays(1), NOW.minus(Duration.ofDays(7)), Tension.LIGHT, NOW))
                .isEqualTo(Reason.NONE);
    }

    @Test
    void aHandThatLockedIsSparedUntilTomorrow() {
        assertThat(Sparing.why(TODAY, TODAY, null, Tension.LOCKED, NOW).code()).isEqualTo("spared.locked");
        assertThat(Sparing.why(TODAY, TODAY, null, Tension.GRIPPING, NOW)).isEqualTo(Reason.NONE);
    }
}

package tachylim.server.count;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import tachylim.count.Change;
import tachylim.task.Ask;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What the counting part of the API takes and gives. */
final class CountDtos {

    private CountDtos() {}

    private static final int LONGEST_NAME = 60;
    private static final String NAME = "refusal.name most=" + LONGEST_NAME;
    private static final String TARGET = Tempo.RANGE;
    private static final String BEATS = "refusal.count.beats least=" + Change.SHORTEST + " most=" + Change.LONGEST;

    record ChangeWish(
            @NotBlank(message = "refusal.countDtos.nameTheChangeSuchAsItsTwo") @Size(max = LONGEST_NAME, message = NAME)
            String name,

            @NotNull @Size(max = LONGEST_NAME, message = NAME)
            String song,

            @DecimalMin(value = "" + Tempo.MIN, message = TARGET) @DecimalMax(value = "" + Tempo.MAX, message = TARGET)
            double target,

            @DecimalMin(value = "" + Change.SHORTEST, message = BEATS)
            @DecimalMax(value = "" + Change.LONGEST, message = BEATS)
            double beats) {}

    record CountWish(
            @NotNull @Size(min = 36, max = 36) String clientId,
            @Min(Change.HALF_A_MINUTE) @Max(Change.MINUTE) int seconds,
            @Min(0) @Max(Ask.MOST) int clean,

            @Min(0)
            @Max(MOST_AGO)
            @Schema(nullable = true, description = "how long ago it ended, where it could not be sent at once")
            Double secondsAgo) {}

    /** A count that was kept in a browser for longer than a day and a half has nothing to do with the tempo of today. */
    private static final long MOST_AGO = 129_600;

    record CountDto(LocalDate day, int seconds, int clean, double perMinute) {}

    record ChangeDto(
            long id,
            String name,
            String song,
            double target,
            double beats,

            @Schema(nullable = true, description = "the passage whose transition it is")
            Long passageId,

            @Schema(nullable = true, description = "which of its transitions, from 0")
            Integer transition,

            @Schema(description = "the clean changes a minute that the target needs")
            int needed,

            @Schema(nullable = true, description = "the most there ever were, a minute")
            Double best,

            @Schema(nullable = true, description = "the tempo that the last counts keep up with")
            Double tempo,

            @Schema(description = "how it comes on, in a sentence")
            Reason trend,

            @Schema(description = "the counts of the last weeks, the oldest first")
            List<CountDto> counts) {}

    /** The changes, with what is said of each song that has several. */
    record CountsView(
            LocalDate today,

            @Schema(description = "why nothing should be counted now; empty when something may")
            String caution,

            @Schema(description = "whether nothing more is counted today")
            boolean closed,

            List<Reason> songs,
            List<ChangeDto> changes) {}
}

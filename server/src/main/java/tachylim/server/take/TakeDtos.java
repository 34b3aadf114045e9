package tachylim.server.take;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import tachylim.load.AwayPractice;
import tachylim.passage.InstrumentFamily;
import tachylim.server.load.Away;
import tachylim.shown.MeasuredDto;
import tachylim.shown.ToHearDto;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What is told of what was measured. */
public final class TakeDtos {

    private TakeDtos() {}

    /** How far the microphone is trusted on an instrument. */
    record TrustDto(
            @Schema(description = "how many takes were confirmed by hand")
            long confirmed,

            @Schema(description = "how many must be before a tempo is raised without a hand")
            int enough,

            @Schema(description = "whether what is measured as clean may raise a tempo without a hand")
            boolean mayRaise,

            @Schema(description = "nine counts, by what the player said and what was measured: clean, rough, broke")
            List<Long> counts) {}

    /** The fastest at which a section was even. */
    record EvenUpTo(
            @Schema(nullable = true, description = "in BPM; null where nothing was measured clean")
            Double tempo,

            @Schema(nullable = true) Double evenness,
            int days) {}

    /** How even a passage was this week. */
    record PassageWeek(
            long passageId,
            String passage,
            double evenness,

            @Schema(
                    nullable = true,
                    description = "how even it was the week before; null where too little was measured")
            Double before,

            int passes) {}

    /** What is to be heard of a section. */
    record SectionToHear(
            long passageId, String passage, String section, InstrumentFamily instrument, ToHearDto toHear) {}

    /** A recording that was made elsewhere, as what was measured of it. */
    record RecordingWish(
            @NotNull
            @Pattern(regexp = "[0-9a-fA-F-]{36}")
            @Schema(description = "an id of the browser's making: sent twice, it is kept once")
            String clientId,

            long sectionId,
            @NotNull(message = "refusal.recording.sayWhen") LocalDate day,

            @DecimalMin(value = "" + Tempo.MIN, message = Tempo.RANGE)
            @DecimalMax(value = "" + Tempo.MAX, message = Tempo.RANGE)
            double tempo,

            @Min(value = 1, message = Away.MINUTES) @Max(value = AwayPractice.MOST_MINUTES, message = Away.MINUTES)
            int minutes,

            @NotNull @Valid @Size(min = 1, max = MOST_PASSES, message = "refusal.recording.passes most=" + MOST_PASSES)
            List<@NotNull RecordedPass> passes) {}

    static final int MOST_PASSES = 100;

    /** One of its passes. */
    record RecordedPass(
            @NotNull @Valid MeasuredDto measured,

            @Schema(description = "what the player says of it; null where nothing", nullable = true)
            Verdict said) {}

    /** How even a passage was: its last weeks, some of its bars then and now, and in which ways it was played. */
    record EvennessDto(
            @Schema(description = "the oldest first; weeks without a measured pass are missing")
            List<WeekDto> weeks,

            List<BarsDto> bars,
            List<WayDto> ways,

            @Schema(description = "transitions heard to slip in two of the last four passes, from 0, the worst first")
            List<Integer> troubled) {}

    /** A week's passes as written. */
    record WeekDto(
            LocalDate monday,

            @Schema(description = "how much the intervals differ, as a share of them")
            double evenness,

            @Schema(description = "the fastest that was measured clean, in BPM; null where none was", nullable = true)
            Double evenUpTo,

            int passes) {}

    /** How even some bars were at first, in these weeks, and how even they are now. */
    record BarsDto(
            @Schema(description = "the first of them, from 1")
            int first,

            int last,
            LocalDate from,
            double before,
            double now) {}

    /** A way of playing, and how even it was. */
    record WayDto(
            @Schema(description = "the variation's key; empty as written")
            String way,

            Reason name,
            double evenness,
            int passes) {}
}

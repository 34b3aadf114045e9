package tachylim.server.sheet;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import tachylim.notation.entry.TappedRhythm;
import tachylim.passage.Joining;
import tachylim.passage.Mark;
import tachylim.passage.Readiness;
import tachylim.server.repertoire.PassageDtos.SectionDto;
import tachylim.tempo.Tempo;
import tachylim.variation.Cell;
import tachylim.variation.DaysChoice;
import tachylim.variation.Variation;
import tachylim.words.Reason;
import tachylim.workout.Click;
import tachylim.workout.Playback;

/** What the practice sheet takes and gives. */
public final class PracticeSheetDtos {

    private PracticeSheetDtos() {}

    private static final String MINUTES =
            "refusal.plan.minutes least=" + DaysChoice.LEAST_MINUTES + " most=" + DaysChoice.MOST_MINUTES;

    /** Music to be engraved, with the place of each note in its text. */
    public record Engraved(String abc, List<Integer> places) {}

    public record MarkDto(Mark.Kind kind, String value) {}

    public record NoteDto(boolean onBeat, List<MarkDto> marks) {}

    @Schema(description = "a decision as it was made; an empty value took it away")
    public record DecisionDto(int note, Mark.Kind kind, String value, String why, Instant at) {}

    public record TransitionDto(
            @Schema(description = "1, and more where it broke lately")
            double need,

            int breaks,

            @Schema(description = "whether it was heard late, early or not at all in two of its last four passes")
            boolean heardToSlip,

            @Schema(description = "how often today's choice trains it")
            int trainedToday,

            @Schema(description = "whether a variation that was played in the last seven days trained it")
            boolean trainedThisWeek) {}

    public record ReadinessDto(
            Readiness item,
            boolean preparation,
            boolean reached,

            @Schema(nullable = true, description = "when it was last reached")
            LocalDate reachedOn,

            @Schema(nullable = true, description = "when it was lost again, if it was")
            LocalDate lostOn,

            Reason why) {}

    public record JoinDto(
            Joining.Stage stage, int firstSection, int lastSection, int firstNote, int lastNote, Reason name) {}

    public record JoiningDto(Joining.Order order, int transition, List<Integer> sections, List<JoinDto> joins) {}

    public record ChoiceDto(
            long id,
            String variation,
            Reason title,
            double minutes,
            Reason why,
            boolean played,
            int matchingBpm,
            List<Integer> trained) {}

    public record PracticeSheetDto(
            Engraved music,
            List<NoteDto> notes,
            List<TransitionDto> transitions,
            List<ReadinessDto> readiness,
            JoiningDto joining,
            List<String> articulations,
            String wantedArticulation,

            @Schema(description = "what today or a symptom says against playing; empty when nothing does")
            String caution,

            @Schema(description = "whether playing along counts no more today")
            boolean closed,

            List<ChoiceDto> today,
            List<SectionDto> extras,
            List<DecisionDto> decisions) {}

    public record MarkWish(
            @Min(0) int note,

            @NotNull(message = "refusal.practiceSheetDtos.sayWhatKindOfMarkItIs")
            Mark.Kind kind,

            @Schema(description = "empty to take the mark away")
            @NotNull
            @Size(max = 8, message = "refusal.practiceSheetDtos.aMarkHasUpTo8Characters")
            String value,

            @NotNull @Size(max = 300, message = "refusal.practiceSheetDtos.theReasonHasUpTo300")
            String why,

            @Schema(description = "whether learned work may be given up for it")
            boolean confirmed) {}

    public record ReadinessWish(@NotNull Readiness item, boolean reached) {}

    public record JoiningWish(
            @NotNull Joining.Order order, @Min(0) int transition) {}

    public record ArticulationWish(
            @NotNull @Size(max = 60, message = "refusal.practiceSheetDtos.anArticulationHasUpTo60")
            String articulation) {}

    public record ArticulationsWish(
            @NotNull @Size(min = 1, max = 20, message = "refusal.practiceSheetDtos.aListHas1To20Articulations")
            List<
                            @NotBlank(message = "refusal.practiceSheetDtos.anArticulationNeedsAName")
                            @Size(max = 60, message = "refusal.practiceSheetDtos.anArticulationHasUpTo60") String>
                    names) {}

    public record ChoiceWish(
            @DecimalMin(value = "" + DaysChoice.LEAST_MINUTES, message = MINUTES)
            @DecimalMax(value = "" + DaysChoice.MOST_MINUTES, message = MINUTES)
            double minutes) {}

    public record PlayedWish(boolean played) {}

    public record Taps(
            @NotNull
            @Size(
                    max = Cell.MOST_NOTES + 1,
                    message = "refusal.practiceSheetDtos.tapUpToTimes mostNotes=" + (Cell.MOST_NOTES + 1))
            List<
                            @NotNull @DecimalMin(value = "0", message = TAP)
                            @DecimalMax(value = "" + TappedRhythm.MOST_SECONDS, message = TAP) Double>
                    seconds) {}

    private static final String TAP = "refusal.tap minutes=" + TappedRhythm.MOST_SECONDS / 60;

    /** Something played along with a playback or a variation, for as long as it was played. */
    public record PracticeWish(
            @NotNull @Pattern(regexp = "[0-9a-fA-F-]{36}") String clientId,

            @DecimalMin(value = "" + Tempo.MIN, message = Tempo.RANGE)
            @DecimalMax(value = "" + Tempo.MAX, message = Tempo.RANGE)
            double bpm,

            @DecimalMin(value = "0.5", message = "refusal.practiceSheetDtos.giveHalfASecondOrMore")
            @DecimalMax(value = "3600", message = "refusal.practiceSheetDtos.giveUpToAnHour")
            double seconds,

            @Schema(description = "whether it was a variation, whose tempo says less of how fast its notes are")
            boolean varied) {}

    public record CellDto(String cell) {}

    @Schema(description = "the key of a variation")
    public record KeyDto(String key) {}

    public record VariationDto(
            String key,
            Reason title,
            Variation.Family family,

            @Schema(description = "its first notes, or all of them where the whole was asked for")
            String abc,

            double matchingBpm,

            @Schema(description = "notes a second in its quick places at the tempo asked for")
            double rate,

            List<Integer> trained,
            Reason remark,
            double minutes) {}

    public record Sheet(double targetBpm, double bpm, int firstNote, int lastNote, List<VariationDto> variations) {}

    public record WholeVariation(
            VariationDto variation,
            Engraved music,

            @Schema(description = "for each of its notes the note of the passage; -1 for none")
            List<Integer> source) {}

    /** A variation by its key, with its name. */
    public record TrainingVariation(String key, Reason title) {}

    public record TransitionView(int transition, List<WindowDto> windows, List<TrainingVariation> trainedBy) {}

    public record WindowDto(int firstNote, int lastNote, String abc) {}

    public record SoundedClick(double seconds, Click.Kind kind) {}

    public record PlaybackDto(double bpm, double seconds, List<Playback.Sounding> notes, List<SoundedClick> clicks) {}

    record CauseWish(
            @NotBlank(message = "refusal.practiceSheetDtos.sayWhyItBroke")
            @Size(max = 60, message = "refusal.practiceSheetDtos.aCauseHasUpTo60Characters")
            String cause) {}

    /** How often it was why something broke in this passage, in four weeks. */
    record CauseView(long times) {}
}

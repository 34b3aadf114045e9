package tachylim.server.workout;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import tachylim.method.School;
import tachylim.server.load.LoadDto;
import tachylim.shown.PlanWish;
import tachylim.shown.Timeline;
import tachylim.words.Reason;

/** What the planning part of the API takes and gives. */
public final class PlanDtos {

    private PlanDtos() {}

    private static final int LONGEST_NAME = 60;

    /** A workout to be kept under a name. */
    public record TemplateWish(
            @NotBlank(message = "refusal.planDtos.giveTheTemplateAName")
            @Size(max = LONGEST_NAME, message = "refusal.planDtos.aNameHasUpToCharacters longestName=" + LONGEST_NAME)
            String name,

            @NotNull @Valid PlanWish wish) {}

    /** A workout that was kept; its sections are those it was made for. */
    public record TemplateDto(long id, String name, PlanWish wish) {}

    /** The methods to choose. */
    static final List<School> SCHOOLS =
            Arrays.stream(School.values()).filter(School::makesCore).toList();

    /** A plan before it is begun: nothing is kept of it. */
    public record PlanView(
            PlanWish wish,
            List<School> schools,
            String passage,
            String section,
            @Schema(nullable = true) LocalDate neededOn,

            @Schema(description = "the sections of the workout, in the order its blocks count them")
            List<WorkoutSection> sections,

            @Schema(description = "what the first section wants now by a rule of thumb, with the reason")
            Advice advice,

            Timeline timeline,
            LoadDto load) {}

    /** A method with the reason for it. */
    public record Advice(
            School school,
            Reason why,

            @Schema(description = "what the player chose instead, and for how long; nothing to say where they did not")
            Reason chosen) {}

    /** One of the sections of a workout. */
    public record WorkoutSection(
            long id, long passageId, int firstNote, int lastNote, String passage, String section, double target) {}
}

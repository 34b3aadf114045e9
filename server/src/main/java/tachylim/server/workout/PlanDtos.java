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
import tachylim.shown.Relief;

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

    /** A method to choose, as a player calls it. */
    public record SchoolDto(School school, String title, String hint) {

        static final List<SchoolDto> ALL = Arrays.stream(School.values())
                .filter(School::makesCore)
                .map(school -> new SchoolDto(school, school.title(), school.hint()))
                .toList();
    }

    /** A plan before it is begun: nothing is kept of it. */
    public record PlanView(
            PlanWish wish,
            List<SchoolDto> schools,
            String passage,
            String section,
            @Schema(nullable = true) LocalDate neededOn,

            @Schema(description = "the sections of the workout, in the order its blocks count them")
            List<SessionSection> sections,

            @Schema(
                    nullable = true,
                    description = "what the first section wants now by a rule of thumb, with the reason; null on Today")
            Advice advice,

            Relief relief,
            LoadDto load) {}

    /** A method with the reason for it. */
    public record Advice(School school, String title, String why) {}

    /** One of the sections of a workout. */
    public record SessionSection(
            long id, long passageId, int firstNote, int lastNote, String passage, String section, double target) {}
}

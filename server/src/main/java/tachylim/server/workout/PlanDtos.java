package tachylim.server.workout;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import tachylim.load.Caution;
import tachylim.method.School;
import tachylim.server.load.LoadDto;
import tachylim.workout.Brief;
import tachylim.workout.Choices;

/** What the planning part of the API takes and gives. */
public final class PlanDtos {

    private PlanDtos() {}

    private static final String MINUTES = "Give " + Brief.LEAST_MINUTES + " to " + Brief.MOST_MINUTES + " minutes.";

    /** What a player asks of a workout. */
    public record PlanWish(
            long pieceId,

            @Min(value = Brief.LEAST_MINUTES, message = MINUTES) @Max(value = Brief.MOST_MINUTES, message = MINUTES)
            int minutes,

            @NotNull(message = "Choose a method.") School school,
            @Min(1) @Max(Choices.MOST_BURSTS) int bursts,
            @Min(1) @Max(Choices.LONGEST_BURST) int burstBeats,

            @DecimalMin("" + Choices.LEAST_CONTROLLED) @DecimalMax("" + Choices.MOST_CONTROLLED)
            double controlledShare,

            @DecimalMin("" + Choices.LEAST_FIRST) @DecimalMax("" + Choices.MOST_FIRST)
            double firstBurstShare,

            @Min(1) @Max(Choices.MOST_CLEAN_IN_A_ROW) int cleanInARow,

            @NotNull(message = "Choose how much reserve a burst needs.")
            Caution caution,

            @NotNull
            @Size(max = Choices.LONGEST_FOCUS, message = "A focus is at most " + Choices.LONGEST_FOCUS + " characters.")
            String focus) {

        Choices choices() {
            return new Choices(
                    school, bursts, burstBeats, controlledShare, firstBurstShare, cleanInARow, caution, focus);
        }

        /** The usual wish for a piece. */
        public static PlanWish usual(long pieceId, int minutes, School school) {
            Choices usual = Choices.usual();
            return new PlanWish(
                    pieceId,
                    minutes,
                    school,
                    usual.bursts(),
                    usual.burstBeats(),
                    usual.controlledShare(),
                    usual.firstBurstShare(),
                    usual.cleanInARow(),
                    usual.caution(),
                    usual.focus());
        }
    }

    /** A method to choose, as a player calls it. */
    public record SchoolDto(School school, String title, String hint) {

        static final List<SchoolDto> ALL = Arrays.stream(School.values())
                .map(school -> new SchoolDto(school, school.title(), school.hint()))
                .toList();
    }

    /** A plan before it is begun: nothing is kept of it. */
    public record PlanView(
            PlanWish wish,
            List<SchoolDto> schools,
            String passage,
            String piece,
            @Schema(nullable = true) LocalDate neededOn,
            Relief relief,
            LoadDto load) {}
}

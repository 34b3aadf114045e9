package tachylim.server.workout;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import tachylim.load.Caution;
import tachylim.server.load.LoadDto;
import tachylim.workout.Choices;
import tachylim.workout.School;

/** What the planning part of the API takes and gives. */
public final class PlanDtos {

    private PlanDtos() {}

    /** What a player asks of a workout. */
    public record PlanWish(
            long pieceId,

            @Min(value = 3, message = "Give 3 to 180 minutes.") @Max(value = 180, message = "Give 3 to 180 minutes.")
            int minutes,

            @NotNull(message = "Choose a method.") School school,
            int bursts,
            int burstBeats,
            double controlledShare,
            double firstBurstShare,
            int cleanInARow,

            @NotNull(message = "Choose how much reserve a burst needs.")
            Caution caution,

            @NotNull @Size(max = 60, message = "A focus is at most 60 characters.")
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

    /** A plan before it is begun: nothing is kept of it. */
    public record PlanView(
            PlanWish wish,
            String passage,
            String piece,
            @Schema(nullable = true) LocalDate neededOn,
            Relief relief,
            LoadDto load) {}
}

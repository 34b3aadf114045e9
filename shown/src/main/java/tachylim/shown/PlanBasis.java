package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import tachylim.codec.Codec;
import tachylim.load.Effort;
import tachylim.load.Limit;
import tachylim.record.WorkoutCodec;
import tachylim.words.Reason;
import tachylim.workout.Brief;
import tachylim.workout.Planner;
import tachylim.workout.Run;
import tachylim.workout.Workout;

/**
 * All that a page needs to plan by itself for the same sections on the same day. It is handed on to the core in the page as
 * it is.
 *
 * @param workout a document of {@link WorkoutCodec} without blocks
 * @param rest why nothing may be played, empty when something may
 * @param warning what is said of a workout that is fast, empty when there is nothing to say
 */
public record PlanBasis(
        @Schema(description = "the rules it is planned by: a core of another edition cannot go on with it")
        int edition,

        String workout,
        List<BeliefDto> beliefs,
        double effortBefore,
        double effortCap,
        Reason effortWhy,
        Reason rest,
        Reason warning) {

    public static final Codec<PlanBasis> CODEC = Codec.object(score -> new PlanBasis(
            score.whole("edition", PlanBasis::edition),
            score.text("workout", PlanBasis::workout),
            score.get("beliefs", BeliefDto.CODEC.list(), PlanBasis::beliefs),
            score.number("effortBefore", PlanBasis::effortBefore),
            score.number("effortCap", PlanBasis::effortCap),
            score.get("effortWhy", Reason.CODEC, PlanBasis::effortWhy),
            score.get("rest", Reason.CODEC, PlanBasis::rest),
            score.get("warning", Reason.CODEC, PlanBasis::warning)));

    /**
     * What is known to plan from.
     *
     * @param workoutTree the workout's document, read
     */
    public Brief brief(Object workoutTree) {
        return WorkoutCodec.workout(BeliefDto.byTheme(beliefs))
                .read(workoutTree)
                .brief();
    }

    /** The workout for a brief, with what this day has to say about it. */
    public Workout plan(Brief asked) {
        Workout workout = Planner.plan(asked);
        if (!rest.saysNothing()) {
            return workout.withOnlyRemark(rest);
        }
        return !warning.saysNothing() && asked.choices().school().isFast() ? workout.withRemark(warning) : workout;
    }

    /** A planned workout as it is shown on this day. */
    public Timeline timeline(Workout workout) {
        return Timeline.of(
                Run.start(workout),
                new Effort(effortBefore),
                new Limit(Limit.Kind.EFFORT, effortCap, effortBefore, effortWhy));
    }
}

package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import tachylim.codec.Codec;
import tachylim.record.WorkoutCodec;
import tachylim.workout.Run;

/**
 * All that a page needs to go on by itself: the workout as it is kept, what was believed when it was begun, and what has
 * happened since. It is handed on to the core in the page as it is.
 *
 * @param workout a document of {@link WorkoutCodec}
 */
public record RunBasis(
        @Schema(description = "the rules it is played by: a core of another edition cannot go on with it")
        int edition,

        String workout,
        List<BeliefDto> beliefs,
        List<EventDto> events,
        @Schema(nullable = true) LeftDto left,
        double effortBefore,
        List<PlaceDto> sections) {

    public static final Codec<RunBasis> CODEC = Codec.object(score -> new RunBasis(
            score.whole("edition", RunBasis::edition),
            score.text("workout", RunBasis::workout),
            score.get("beliefs", BeliefDto.CODEC.list(), RunBasis::beliefs),
            score.get("events", EventDto.CODEC.list(), RunBasis::events),
            score.get("left", LeftDto.CODEC.nullable(), RunBasis::left),
            score.number("effortBefore", RunBasis::effortBefore),
            score.get("sections", PlaceDto.CODEC.list(), RunBasis::sections)));

    /**
     * The run with all that happened in it.
     *
     * @param workoutTree the workout's document, read
     */
    public Run run(Object workoutTree) {
        Run run = Run.start(WorkoutCodec.workout(BeliefDto.byTheme(beliefs)).read(workoutTree));
        for (EventDto event : events) {
            run = event.onto(run);
        }
        return left == null ? run : run.under(left.allowance());
    }
}

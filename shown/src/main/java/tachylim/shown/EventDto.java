package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import tachylim.codec.Codec;
import tachylim.record.HearingCodec;
import tachylim.task.Answer;
import tachylim.task.Hearing;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.workout.Event;
import tachylim.workout.Pass;
import tachylim.workout.Run;

/** An event as a page sends it and as it is kept, with what was left of the day when its step was told. */
public record EventDto(
        String clientId,
        Kind kind,
        @Schema(nullable = true) Verdict verdict,
        @Schema(nullable = true) Integer tension,
        @Schema(nullable = true) Double told,
        @Schema(nullable = true) Double seconds,
        @Schema(nullable = true) LeftDto left,
        @Schema(nullable = true) Hearing heard) {

    /** What can happen. */
    public enum Kind {
        JUDGED,
        UNJUDGED,
        RESTED,
        BACKED_OFF,
        REST_ASKED,
        STOPPED,
        SYMPTOM;

        /** Whether it ends the run, from whichever window and at whatever step. */
        public boolean ends() {
            return this == STOPPED || this == SYMPTOM;
        }

        /** Whether it says that a pass was played to its end. */
        public boolean isPlayed() {
            return this == JUDGED || this == UNJUDGED;
        }
    }

    public static final Codec<EventDto> CODEC = Codec.object(event -> new EventDto(
            event.get("clientId", Codec.TEXT.or(""), EventDto::clientId),
            event.get("kind", Codec.constants(Kind.values()), EventDto::kind),
            event.get("verdict", Codec.constants(Verdict.values()).nullable(), EventDto::verdict),
            event.get("tension", Codec.WHOLE.nullable(), EventDto::tension),
            event.get("told", Codec.NUMBER.nullable(), EventDto::told),
            event.get("seconds", Codec.NUMBER.nullable(), EventDto::seconds),
            event.get("left", LeftDto.CODEC.nullable(), EventDto::left),
            event.get("heard", HearingCodec.HEARING.nullable(), EventDto::heard)));

    /** The run after it, under what was left of the day when its step was told. */
    public Run onto(Run run) {
        return (left == null ? run : run.under(left.allowance())).after(event(run));
    }

    /** The event as the core knows it. */
    public Event event(Run run) {
        double played = seconds == null ? Event.UNSAID : seconds;
        return switch (kind) {
            case JUDGED -> new Event.Judged(answer(run));
            case UNJUDGED -> new Event.Unjudged(Tension.said(tension));
            case RESTED -> new Event.Rested(played);
            case BACKED_OFF -> new Event.BackedOff(played);
            case REST_ASKED -> new Event.RestAsked(played);
            case STOPPED -> new Event.Stopped(false, played);
            case SYMPTOM -> new Event.Stopped(true, played);
        };
    }

    /** The answer in full, where the step says what was asked. */
    private Answer answer(Run run) {
        double figure = told == null ? Answer.NOTHING_TOLD : told;
        Answer answer = run.step() instanceof Pass pass
                ? pass.ask().answer(verdict, Tension.said(tension), figure)
                : new Answer(verdict, Tension.said(tension), figure);
        return heard == null ? answer : answer.heard(heard);
    }
}

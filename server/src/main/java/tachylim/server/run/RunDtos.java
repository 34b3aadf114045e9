package tachylim.server.run;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import tachylim.load.FeltEffort;
import tachylim.passage.InstrumentFamily;
import tachylim.shown.BandDto;
import tachylim.shown.EventDto;
import tachylim.shown.MeasuredDto;
import tachylim.shown.Moment;
import tachylim.shown.PlanWish;
import tachylim.shown.RunBasis;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.words.Reason;

/** What the running part of the API takes and gives. */
public final class RunDtos {

    private static final String UUID = "[0-9a-fA-F-]{36}";

    private RunDtos() {}

    record Beginning(
            @NotNull @Valid PlanWish plan,
            @NotNull @Pattern(regexp = UUID) String holder,

            @Schema(
                    nullable = true,
                    description = "the open workout that is ended first; what was played of it is saved")
            Long ending) {}

    /** A workout that is taken along. */
    record PackedDto(long id, InstrumentFamily instrument, String focus, RunBasis basis) {}

    /** That a workout which was taken along has been begun. */
    record BegunAway(
            @NotNull @Pattern(regexp = UUID) String holder,
            @Min(0) @Max(MOST_AGO) double secondsAgo) {}

    record TakeOver(@NotNull @Pattern(regexp = UUID) String holder) {}

    record NoteWish(
            @NotNull @Size(max = 2000, message = "refusal.runDtos.aNoteHasUpTo2000Characters")
            String note) {}

    /** How long ago something may be said to have happened: two weeks, for a browser that was away. */
    private static final long MOST_AGO = 1_209_600;

    /** More passes than any set has. */
    private static final int MOST_PASSES = 60;

    /**
     * An event, as the browser sends it. The ordinal is how many events the browser had seen before it; symptoms and
     * stops need none. Seconds are those of a rest; of a rest asked for, a back off or a stop, how much of the pass at hand
     * had been played, 0 for nothing: where nothing is said, a burst counts as played.
     */
    public record EventWish(
            @NotNull @Pattern(regexp = UUID) String clientId,
            @NotNull @Pattern(regexp = UUID) String holder,
            @Min(0) int ordinal,
            @NotNull EventDto.Kind kind,
            @Schema(nullable = true) Verdict verdict,

            @Min(value = 0, message = TENSION) @Max(value = Tension.MOST, message = TENSION) @Schema(nullable = true)
            Integer tension,

            @Min(0)
            @Max(Ask.MOST)
            @Schema(
                    nullable = true,
                    description =
                            "the figure that was asked for: clean ones of a set, a count, an edge, slips, seconds held")
            Double told,

            @Min(0) @Max(value = 86_400) @Schema(nullable = true)
            Double seconds,

            @Min(0)
            @Max(MOST_AGO)
            @Schema(nullable = true, description = "how long ago it happened, where it could not be sent at once")
            Double secondsAgo,

            @Valid
            @Size(max = MOST_PASSES)
            @Schema(description = "what a microphone measured of each of its passes; none where none listened")
            List<@NotNull MeasuredDto> measured,

            @Schema(
                    nullable = true,
                    description = "whether the answer is the one that was suggested, taken without a hand")
            Boolean taken) {

        /** The same as played, with nothing said of it. */
        EventWish unjudged() {
            return new EventWish(
                    clientId,
                    holder,
                    ordinal,
                    EventDto.Kind.UNJUDGED,
                    null,
                    tension,
                    null,
                    seconds,
                    secondsAgo,
                    measured,
                    taken);
        }

        /** The same without anything measured. */
        EventWish(
                String clientId,
                String holder,
                int ordinal,
                EventDto.Kind kind,
                Verdict verdict,
                Integer tension,
                Double told,
                Double seconds,
                Double secondsAgo) {
            this(clientId, holder, ordinal, kind, verdict, tension, told, seconds, secondsAgo, null, null);
        }

        /** An answer to a pass, sent at once. */
        public static EventWish judged(String holder, int ordinal, Answer answer) {
            return new EventWish(
                    newId(),
                    holder,
                    ordinal,
                    EventDto.Kind.JUDGED,
                    answer.verdict(),
                    figure(answer),
                    answer.tells() ? answer.told() : null,
                    null,
                    null);
        }

        /** A pass that was played without a word. */
        public static EventWish unjudged(String holder, int ordinal) {
            return new EventWish(newId(), holder, ordinal, EventDto.Kind.UNJUDGED, null, null, null, null, null);
        }

        /** A rest that is over. */
        public static EventWish rested(String holder, int ordinal, double seconds) {
            return new EventWish(newId(), holder, ordinal, EventDto.Kind.RESTED, null, null, null, seconds, null);
        }

        /** The same with what a microphone measured beside it. */
        public EventWish hearing(List<MeasuredDto> passes) {
            return new EventWish(
                    clientId, holder, ordinal, kind, verdict, tension, told, seconds, secondsAgo, passes, taken);
        }

        /** The same with the answer in full. */
        EventWish saying(Answer answer) {
            return new EventWish(
                    clientId,
                    holder,
                    ordinal,
                    kind,
                    answer.verdict(),
                    figure(answer),
                    answer.tells() ? answer.told() : null,
                    seconds,
                    secondsAgo,
                    measured,
                    taken);
        }

        private static Integer figure(Answer answer) {
            return answer.saysTension() ? answer.tension().ordinal() : null;
        }

        private static String newId() {
            return java.util.UUID.randomUUID().toString();
        }

        /** An end at a step of which nothing was played. */
        static EventWish stopped() {
            return new EventWish(newId(), NOBODY, 0, EventDto.Kind.STOPPED, null, null, null, 0.0, null);
        }

        static EventWish symptom(String clientId, double secondsAgo) {
            return new EventWish(clientId, NOBODY, 0, EventDto.Kind.SYMPTOM, null, null, null, 0.0, secondsAgo);
        }
    }

    private static final String TENSION = "refusal.tension most=" + Tension.MOST;
    private static final String NOBODY = "00000000-0000-0000-0000-000000000000";

    record SymptomWish(
            @NotNull @Pattern(regexp = UUID) String clientId,

            @Min(0)
            @Max(MOST_AGO)
            @Schema(nullable = true, description = "how long ago it was, where it could not be sent at once")
            Double secondsAgo) {}

    record LastAnswer(
            String clientId,
            @Schema(nullable = true) Verdict verdict,
            @Schema(nullable = true) Integer tension,
            double tempo) {}

    /** Whose the moment is: the run, and the section it stands in. On the wire both are told in one. */
    record RunView(
            long id,
            String passage,
            String section,

            @Schema(description = "what it is played on: bodies are spoken of in its words")
            InstrumentFamily instrument,

            String focus,
            int ordinal,
            boolean held,

            @Schema(description = "the section of the block at hand")
            long sectionId,

            long passageId,
            @Schema(nullable = true) LastAnswer last,

            @Schema(description = "whether it was a ceiling test that has a result to look at")
            boolean measured,

            String note,
            @JsonUnwrapped Moment now) {}

    /**
     * What a workout left of one of its sections.
     *
     * @param doubted the ceiling that what was played does not fit, until it is said why
     * @param broke the notes of the section, from 1, that were noted as not reached that day
     * @param repeated why something broke that day and not for the first time
     * @param opensAt the tempo at which its next workout opens, in BPM
     */
    record AfterSection(
            long sectionId,
            String passage,
            String section,
            BandDto before,
            BandDto now,
            @Schema(nullable = true) Double doubted,

            @Schema(description = "how today compares with a usual day; nothing to say where it does not differ")
            Reason form,

            List<Integer> broke,
            List<Repeated> repeated,
            double opensAt) {}

    /** How hard a workout felt, from 0 to 10. */
    record RatingWish(@Min(0) @Max(FeltEffort.MOST) int rating) {}

    /** Why something broke, and how often in four weeks. */
    record Repeated(String cause, long times) {}

    /** One answer of a run that is kept, with its tension as it stands. */
    record HeardAnswer(
            String clientId, @Schema(nullable = true) Integer tension) {}

    /**
     * What is kept of a run: a page that was refused, or told nothing, finds here whether its answer was taken all the same.
     *
     * @param over whether nothing more is taken
     * @param answers in the order of their places
     */
    record HeardRun(boolean over, List<HeardAnswer> answers) {}
}

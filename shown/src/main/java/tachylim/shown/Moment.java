package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.function.IntUnaryOperator;
import tachylim.codec.Codec;
import tachylim.load.Effort;
import tachylim.load.Limit;
import tachylim.method.School;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Verdict;
import tachylim.words.Reason;
import tachylim.workout.Block;
import tachylim.workout.Click;
import tachylim.workout.Done;
import tachylim.workout.Part;
import tachylim.workout.Pass;
import tachylim.workout.Rest;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Theme;

/**
 * All that is shown of a run where it stands now. It is told on the server and in the page by the same words, so that a run
 * goes on in the page alone while the server cannot be reached.
 */
public record Moment(
        StepDto step,
        @Schema(nullable = true) Part part,
        Reason blockWhy,

        @Schema(nullable = true, description = "which of the blocks it stands in")
        Integer block,

        @Schema(description = "which of the workout's sections it stands in, from 0")
        int theme,

        @Schema(description = "the variation at hand as a player calls it; empty when as written")
        Reason variation,

        @Schema(nullable = true, description = "the method of the block at hand")
        School method,

        double target,
        Reason upcoming,
        @Schema(nullable = true) AnsweredDto answered,
        double at,
        Timeline timeline,
        double secondsToBreak) {

    public static final Codec<Moment> CODEC = Codec.object(moment -> new Moment(
            moment.get("step", StepDto.CODEC, Moment::step),
            moment.get("part", Codec.constants(Part.values()).nullable(), Moment::part),
            moment.get("blockWhy", Reason.CODEC, Moment::blockWhy),
            moment.get("block", Codec.WHOLE.nullable(), Moment::block),
            moment.whole("theme", Moment::theme),
            moment.get("variation", Reason.CODEC, Moment::variation),
            moment.get("method", Codec.constants(School.values()).nullable(), Moment::method),
            moment.number("target", Moment::target),
            moment.get("upcoming", Reason.CODEC, Moment::upcoming),
            moment.get("answered", AnsweredDto.CODEC.nullable(), Moment::answered),
            moment.number("at", Moment::at),
            moment.get("timeline", Timeline.CODEC, Moment::timeline),
            moment.number("secondsToBreak", Moment::secondsToBreak)));

    public record ClickDto(double seconds, Click.Kind kind) {

        static final Codec<ClickDto> CODEC = Codec.object(click -> new ClickDto(
                click.number("seconds", ClickDto::seconds),
                click.get("kind", Codec.constants(Click.Kind.values()), ClickDto::kind)));
    }

    public record PassDto(
            PassKind kind,
            double tempo,
            int beats,
            int rounds,
            int countIn,
            double seconds,

            @Schema(description = "what a metronome shows at its beginning")
            double metronome,

            @Schema(description = "the fastest tempo in it, where it is not the same throughout")
            double fastest,

            Pulse.Kind pulse,
            Reason manner,
            Ask.Kind ask,

            @Schema(description = "of how many, where something is counted")
            int askOf,

            double notesPerSecond,
            String abc,

            @Schema(description = "for each note where its letter stands in the text")
            List<Integer> places,

            @Schema(nullable = true, description = "the same without the player's marks; null where there are none")
            String bare,

            @Schema(description = "for each note the beat it falls in, from 0")
            List<Integer> beatOf,

            @Schema(description = "the beat at which each bar begins")
            List<Double> bars,

            @Schema(description = "the beats from one time round to the next")
            double roundBeats,

            @Schema(
                    nullable = true,
                    description =
                            "which transition of the passage follows its first note; null where it is not as written")
            Integer firstTransition,

            boolean wholeSection,
            int number,
            int of,
            List<ClickDto> clicks) {

        static final Codec<PassDto> CODEC = Codec.object(pass -> new PassDto(
                pass.get("kind", Codec.constants(PassKind.values()), PassDto::kind),
                pass.number("tempo", PassDto::tempo),
                pass.whole("beats", PassDto::beats),
                pass.whole("rounds", PassDto::rounds),
                pass.whole("countIn", PassDto::countIn),
                pass.number("seconds", PassDto::seconds),
                pass.number("metronome", PassDto::metronome),
                pass.number("fastest", PassDto::fastest),
                pass.get("pulse", Codec.constants(Pulse.Kind.values()), PassDto::pulse),
                pass.get("manner", Reason.CODEC, PassDto::manner),
                pass.get("ask", Codec.constants(Ask.Kind.values()), PassDto::ask),
                pass.whole("askOf", PassDto::askOf),
                pass.number("notesPerSecond", PassDto::notesPerSecond),
                pass.text("abc", PassDto::abc),
                pass.get("places", Codec.WHOLE.list(), PassDto::places),
                pass.get("bare", Codec.TEXT.nullable(), PassDto::bare),
                pass.get("beatOf", Codec.WHOLE.list(), PassDto::beatOf),
                pass.get("bars", Codec.NUMBER.list(), PassDto::bars),
                pass.number("roundBeats", PassDto::roundBeats),
                pass.get("firstTransition", Codec.WHOLE.nullable(), PassDto::firstTransition),
                pass.flag("wholeSection", PassDto::wholeSection),
                pass.whole("number", PassDto::number),
                pass.whole("of", PassDto::of),
                pass.get("clicks", ClickDto.CODEC.list(), PassDto::clicks)));
    }

    public record RestDto(Rest.Purpose reason, double seconds) {

        static final Codec<RestDto> CODEC = Codec.object(rest -> new RestDto(
                rest.get("reason", Codec.constants(Rest.Purpose.values()), RestDto::reason),
                rest.number("seconds", RestDto::seconds)));
    }

    /** The step the run stands at: exactly one of pass, rest and ended is there. */
    public record StepDto(
            Reason why,
            @Schema(nullable = true) PassDto pass,
            @Schema(nullable = true) RestDto rest,
            @Schema(nullable = true) Done.Cause ended) {

        static final Codec<StepDto> CODEC = Codec.object(step -> new StepDto(
                step.get("why", Reason.CODEC, StepDto::why),
                step.get("pass", PassDto.CODEC.nullable(), StepDto::pass),
                step.get("rest", RestDto.CODEC.nullable(), StepDto::rest),
                step.get("ended", Codec.constants(Done.Cause.values()).nullable(), StepDto::ended)));
    }

    /** The answer to the pass that was just played. */
    public record AnsweredDto(
            @Schema(nullable = true) Verdict verdict,
            @Schema(nullable = true) Integer tension,
            double tempo) {

        static final Codec<AnsweredDto> CODEC = Codec.object(answered -> new AnsweredDto(
                answered.get("verdict", Codec.constants(Verdict.values()).nullable(), AnsweredDto::verdict),
                answered.get("tension", Codec.WHOLE.nullable(), AnsweredDto::tension),
                answered.number("tempo", AnsweredDto::tempo)));
    }

    /**
     * A run as it stands.
     *
     * @param firstNote which note of its passage each of its sections begins with
     * @param effortBefore the effort of its day before it was begun
     */
    public static Moment of(Run run, IntUnaryOperator firstNote, Effort effortBefore) {
        Block block = run.isDone() ? null : run.blocks().get(run.block());
        int theme = block == null ? 0 : block.theme();
        Theme about = run.workout().brief().themes().get(theme);
        StepDescription description = new StepDescription(run, firstNote.applyAsInt(theme));
        Effort cap = effortBefore.plus(run.tally().effort()).plus(run.left().effort());
        Limit today = new Limit(Limit.Kind.EFFORT, cap.minutes(), effortBefore.minutes(), Reason.of("limits.today"));
        return new Moment(
                description.step(),
                block == null ? null : block.part(),
                block == null ? Reason.NONE : block.why(),
                block == null ? null : run.block(),
                theme,
                block == null ? Reason.NONE : block.music().title(),
                block == null ? null : block.method().school(),
                block == null ? about.target().bpm() : block.target(about).bpm(),
                description.upcoming(),
                answered(run.past()),
                run.tally().elapsed(),
                Timeline.of(run, effortBefore, today),
                Math.max(0, run.tally().condition().unbroken() - run.tally().sinceBreak()));
    }

    /** A run that is over, as it was kept. */
    public static Moment over(Done done, double target, Timeline timeline) {
        return new Moment(
                new StepDto(done.why(), null, null, done.cause()),
                null,
                Reason.NONE,
                null,
                0,
                Reason.NONE,
                null,
                target,
                StepDescription.THE_END,
                null,
                timeline.seconds(),
                timeline,
                0);
    }

    private static AnsweredDto answered(List<Segment> past) {
        Segment last = past.isEmpty() ? null : past.get(past.size() - 1);
        return last != null && last.step() instanceof Pass pass
                ? new AnsweredDto(
                        last.answer() == null ? null : last.answer().verdict(),
                        last.saysTension() ? last.after().tension().ordinal() : null,
                        pass.tempo().bpm())
                : null;
    }
}

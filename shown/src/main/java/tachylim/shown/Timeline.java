package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tachylim.codec.Codec;
import tachylim.load.Effort;
import tachylim.load.Limit;
import tachylim.method.School;
import tachylim.task.Ask;
import tachylim.task.Pulse;
import tachylim.task.Verdict;
import tachylim.words.Reason;
import tachylim.workout.Part;
import tachylim.workout.Pass;
import tachylim.workout.Rest;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Totals;

/**
 * All that is needed to draw a workout: steps on a time axis, the ceiling behind them, recovery and effort
 * beneath. Seconds from the start, tempos in beats a minute, effort in effort minutes.
 */
public record Timeline(
        double seconds,
        double target,
        EstimateDto estimate,
        List<StretchDto> stretches,
        List<BlockDto> blocks,
        double burstFloor,
        double effortBefore,
        double effortCap,
        Reason effortWhy,
        TotalsDto totals,
        List<Reason> remarks) {

    public static final Codec<Timeline> CODEC = Codec.object(timeline -> new Timeline(
            timeline.number("seconds", Timeline::seconds),
            timeline.number("target", Timeline::target),
            timeline.get("estimate", EstimateDto.CODEC, Timeline::estimate),
            timeline.get("stretches", StretchDto.CODEC.list(), Timeline::stretches),
            timeline.get("blocks", BlockDto.CODEC.list(), Timeline::blocks),
            timeline.number("burstFloor", Timeline::burstFloor),
            timeline.number("effortBefore", Timeline::effortBefore),
            timeline.number("effortCap", Timeline::effortCap),
            timeline.get("effortWhy", Reason.CODEC, Timeline::effortWhy),
            timeline.get("totals", TotalsDto.CODEC, Timeline::totals),
            timeline.get("remarks", Reason.CODEC.list(), Timeline::remarks)));

    /** What a stretch of the timeline is drawn as. */
    public enum Form {
        WARM_UP,
        CONTROLLED,
        PROBE,
        BURST,
        CLOSING,
        REST
    }

    /** One step in its place. Tempo and pulse are null in a rest, verdict and tension while it is only planned, or when it was left without a word. */
    public record StretchDto(
            Form form,
            int block,
            double start,
            double seconds,
            double countIn,
            @Schema(nullable = true) Double tempo,

            @Schema(nullable = true, description = "the fastest tempo in it, where it is not the same throughout")
            Double fastest,

            @Schema(nullable = true, description = "how time is told in it")
            Pulse.Kind pulse,

            @Schema(description = "whether clean ones are counted in a window of time")
            boolean counted,

            @Schema(description = "how many passes are answered together")
            int passes,

            @Schema(nullable = true) Rest.Purpose rest,
            boolean played,
            @Schema(nullable = true) Verdict verdict,
            @Schema(nullable = true) Integer tension,
            double recoveryBefore,
            double recoveryAfter,
            double effortAfter,
            Reason why) {

        static final Codec<StretchDto> CODEC = Codec.object(stretch -> new StretchDto(
                stretch.get("form", Codec.constants(Form.values()), StretchDto::form),
                stretch.whole("block", StretchDto::block),
                stretch.number("start", StretchDto::start),
                stretch.number("seconds", StretchDto::seconds),
                stretch.number("countIn", StretchDto::countIn),
                stretch.get("tempo", Codec.NUMBER.nullable(), StretchDto::tempo),
                stretch.get("fastest", Codec.NUMBER.nullable(), StretchDto::fastest),
                stretch.get("pulse", Codec.constants(Pulse.Kind.values()).nullable(), StretchDto::pulse),
                stretch.flag("counted", StretchDto::counted),
                stretch.whole("passes", StretchDto::passes),
                stretch.get("rest", Codec.constants(Rest.Purpose.values()).nullable(), StretchDto::rest),
                stretch.flag("played", StretchDto::played),
                stretch.get("verdict", Codec.constants(Verdict.values()).nullable(), StretchDto::verdict),
                stretch.get("tension", Codec.WHOLE.nullable(), StretchDto::tension),
                stretch.number("recoveryBefore", StretchDto::recoveryBefore),
                stretch.number("recoveryAfter", StretchDto::recoveryAfter),
                stretch.number("effortAfter", StretchDto::effortAfter),
                stretch.get("why", Reason.CODEC, StretchDto::why)));
    }

    /** A block, and where it begins and ends; one that no time or allowance is left for has no length. */
    public record BlockDto(
            Part part,

            @Schema(description = "which of the workout's sections it is about, from 0")
            int theme,

            @Schema(description = "its variation as a player calls it; empty when as written")
            Reason variation,

            @Schema(description = "its method as a player calls it; empty of the first workouts that were kept")
            School method,

            Reason why,
            double start,
            double end,
            double target,
            EstimateDto estimate) {

        static final Codec<BlockDto> CODEC = Codec.object(block -> new BlockDto(
                block.get("part", Codec.constants(Part.values()), BlockDto::part),
                block.whole("theme", BlockDto::theme),
                block.get("variation", Reason.CODEC, BlockDto::variation),
                block.get("method", Codec.constants(School.values()), BlockDto::method),
                block.get("why", Reason.CODEC, BlockDto::why),
                block.number("start", BlockDto::start),
                block.number("end", BlockDto::end),
                block.number("target", BlockDto::target),
                block.get("estimate", EstimateDto.CODEC, BlockDto::estimate)));
    }

    public record TotalsDto(
            double playingSeconds,
            double restSeconds,
            double seconds,
            int notes,
            double burstSeconds,
            int bursts,
            int passes,
            int clean,
            int rough,
            int broke,
            double effort) {

        static final Codec<TotalsDto> CODEC = Codec.object(totals -> new TotalsDto(
                totals.number("playingSeconds", TotalsDto::playingSeconds),
                totals.number("restSeconds", TotalsDto::restSeconds),
                totals.number("seconds", TotalsDto::seconds),
                totals.whole("notes", TotalsDto::notes),
                totals.number("burstSeconds", TotalsDto::burstSeconds),
                totals.whole("bursts", TotalsDto::bursts),
                totals.whole("passes", TotalsDto::passes),
                totals.whole("clean", TotalsDto::clean),
                totals.whole("rough", TotalsDto::rough),
                totals.whole("broke", TotalsDto::broke),
                totals.number("effort", TotalsDto::effort)));

        public static TotalsDto of(Totals totals) {
            return new TotalsDto(
                    totals.playingSeconds(),
                    totals.restSeconds(),
                    totals.seconds(),
                    totals.notes(),
                    totals.burstSeconds(),
                    totals.bursts(),
                    totals.passes(),
                    totals.clean(),
                    totals.rough(),
                    totals.broke(),
                    totals.effort().minutes());
        }
    }

    /** The timeline of a run: what was played, then what is to come if all goes well. */
    public static Timeline of(Run run, Effort effortBefore, Limit effort) {
        return of(PlanOutline.of(run), run.past(), run.ahead(), effortBefore, effort);
    }

    /** The timeline of what is kept: nothing of it is decided again. */
    public static Timeline of(
            PlanOutline plan, List<Segment> past, List<Segment> ahead, Effort effortBefore, Limit effort) {
        List<Segment> all = Stream.concat(past.stream(), ahead.stream()).toList();
        List<StretchDto> stretches = IntStream.range(0, all.size())
                .mapToObj(i -> stretch(all.get(i), i < past.size(), effortBefore))
                .toList();
        double seconds = all.isEmpty()
                ? 0
                : all.get(all.size() - 1).start() + all.get(all.size() - 1).seconds();
        return new Timeline(
                seconds,
                plan.target(),
                EstimateDto.of(plan.estimate(), plan.enoughEvidence()),
                stretches,
                blocks(plan.blocks(), all),
                plan.burstFloor(),
                effortBefore.minutes(),
                effort.cap(),
                effort.why(),
                TotalsDto.of(Totals.of(all)),
                plan.remarks());
    }

    private static StretchDto stretch(Segment segment, boolean played, Effort effortBefore) {
        double effortAfter = effortBefore.plus(segment.after().effort()).minutes();
        double before = segment.before().recovery().level();
        double after = segment.after().recovery().level();
        if (segment.step() instanceof Pass pass) {
            return new StretchDto(
                    Form.valueOf(pass.kind().name()),
                    segment.block(),
                    segment.start(),
                    segment.seconds(),
                    pass.countInSeconds(),
                    pass.tempo().bpm(),
                    pass.pulse().fastest().equals(pass.tempo())
                            ? null
                            : pass.pulse().fastest().bpm(),
                    pass.pulse().kind(),
                    pass.ask().kind() == Ask.Kind.COUNT,
                    pass.ask().passes(),
                    null,
                    played,
                    played && segment.answer() != null ? segment.answer().verdict() : null,
                    played && segment.saysTension() ? segment.after().tension().ordinal() : null,
                    before,
                    after,
                    effortAfter,
                    pass.why());
        }
        Rest rest = (Rest) segment.step();
        return new StretchDto(
                Form.REST,
                segment.block(),
                segment.start(),
                segment.seconds(),
                0,
                null,
                null,
                null,
                false,
                0,
                rest.purpose(),
                played,
                null,
                null,
                before,
                after,
                effortAfter,
                rest.why());
    }

    private static List<BlockDto> blocks(List<PlanOutline.BlockOutline> blocks, List<Segment> all) {
        return IntStream.range(0, blocks.size())
                .mapToObj(i -> {
                    List<Segment> own =
                            all.stream().filter(segment -> segment.block() == i).toList();
                    double start = own.isEmpty() ? 0 : own.get(0).start();
                    double end = own.isEmpty()
                            ? 0
                            : own.get(own.size() - 1).start()
                                    + own.get(own.size() - 1).seconds();
                    PlanOutline.BlockOutline block = blocks.get(i);
                    return new BlockDto(
                            block.part(),
                            block.theme(),
                            block.variation(),
                            block.method(),
                            block.why(),
                            start,
                            end,
                            block.target(),
                            EstimateDto.of(block.estimate(), block.estimate().enoughEvidence()));
                })
                .toList();
    }
}

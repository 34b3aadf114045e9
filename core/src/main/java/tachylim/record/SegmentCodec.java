package tachylim.record;

import java.util.Map;
import java.util.Optional;
import tachylim.codec.Codec;
import tachylim.load.Effort;
import tachylim.task.Answer;
import tachylim.task.Hearing;
import tachylim.task.Tension;
import tachylim.words.Reason;
import tachylim.workout.Done;
import tachylim.workout.Pass;
import tachylim.workout.Rest;
import tachylim.workout.Segment;
import tachylim.workout.Step;
import tachylim.workout.Tally;

/** How a step of a workout stands in a document as it was asked, answered and costed: what the past is read from. */
public final class SegmentCodec {

    private static final int VERSION = 2;

    private SegmentCodec() {}

    private static final Codec<Pass> PASS = Codec.object(pass -> new Pass(
            pass.get("task", TaskCodec.TASK, Pass::task),
            pass.get("notes", TaskCodec.NOTES, Pass::notes),
            pass.whole("beats", Pass::beats),
            pass.whole("rounds", Pass::rounds),
            pass.whole("countIn", Pass::countIn),
            pass.get("why", Reason.CODEC, Pass::why)));

    private static final Codec<Rest> REST = Codec.object(rest -> new Rest(
            rest.get("reason", StoredNames.REST, Rest::purpose),
            rest.number("seconds", Rest::seconds),
            rest.get("why", Reason.CODEC, Rest::why)));

    private static final Codec<Done> DONE = Codec.object(done ->
            new Done(done.get("cause", StoredNames.CAUSE, Done::cause), done.get("why", Reason.CODEC, Done::why)));

    private static final Map<String, Codec<? extends Step>> STEPS = Map.of("pass", PASS, "rest", REST, "done", DONE);

    private static final Codec<Step> STEP =
            Codec.family("is", step -> step instanceof Pass ? "pass" : step instanceof Rest ? "rest" : "done", name -> {
                if (!STEPS.containsKey(name)) {
                    throw new IllegalArgumentException("is no step: " + name);
                }
                return STEPS.get(name);
            });

    static final Codec<Effort> EFFORT = Codec.NUMBER.as(Effort::new, Effort::minutes);

    static final Codec<Tension> TENSION = Codec.WHOLE.as(Tension::of, Tension::ordinal);

    private static final Codec<Tension> FELT = TENSION.optional().as(one -> one.orElse(null), Optional::ofNullable);

    private static final Codec<Answer> ANSWER = Codec.object(answer -> new Answer(
            answer.get("verdict", StoredNames.VERDICT, Answer::verdict),
            answer.get("tension", FELT, Answer::felt),
            answer.get("told", Codec.NUMBER.or(Answer.NOTHING_TOLD), Answer::told),
            answer.get("heard", HearingCodec.HEARING.or(Hearing.NONE), Answer::heard)));

    private static final Codec<Tally> TALLY = Codec.object(tally -> new Tally(
            tally.get("condition", ConditionCodec.CONDITION, Tally::condition),
            tally.get("effort", EFFORT, Tally::effort),
            tally.number("burstSeconds", Tally::burstSeconds),
            tally.number("playingSeconds", Tally::playingSeconds),
            tally.number("elapsed", Tally::elapsed),
            tally.number("leastSeconds", Tally::leastSeconds),
            tally.get("tension", TENSION, Tally::tension),
            tally.get("tensionSaid", Codec.FLAG.or(true), Tally::tensionSaid),
            tally.get("worstTension", TENSION, Tally::worstTension)));

    public static final Codec<Segment> SEGMENT = Codec.object(segment -> {
        segment.version(VERSION);
        return new Segment(
                segment.get("step", STEP, Segment::step),
                segment.get("part", StoredNames.PART, Segment::part),
                segment.whole("block", Segment::block),
                segment.number("start", Segment::start),
                segment.number("seconds", Segment::seconds),
                segment.get(
                        "answer", ANSWER.optional().as(one -> one.orElse(null), Optional::ofNullable), Segment::answer),
                segment.get("before", TALLY, Segment::before),
                segment.get("after", TALLY, Segment::after));
    });
}

package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Small equal steps upward, each earned by clean passes.
 *
 * <p>After {@code cleanInARow} clean passes one step up; after a broken pass two steps down; after two
 * rough ones in a row one step down. Tension holds the tempo, and costs two steps where it is too
 * much; a locked hand ends the climb. It finishes when its limit has been held clean or its passes
 * are used up. This class is immutable.
 *
 * @param start the first tempo, not above the limit
 * @param limit the tempo it never goes above
 * @param step one step as a share of the tempo, usually 0.02; a step is at least 1 BPM
 * @param cleanInARow clean passes that earn a step, 1 to {@value #MOST_CLEAN}, usually 3
 * @param mostPasses the most passes it asks for, 1 to 200
 * @param sets whether the passes that earn a step are played on one click and answered at once
 */
public record SteadyClimb(Tempo start, Tempo limit, double step, int cleanInARow, int mostPasses, boolean sets)
        implements StateMachine<SteadyClimb.At> {

    static final Codec<SteadyClimb> CODEC = Codec.object(method -> new SteadyClimb(
            method.get("start", Tempo.CODEC, SteadyClimb::start),
            method.get("limit", Tempo.CODEC, SteadyClimb::limit),
            method.number("step", SteadyClimb::step),
            method.whole("cleanInARow", SteadyClimb::cleanInARow),
            method.whole("mostPasses", SteadyClimb::mostPasses),
            method.flag("sets", SteadyClimb::sets)));

    /** A step is earned by no more clean passes. */
    public static final int MOST_CLEAN = Setting.MOST_TIMES;

    /** No more passes alike are answered at once. */
    private static final int MOST_AT_ONCE = 6;

    /** The step of 2% that players use when none is chosen. */
    public static final double USUAL_STEP = 0.02;

    /** The number of clean passes in a row that earn a step when none is chosen. */
    public static final int USUAL_CLEAN_IN_A_ROW = 3;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the start above the limit
     */
    public SteadyClimb {
        new Stride(step);
        limit = Stride.notAbove(limit);
        start = start.onMetronome();
        if (start.compareTo(limit) > 0) {
            throw new IllegalArgumentException("The climb starts at " + start + ", above its limit of " + limit);
        }
        if (cleanInARow < 1 || cleanInARow > MOST_CLEAN) {
            throw new IllegalArgumentException(
                    "A step is earned by 1 to " + MOST_CLEAN + " clean passes, not " + cleanInARow);
        }
        if (mostPasses < 1 || mostPasses > 200) {
            throw new IllegalArgumentException("A climb has 1 to 200 passes, not " + mostPasses);
        }
    }

    /** A climb whose passes are answered one by one. */
    public SteadyClimb(Tempo start, Tempo limit, double step, int cleanInARow, int mostPasses) {
        this(start, limit, step, cleanInARow, mostPasses, false);
    }

    /** The step of 3% that leads from the comfortable tempo to the ceiling, where fewer clean passes earn one. */
    private static final double PROBING_STEP = 0.03;

    private static final int MOST_PASSES = 60;

    /** From the comfortable tempo to the ceiling, a step for each clean pass or two: also what shows best where the ceiling is. */
    static SteadyClimb toCeiling(Span span) {
        return new SteadyClimb(
                span.comfortable(),
                span.top(),
                PROBING_STEP,
                Math.max(1, span.cleanInARow() - 2),
                span.setting().times(MOST_PASSES, 200));
    }

    /** The narrow step of 1%, and how far a drill reaches beyond what it is for. */
    private static final double NARROW_STEP = 0.01;

    private static final double BEYOND = 1.03;

    /** Narrow steps across an awkward band, from below it to above it; to the ceiling when there is none. */
    static SteadyClimb across(Span span) {
        if (span.awkward().isEmpty()) {
            return new SteadyClimb(
                    span.comfortable(),
                    span.top(),
                    NARROW_STEP,
                    narrowly(span),
                    span.setting().times(MOST_PASSES, 200));
        }
        Span.Between band = span.awkward().get();
        Tempo limit = Tempo.slower(band.to().times(BEYOND).onMetronome(), span.reach());
        Tempo start = Tempo.slower(band.from().times(1 / BEYOND).onMetronome(), limit);
        return new SteadyClimb(
                start, limit, NARROW_STEP, narrowly(span), span.setting().times(MOST_PASSES, 200));
    }

    private static int narrowly(Span span) {
        return Math.max(1, span.cleanInARow() - 1);
    }

    @Override
    public School school() {
        return step == NARROW_STEP ? School.NARROW_STEPS : School.STEADY_CLIMB;
    }

    @Override
    public Reason promise() {
        return Reason.of(
                "climb.promise",
                "start",
                start,
                "limit",
                limit,
                "clean",
                cleanInARow,
                "percent",
                Math.round(step * 100));
    }

    @Override
    public Next<At> begin() {
        return Next.go(
                new At(start, 0, 0, 0),
                Reason.of("climb.begin", "start", start, "clean", cleanInARow, "percent", Math.round(step * 100)));
    }

    /**
     * Where a climb stands.
     *
     * @param clean clean passes of the row
     * @param rough rough ones in a row
     * @param passes passes played in all
     */
    record At(Tempo tempo, int clean, int rough, int passes) {}

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        return new Move.Play(Task.at(PassKind.CONTROLLED, at.tempo).asking(Ask.set(atOnce(at))), why);
    }

    /** How many passes are answered at once: what is missing of a row, as far as there are passes left. */
    private int atOnce(At at) {
        return sets ? Math.min(MOST_AT_ONCE, Math.min(cleanInARow - at.clean, mostPasses - at.passes)) : 1;
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        return switch (answer.verdict()) {
            case BROKE -> slower(at, cap, Cause.BROKE);
            case ROUGH ->
                at.rough + 1 >= 2
                        ? lower(at, 1, atOnce(at), Reason.of("climb.twoSlips", "tempo", at.tempo))
                        : stay(at, 0, at.rough + 1, Reason.of("climb.again", "tempo", at.tempo, "passes", atOnce(at)));
            case CLEAN -> afterClean(at, cap, answer);
        };
    }

    private Next<At> afterClean(At at, Tempo cap, Heard answer) {
        int row = at.clean + atOnce(at);
        if (answer.holds()) {
            return stay(at, at.clean, 0, Reason.of("climb.tense", "tempo", at.tempo));
        }
        if (row < cleanInARow) {
            return stay(at, row, 0, Reason.of("climb.row", "row", row, "of", cleanInARow, "tempo", at.tempo));
        }
        if (at.tempo.compareTo(cap) >= 0) {
            return Next.stop(Reason.of("climb.top", "tempo", cap));
        }
        Tempo next = new Stride(step).up(at.tempo, cap);
        return Next.go(
                new At(next, 0, 0, at.passes + atOnce(at)),
                Reason.of("climb.up", "row", row, "tempo", at.tempo, "next", next));
    }

    private Next<At> stay(At at, int clean, int rough, Reason reason) {
        return Next.go(new At(at.tempo, clean, rough, at.passes + atOnce(at)), reason);
    }

    /** A set that was backed off from is not played: it costs one of the passes, so that backing off comes to an end. */
    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        boolean left = cause == Cause.BACKED_OFF;
        return lower(at, 2, left ? 1 : atOnce(at), cause.at(at.tempo));
    }

    private Next<At> lower(At at, int steps, int played, Reason reason) {
        if (Stride.isSlowest(at.tempo)) {
            return Next.stop(Reason.of("slowest"));
        }
        Tempo next = new Stride(step).down(at.tempo, steps);
        return Next.down(
                new At(next, 0, 0, at.passes + played),
                Reason.of("climb.down", "because", reason, "next", next, "steps", steps));
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return stay(at, at.clean, at.rough, Reason.of("method.unjudged", "tempo", at.tempo));
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return cap.compareTo(at.tempo) < 0
                ? Next.go(
                        new At(cap, 0, at.rough, at.passes),
                        Reason.of("method.under", "because", because, "tempo", cap))
                : Next.go(at, why);
    }

    @Override
    public int done(At at) {
        return at.passes;
    }

    @Override
    public int mostMisses() {
        return 3;
    }

    @Override
    public int most() {
        return mostPasses;
    }
}

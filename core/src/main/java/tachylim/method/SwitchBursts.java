package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.task.Verdict;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * One click throughout: everything spread over two clicks a beat, but for a beat or two that go as written, and back.
 *
 * <p>The quick beats move through the section. A clean pass raises the click by a step, a broken or gripping one costs two,
 * two broken in a row end it. This class is immutable.
 *
 * @param first the first tempo of the click, above the floor
 * @param floor the tempo it has to exceed to be worth it: the ceiling
 * @param limit the tempo it never goes above
 * @param spread how many clicks a slow beat takes, 2 to 4
 * @param quick how many beats are quick, 1 or 2
 * @param beats how many beats the section has, 1 or more
 * @param passes how many passes, 1 to 30
 */
public record SwitchBursts(Tempo first, Tempo floor, Tempo limit, int spread, int quick, int beats, int passes)
        implements StateMachine<SwitchBursts.At> {

    static final Codec<SwitchBursts> CODEC = Codec.object(method -> new SwitchBursts(
            method.get("first", Tempo.CODEC, SwitchBursts::first),
            method.get("floor", Tempo.CODEC, SwitchBursts::floor),
            method.get("limit", Tempo.CODEC, SwitchBursts::limit),
            method.whole("spread", SwitchBursts::spread),
            method.whole("quick", SwitchBursts::quick),
            method.whole("beats", SwitchBursts::beats),
            method.whole("passes", SwitchBursts::passes)));

    private static final double STEP = 0.02;
    private static final int USUAL_SPREAD = 2;
    private static final int USUAL_PASSES = 6;

    /** At a tempo of the player's own they come down so far before they end. */
    private static final double LEAST_OF_OWN = 0.85;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the tempos out of order
     */
    public SwitchBursts {
        limit = Stride.notAbove(limit);
        first = Tempo.slower(first.onMetronome(), limit);
        if (first.compareTo(floor) <= 0) {
            throw new IllegalArgumentException("Bursts from " + first + " lie above the ceiling of " + floor);
        }
        if (spread < 2 || spread > 4 || quick < 1 || quick > 2 || beats < 1 || passes < 1 || passes > 30) {
            throw new IllegalArgumentException("One or two quick beats among slow ones, in 1 to 30 passes");
        }
    }

    static Method over(Span span) {
        if (!span.hasRoomAbove()) {
            return SteadyClimb.toCeiling(span);
        }
        // At a tempo of the player's own they may lie below the ceiling.
        Tempo above = Tempo.clamped(Rounding.below(span.ceiling().bpm()) + 1);
        Tempo first = span.setting().tempo().isPresent() ? span.highest() : above;
        int quick = Math.min(2, Math.max(1, span.ground().beats() - 1));
        return new SwitchBursts(
                first,
                Tempo.slower(span.ceiling(), first.times(LEAST_OF_OWN)),
                span.highest(),
                USUAL_SPREAD,
                quick,
                span.ground().beats(),
                span.setting().times(USUAL_PASSES, 30));
    }

    @Override
    public School school() {
        return School.SWITCH_BURSTS;
    }

    @Override
    public Reason promise() {
        return Reason.of("switch.promise", "first", first, "spread", spread, "quick", quick, "limit", limit);
    }

    /**
     * Where it stands.
     *
     * @param tempo the tempo of the click
     * @param done passes played
     * @param broken broken ones in a row
     */
    record At(Tempo tempo, int done, int broken) {}

    @Override
    public Next<At> begin() {
        return Next.go(new At(first, 0, 0), Reason.of("switch.begin", "quick", quick));
    }

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        int places = Math.max(1, beats / quick);
        int from = at.done % places * quick;
        return new Move.Play(
                Task.at(PassKind.BURST, at.tempo).with(new Pulse.Switching(at.tempo, spread, from, quick)), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        if (answer.verdict() == Verdict.BROKE) {
            return at.broken + 1 >= 2
                    ? Next.stop(Reason.of("bursting.twoBroke"))
                    : down(at, at.broken + 1, Cause.BROKE);
        }
        boolean up = answer.verdict() == Verdict.CLEAN && !answer.holds();
        return to(
                at,
                up ? new Stride(STEP).up(at.tempo, cap) : at.tempo,
                0,
                Reason.of(
                        answer.verdict() != Verdict.CLEAN ? "went.slip" : answer.holds() ? "went.tense" : "went.clean",
                        "tempo",
                        at.tempo));
    }

    @Override
    public Next<At> tense(At at, Tempo cap, Heard answer) {
        return answer.verdict() == Verdict.BROKE ? after(at, cap, answer) : down(at, 0, Cause.of(answer.tension()));
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        return down(at, at.broken, cause);
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return to(at, at.tempo, 0, Reason.of("went.unjudged", "tempo", at.tempo));
    }

    private static Next<At> down(At at, int broken, Cause cause) {
        Tempo next = new Stride(STEP).down(at.tempo, 2);
        Next.Go<At> go = to(at, next, broken, cause.at(at.tempo));
        return cause == Cause.BROKE ? Next.down(go.state(), go.why()) : go;
    }

    private static Next.Go<At> to(At at, Tempo next, int broken, Reason because) {
        return Next.go(new At(next, at.done + 1, broken), Reason.of("switch.now", "because", because, "clicks", next));
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return cap.compareTo(at.tempo) < 0
                ? Next.go(new At(cap, at.done, at.broken), Reason.of("switch.now", "because", because, "clicks", cap))
                : Next.go(at, why);
    }

    @Override
    public boolean isTooLow(At at) {
        return at.tempo.compareTo(floor) <= 0;
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int most() {
        return passes;
    }
}

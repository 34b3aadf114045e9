package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * One step back, two steps up: from a base b play b − s, then b + s, and the next base is b + s. The ear hears a gain of
 * two steps, the hands learn one.
 *
 * <p>A broken or gripping pass takes the base back by a step; a rough upper one plays the pair again. This class is
 * immutable.
 *
 * @param base the first base, b
 * @param step s, in BPM, 1 to 40
 * @param limit the tempo it never goes above
 * @param pairs how many pairs at the most, 1 to 30
 */
public record SetbackLadder(Tempo base, int step, Tempo limit, int pairs) implements StateMachine<SetbackLadder.At> {

    static final Codec<SetbackLadder> CODEC = Codec.object(method -> new SetbackLadder(
            method.get("base", Tempo.CODEC, SetbackLadder::base),
            method.whole("step", SetbackLadder::step),
            method.get("limit", Tempo.CODEC, SetbackLadder::limit),
            method.whole("pairs", SetbackLadder::pairs)));

    private static final double USUAL_STEP = 0.02;
    private static final int USUAL_PAIRS = 8;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the base above the limit
     */
    public SetbackLadder {
        base = base.onMetronome();
        limit = Stride.notAbove(limit);
        if (base.compareTo(limit) > 0) {
            throw new IllegalArgumentException("The ladder starts at " + base + ", above its limit of " + limit);
        }
        if (step < 1 || step > 40 || pairs < 1 || pairs > 30) {
            throw new IllegalArgumentException("A ladder has 1 to 30 pairs, 1 to 40 BPM apart");
        }
    }

    static SetbackLadder over(Span span) {
        int step = (int) Math.max(1, Math.round(span.comfortable().bpm() * USUAL_STEP));
        Tempo base = Tempo.slower(span.comfortable().onMetronome(), span.top());
        int pairs = Math.max(USUAL_PAIRS, (int) Math.ceil((span.top().bpm() - base.bpm()) / step));
        return new SetbackLadder(base, step, span.top(), span.setting().times(pairs, 30));
    }

    @Override
    public School school() {
        return School.SETBACK_LADDER;
    }

    @Override
    public Reason promise() {
        return Reason.of("setback.promise", "base", base, "step", step, "limit", limit);
    }

    /**
     * Where it stands.
     *
     * @param now the base
     * @param up whether the upper one of the pair is next
     * @param done pairs played
     */
    record At(Tempo now, boolean up, int done) {}

    @Override
    public Next<At> begin() {
        return Next.go(
                new At(base, false, 0), Reason.of("setback.begin", "low", lower(base), "high", upper(base, limit)));
    }

    private Tempo lower(Tempo b) {
        return Tempo.clamped(b.bpm() - step);
    }

    private Tempo upper(Tempo b, Tempo most) {
        return Tempo.slower(Tempo.clamped(b.bpm() + step), most);
    }

    private Tempo tempo(At at, Tempo cap) {
        return Tempo.slower(at.up ? upper(at.now, cap) : lower(at.now), cap);
    }

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        return new Move.Play(PassKind.CONTROLLED, tempo(at, cap), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        if (answer.verdict() == Verdict.BROKE) {
            return slower(at, cap, Cause.BROKE);
        }
        if (!at.up) {
            return up(at, cap);
        }
        Tempo tempo = tempo(at, cap);
        boolean clean = answer.verdict() == Verdict.CLEAN && !answer.holds();
        if (clean && tempo.compareTo(cap) >= 0) {
            return Next.stop(Reason.of("setback.top", "tempo", cap));
        }
        Tempo next = clean ? upper(at.now, cap) : at.now;
        return Next.go(
                new At(next, false, at.done + 1),
                Reason.of(
                        "setback.around",
                        "went",
                        Reason.of(clean ? "went.clean" : answer.holds() ? "went.tense" : "went.slip", "tempo", tempo),
                        "base",
                        next,
                        "low",
                        lower(next)));
    }

    private Next<At> up(At at, Tempo cap) {
        return Next.go(new At(at.now, true, at.done), Reason.of("setback.up", "high", upper(at.now, cap)));
    }

    /** Everything that follows is slower than the pass that went wrong. */
    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        Tempo tempo = tempo(at, cap);
        if (Stride.isSlowest(tempo)) {
            return Next.stop(Reason.of("setback.enough", "cause", cause.at(tempo)));
        }
        Tempo lower = Tempo.slower(lower(at.now), Stride.below(tempo));
        Tempo start = Tempo.slower(lower(lower), Stride.below(tempo));
        return Next.down(
                new At(lower, false, at.done + 1),
                Reason.of("setback.around", "went", cause.at(tempo), "base", lower, "low", start));
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return at.up
                ? Next.go(new At(at.now, false, at.done + 1), Reason.of("setback.unjudged", "base", at.now))
                : up(at, cap);
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return Next.go(new At(Tempo.slower(at.now, cap), at.up, at.done), why);
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int most() {
        return pairs;
    }
}

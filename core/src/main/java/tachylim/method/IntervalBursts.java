package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Slow controlled passes alternating with short bursts above the ceiling.
 *
 * <p>Each burst follows a controlled pass. A clean burst raises the next by one step, a rough one
 * repeats it, a broken one costs two steps and two broken in a row end the bursts, since a messy burst
 * is no longer practice. Too much tension costs two steps; a locked hand ends the bursts for the day. Bursts
 * that have come down to their floor end too. This class is immutable.
 *
 * @param controlled the tempo of the slow passes, below the floor
 * @param floor the tempo a burst has to exceed to be worth playing: the ceiling
 * @param first the tempo of the first burst, above the floor and not above the limit
 * @param limit the tempo no burst goes above
 * @param step one step as a share of the tempo, usually 0.02
 * @param bursts how many bursts, 1 to 30
 */
public record IntervalBursts(Tempo controlled, Tempo floor, Tempo first, Tempo limit, double step, int bursts)
        implements StateMachine<IntervalBursts.At> {

    static final Codec<IntervalBursts> CODEC = Codec.object(method -> new IntervalBursts(
            method.get("controlled", Tempo.CODEC, IntervalBursts::controlled),
            method.get("floor", Tempo.CODEC, IntervalBursts::floor),
            method.get("first", Tempo.CODEC, IntervalBursts::first),
            method.get("limit", Tempo.CODEC, IntervalBursts::limit),
            method.number("step", IntervalBursts::step),
            method.whole("bursts", IntervalBursts::bursts)));

    /** Where slow passes lie between bursts, as a share of the ceiling. */
    public static final double USUAL_CONTROLLED = 0.62;

    /** Where the first burst lies, as a share of the ceiling. */
    public static final double USUAL_FIRST = 1.03;

    /** The highest burst, as a share of the ceiling. */
    public static final double HIGHEST = 1.15;

    /** Broken or tense slow passes in all that end the bursts. */
    private static final int UNSETTLED_PASSES = 3;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the tempos out of order
     */
    public IntervalBursts {
        new Stride(step);
        limit = Stride.notAbove(limit);
        controlled = controlled.onMetronome();
        first = Tempo.slower(first.onMetronome(), limit);
        if (controlled.compareTo(floor) >= 0 || first.compareTo(floor) <= 0) {
            throw new IllegalArgumentException("Slow passes at " + controlled + " and bursts from " + first
                    + " must lie on both sides of " + floor);
        }
        if (bursts < 1 || bursts > 30) {
            throw new IllegalArgumentException("A block has 1 to 30 bursts, not " + bursts);
        }
    }

    @Override
    public School school() {
        return School.INTERVAL_BURSTS;
    }

    @Override
    public Reason promise() {
        if (isAtOneTempo()) {
            return Reason.of("bursting.onePromise", "first", first, "controlled", controlled);
        }
        return Reason.of("bursting.promise", "first", first, "floor", floor, "controlled", controlled, "limit", limit);
    }

    /**
     * Where it stands.
     *
     * @param slow the tempo of the slow passes now
     * @param burst that of the bursts
     * @param bursting whether a burst is next
     * @param done bursts played
     * @param broken broken bursts in a row
     * @param unsettled slow passes that broke or were tense, in all
     */
    record At(Tempo slow, Tempo burst, boolean bursting, int done, int broken, int unsettled) {

        private At bursts() {
            return new At(slow, burst, true, done, broken, unsettled);
        }

        private At played(Tempo next, int brokenNow) {
            return new At(slow, next, false, done + 1, brokenNow, unsettled);
        }
    }

    @Override
    public Next<At> begin() {
        return Next.go(
                new At(controlled, first, false, 0, 0, 0),
                isAtOneTempo()
                        ? Reason.of("bursting.oneBegin", "controlled", controlled, "first", first)
                        : Reason.of("bursting.begin", "controlled", controlled, "first", first, "floor", floor));
    }

    /** Whether no burst goes above the first: then the floor need not be the ceiling, and nothing is said of it. */
    private boolean isAtOneTempo() {
        return first.equals(limit);
    }

    /** The slow pass earns nothing by itself: it is answered only where there is something to say. */
    @Override
    public Move move(At at, Tempo cap, Reason why) {
        return at.bursting
                ? new Move.Play(PassKind.BURST, at.burst, why)
                : new Move.Play(Task.at(PassKind.CONTROLLED, at.slow).asking(Ask.NOTHING), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        if (at.bursting) {
            return afterBurst(at, cap, answer);
        }
        if (answer.verdict() == Verdict.BROKE || answer.holds()) {
            return unsettled(at, went(at.slow, answer));
        }
        return burst(at);
    }

    @Override
    public Next<At> tense(At at, Tempo cap, Heard answer) {
        return at.bursting
                ? afterBurst(at, cap, answer)
                : unsettled(at, Cause.of(answer.tension()).at(at.slow));
    }

    @Override
    public Next<At> held(At at, Tempo cap, Heard answer) {
        return at.bursting ? unjudged(at, cap) : unsettled(at, Reason.of("went.tense", "tempo", at.slow));
    }

    private Next<At> burst(At at) {
        return Next.go(
                at.bursts(),
                isAtOneTempo()
                        ? Reason.of("bursting.oneBurst", "tempo", at.burst)
                        : Reason.of(
                                "bursting.burst",
                                "tempo",
                                at.burst,
                                "percent",
                                Math.round(100 * (at.burst.ratioTo(floor) - 1))));
    }

    private Next<At> unsettled(At at, Reason went) {
        if (at.unsettled + 1 >= UNSETTLED_PASSES) {
            return Next.stop(Reason.of("bursting.unsettled"));
        }
        Tempo next = new Stride(step).down(at.slow, 4);
        return Stride.isSlowest(at.slow)
                ? Next.stop(Reason.of("bursting.slowest"))
                : Next.down(
                        new At(next, at.burst, false, at.done, at.broken, at.unsettled + 1),
                        Reason.of("bursting.slower", "cause", went, "next", next));
    }

    private Next<At> afterBurst(At at, Tempo cap, Heard answer) {
        boolean broke = answer.verdict() == Verdict.BROKE;
        if (broke && at.broken + 1 >= 2) {
            return Next.stop(Reason.of("bursting.twoBroke"));
        }
        Stride stride = new Stride(step);
        Tempo next = at.burst;
        if (broke || answer.lowers()) {
            next = stride.down(at.burst, 2);
        } else if (answer.verdict() == Verdict.CLEAN && !answer.holds()) {
            next = stride.up(at.burst, cap);
        }
        At then = at.played(next, broke ? at.broken + 1 : 0);
        Reason why = Reason.of("bursting.back", "went", went(at.burst, answer), "slow", at.slow, "next", next);
        return broke ? Next.down(then, why) : Next.go(then, why);
    }

    private static Reason went(Tempo tempo, Heard answer) {
        if (answer.lowers()) {
            return Cause.of(answer.tension()).at(tempo);
        }
        return switch (answer.verdict()) {
            case CLEAN -> Reason.of(answer.holds() ? "went.tense" : "went.clean", "tempo", tempo);
            case ROUGH -> Reason.of("went.slip", "tempo", tempo);
            case BROKE -> Cause.BROKE.at(tempo);
        };
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return at.bursting
                ? Next.go(
                        at.played(at.burst, at.broken), Reason.of("bursting.again", "slow", at.slow, "next", at.burst))
                : burst(at);
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        if (Stride.isSlowest(at.slow)) {
            return Next.stop(Reason.of("bursting.slowest"));
        }
        Tempo burst = new Stride(step).down(at.burst, 2);
        Tempo slow = new Stride(step).down(at.slow, 2);
        return Next.go(
                new At(slow, burst, false, at.done, at.broken, at.unsettled),
                Reason.of("bursting.backedOff", "slow", slow, "next", burst));
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return cap.compareTo(at.burst) < 0
                ? Next.go(
                        new At(at.slow, cap, at.bursting, at.done, at.broken, at.unsettled),
                        Reason.of("bursting.under", "because", because, "next", cap))
                : Next.go(at, why);
    }

    @Override
    public boolean isTooLow(At at) {
        return at.burst.compareTo(floor) <= 0;
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int most() {
        return bursts;
    }
}

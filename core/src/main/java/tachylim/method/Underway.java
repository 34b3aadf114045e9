package tachylim.method;

import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Where a method stands, and the rules that hold for all of them. This class is immutable.
 *
 * @param method whose state it is
 * @param at the state
 * @param cap nothing is faster
 * @param downs steps down for slips or tension since the last clean pass that was loose enough
 * @param misses passes in a row that were not clean
 * @param why the reason that led here
 */
record Underway<S>(StateMachine<S> method, S at, Tempo cap, int downs, int misses, Reason why) implements Position {

    /** So many steps down in a row end a block: going on would practise what goes wrong. */
    private static final int MOST_DOWNS = 2;

    static <S> Position opening(StateMachine<S> method) {
        return reached(method, method.begin(), method.limit(), 0, 0);
    }

    private static <S> Position reached(StateMachine<S> method, Next<S> next, Tempo cap, int downs, int misses) {
        if (next instanceof Next.Stop<S> stop) {
            return new Finished(stop.why());
        }
        Next.Go<S> go = (Next.Go<S>) next;
        if (method.done(go.state()) >= method.most()) {
            return new Finished(Move.Finish.complete(method.most()));
        }
        if (downs >= MOST_DOWNS && !method.isWarmUp()) {
            return new Finished(Reason.of("method.twoDowns"));
        }
        if (misses >= method.mostMisses()) {
            return new Finished(Reason.of("method.misses", "misses", misses));
        }
        return method.isTooLow(go.state())
                ? new Finished(Reason.of("method.tooLow"))
                : new Underway<>(method, go.state(), Tempo.slower(cap, go.most()), downs, misses, go.why());
    }

    private Position to(Next<S> next, int downsNow, int missesNow) {
        return reached(method, next, cap, downsNow, missesNow);
    }

    @Override
    public Move move() {
        return method.move(at, cap, why);
    }

    @Override
    public Position after(Heard answer) {
        if (answer.tension() == Tension.LOCKED) {
            return new Finished(Reason.of("method.locked"));
        }
        if (answer.lowers()) {
            return isSlowest() ? slowest() : to(method.tense(at, cap, answer), downs + 1, misses);
        }
        if (answer.verdict() == null) {
            Position then = to(answer.holds() ? method.held(at, cap, answer) : method.unjudged(at, cap), downs, misses);
            return answer.holds() ? noFaster(then) : then;
        }
        Next<S> next = method.after(at, cap, answer);
        boolean down = next instanceof Next.Go<S> go && go.down();
        boolean good = answer.verdict() == Verdict.CLEAN && !answer.holds();
        int missed = answer.verdict() == Verdict.CLEAN ? 0 : misses + 1;
        Position then = to(next, down ? downs + 1 : good ? 0 : downs, missed);
        return answer.holds() ? noFaster(then) : then;
    }

    /** The same position where it would go on faster than this one; nothing is faster from here then. */
    private Position noFaster(Position then) {
        if (!(move() instanceof Move.Play now && then.move() instanceof Move.Play next)
                || next.fastest().compareTo(now.fastest()) <= 0) {
            return then;
        }
        return then.under(now.fastest(), Reason.of("because.tense", "tempo", now.fastest()));
    }

    @Override
    public Position unjudged() {
        return to(method.unjudged(at, cap), downs, misses);
    }

    @Override
    public Position backedOff() {
        return isSlowest() ? slowest() : to(method.slower(at, cap, Cause.BACKED_OFF), downs, misses);
    }

    private boolean isSlowest() {
        return Stride.isSlowest(method.easiest(at, cap));
    }

    private static Position slowest() {
        return new Finished(Reason.of("slowest"));
    }

    @Override
    public Position under(Tempo most, Reason because) {
        Tempo lower = Tempo.slower(cap, Stride.notAbove(most));
        return lower.equals(cap) ? this : reached(method, method.under(at, lower, because, why), lower, downs, misses);
    }
}

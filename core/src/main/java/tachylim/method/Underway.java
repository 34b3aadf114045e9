package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Where a method stands, and the rules that hold for all of them. This class is immutable.
 *
 * @param method whose state it is
 * @param at the state
 * @param cap nothing is faster
 * @param why the reason that led here
 */
record Underway<S>(StateMachine<S> method, S at, Tempo cap, Reason why) implements Position {

    static <S> Position opening(StateMachine<S> method) {
        return reached(method, method.begin(), method.limit());
    }

    private static <S> Position reached(StateMachine<S> method, Next<S> next, Tempo cap) {
        if (next instanceof Next.Stop<S> stop) {
            return new Finished(stop.why());
        }
        Next.Go<S> go = (Next.Go<S>) next;
        if (method.done(go.state()) >= method.most()) {
            return new Finished(Reason.of("method.allPlayed", "passes", method.most()));
        }
        return method.isTooLow(go.state())
                ? new Finished(Reason.of("method.tooLow"))
                : new Underway<>(method, go.state(), Tempo.slower(cap, go.most()), go.why());
    }

    private Position to(Next<S> next) {
        return reached(method, next, cap);
    }

    @Override
    public Move move() {
        return method.move(at, cap, why);
    }

    @Override
    public Position after(Answer answer) {
        if (answer.tension() == Tension.LOCKED) {
            return new Finished(Reason.of("method.locked"));
        }
        if (answer.tension().atLeast(Tension.GRIPPING)) {
            return isSlowest() ? slowest() : to(method.gripping(at, cap, answer));
        }
        return to(method.after(at, cap, answer));
    }

    @Override
    public Position unjudged() {
        return to(method.unjudged(at, cap));
    }

    @Override
    public Position backedOff() {
        return isSlowest() ? slowest() : to(method.slower(at, cap, Cause.BACKED_OFF));
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
        return lower.equals(cap) ? this : reached(method, method.under(at, lower, because, why), lower);
    }
}

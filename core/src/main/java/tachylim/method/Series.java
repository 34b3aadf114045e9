package tachylim.method;

import java.util.List;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A method whose tasks are known from the start: one after another, nothing as fast again as what gripped. Its state is the
 * number of the next.
 */
interface Series extends StateMachine<Integer> {

    /** How much slower all that follows gets after a hand gripped, or when the player backs off. */
    double EASING = 0.93;

    /** A task and why it is there. */
    record Line(Task task, Reason why) {}

    /** What is to be played, in order. */
    List<Line> lines();

    @Override
    default Next<Integer> begin() {
        return Next.go(0, Reason.NONE);
    }

    @Override
    default Move move(Integer at, Tempo cap, Reason why) {
        Line line = lines().get(at);
        if (line.task().pulse().fastest().compareTo(cap) <= 0) {
            return new Move.Play(line.task(), line.why());
        }
        Task slower = line.task().with(line.task().pulse().under(cap));
        return new Move.Play(
                slower,
                Reason.of("method.slowerThanPlanned", "tempo", slower.pulse().fastest()));
    }

    @Override
    default Next<Integer> after(Integer at, Tempo cap, Heard answer) {
        return Next.go(at + 1, Reason.NONE);
    }

    @Override
    default Next<Integer> unjudged(Integer at, Tempo cap) {
        return Next.go(at + 1, Reason.NONE);
    }

    /** What follows, all of it slower than this one. */
    @Override
    default Next<Integer> slower(Integer at, Tempo cap, Cause cause) {
        Tempo now = ((Move.Play) move(at, cap, Reason.NONE)).fastest();
        return Next.go(cause == Cause.BACKED_OFF ? at : at + 1, Reason.NONE)
                .notAbove(Tempo.slower(Stride.notAbove(now.times(EASING)), Stride.below(now)));
    }

    @Override
    default int done(Integer at) {
        return at;
    }

    @Override
    default int most() {
        return lines().size();
    }
}

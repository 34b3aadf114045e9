package tachylim.method;

import java.util.List;
import tachylim.task.Answer;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/**
 * Where a method stands whose tasks are known from the start: one after another, nothing as fast again as what gripped. This
 * class is immutable.
 *
 * @param tasks what is to be played, each with its reason
 * @param index which of them is next
 * @param cap nothing is faster than this
 * @param end what is said at the end
 */
record Series(List<Said> tasks, int index, Tempo cap, String end) implements Position {

    /** How much slower all that follows gets after a hand gripped, or when the player backs off. */
    private static final double EASING = 0.93;

    /** A task and why it is there. */
    record Said(Task task, String why) {}

    /** Before the first of them. */
    static Position of(List<Said> tasks, String end) {
        return new Series(List.copyOf(tasks), 0, Tempo.of(Tempo.MAX), end);
    }

    private Task task() {
        Task task = tasks.get(index).task();
        return task.pulse().fastest().compareTo(cap) > 0
                ? task.with(task.pulse().under(cap))
                : task;
    }

    private Tempo fastest() {
        return task().pulse().fastest();
    }

    @Override
    public Move move() {
        boolean eased = tasks.get(index).task().pulse().fastest().compareTo(cap) > 0;
        return new Move.Play(
                task(),
                eased
                        ? "Slower than planned, at " + fastest() + "."
                        : tasks.get(index).why());
    }

    private Position next(Tempo limit) {
        return index + 1 < tasks.size() ? new Series(tasks, index + 1, limit, end) : new Finished(end);
    }

    @Override
    public Position after(Answer answer) {
        if (answer.tension() == Tension.LOCKED) {
            return new Finished("Locked at " + fastest() + ": leave this now and let the hands recover.");
        }
        return answer.tension().atLeast(Tension.GRIPPING) ? eased(1) : next(cap);
    }

    @Override
    public Position unjudged() {
        return next(cap);
    }

    /** What follows after {@code played} of them, all of it slower than this one. */
    private Position eased(int played) {
        Tempo now = fastest();
        if (Stride.isSlowest(now) || Stride.isSlowest(task().tempo())) {
            return new Finished("Slower than this cannot be set: leave it at that.");
        }
        if (index + played >= tasks.size()) {
            return new Finished(end);
        }
        Tempo lower = Tempo.slower(Stride.notAbove(now.times(EASING)), Stride.below(now));
        return new Series(tasks, index + played, Tempo.slower(cap, lower), end);
    }

    @Override
    public Position backedOff() {
        return eased(0);
    }

    @Override
    public Position under(Tempo most, String because) {
        return new Series(tasks, index, Tempo.slower(cap, Stride.notAbove(most)), end);
    }
}

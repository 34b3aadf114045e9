package tachylim.workout;

import tachylim.task.Answer;

/** Gives tests the answers of a player who judges everything alike, whatever is asked. */
final class Answers {

    private Answers() {}

    /** {@code wanted}, as it is told where passes of a set or a count are asked for. */
    static Answer to(Run run, Answer wanted) {
        return ((Pass) run.step()).ask().answer(wanted.verdict(), wanted.felt(), wanted.told());
    }
}

package tachylim.bench.players;

import tachylim.task.Answer;
import tachylim.task.PassKind;

/** Whoever is told of what is played. */
@FunctionalInterface
interface Ear {

    Ear DEAF = (kind, seconds, ratio, answer) -> {};

    /**
     * A pass was played.
     *
     * @param seconds of playing
     * @param ratio its tempo over the ceiling as it truly is today
     */
    void heard(PassKind kind, double seconds, double ratio, Answer answer);
}

package tachylim.method;

import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Where a method goes from a state: on to another one, or to its end.
 *
 * @param <S> its states
 */
sealed interface Next<S> {

    /**
     * On to a state.
     *
     * @param why the reason
     * @param most nothing is faster from here on
     * @param down whether it is a step down for slips
     */
    record Go<S>(S state, Reason why, Tempo most, boolean down) implements Next<S> {

        /** The same, with nothing faster than a tempo from here on. */
        Next<S> notAbove(Tempo tempo) {
            return new Go<>(state, why, tempo, down);
        }
    }

    /**
     * To the end.
     *
     * @param why the reason
     */
    record Stop<S>(Reason why) implements Next<S> {}

    static <S> Go<S> go(S state, Reason why) {
        return new Go<>(state, why, Tempo.of(Tempo.MAX), false);
    }

    /** A step down, since it went wrong: two of them in a row end a block. */
    static <S> Go<S> down(S state, Reason why) {
        return new Go<>(state, why, Tempo.of(Tempo.MAX), true);
    }

    static <S> Next<S> stop(Reason why) {
        return new Stop<>(why);
    }
}

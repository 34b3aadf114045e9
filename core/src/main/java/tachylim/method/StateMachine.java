package tachylim.method;

import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A method as {@link Underway} plays it: its states, and where answers lead from each. What every method shares is not
 * written here but there: a locked hand ends it, tension and backing off go slower, two steps down in a row, so many
 * passes, or what is slower than can be set are the end.
 *
 * @param <S> its states, immutable
 */
interface StateMachine<S> extends Method {

    /** The state before the first pass, and the reason for it. */
    Next<S> begin();

    /**
     * What to do in a state.
     *
     * @param cap nothing may be faster
     * @param why the reason that led to it
     */
    Move move(S at, Tempo cap, Reason why);

    /** After an answer whose tension does not lower what follows. */
    Next<S> after(S at, Tempo cap, Heard answer);

    /** After it was played and nothing was said: nothing is earned, nothing is lost. */
    Next<S> unjudged(S at, Tempo cap);

    /** The same where tension was said that holds the tempo. */
    default Next<S> held(S at, Tempo cap, Heard answer) {
        return unjudged(at, cap);
    }

    /** Slower than now. */
    Next<S> slower(S at, Tempo cap, Cause cause);

    /** How much of {@link #most()} was played. */
    int done(S at);

    /** How much it plays at the most. */
    int most();

    /** After an answer so tense that what follows is slower. */
    default Next<S> tense(S at, Tempo cap, Heard answer) {
        return slower(at, cap, Cause.of(answer.tension()));
    }

    /** With nothing above a cap that is lower than the one so far. */
    default Next<S> under(S at, Tempo cap, Reason because, Reason why) {
        return Next.go(at, why);
    }

    /** So many misses in a row are the end, at whatever tempos: where each step goes by the one before, they say that it is not it. */
    default int mostMisses() {
        return Integer.MAX_VALUE;
    }

    /** Whether it warms up: that is played to its end, however slow. */
    default boolean isWarmUp() {
        return false;
    }

    /** Whether a state has come down so far that it is no longer worth playing. */
    default boolean isTooLow(S at) {
        return false;
    }

    /** The tempo that cannot be lowered any more once it is as slow as can be set. */
    default Tempo easiest(S at, Tempo cap) {
        return move(at, cap, Reason.NONE) instanceof Move.Play play ? play.tempo() : Tempo.of(Tempo.MAX);
    }

    @Override
    default Position opening() {
        return Underway.opening(this);
    }
}

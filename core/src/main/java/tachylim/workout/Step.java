package tachylim.workout;

import tachylim.words.Reason;

/** One step of a workout: something to play, a rest, or the end. */
public sealed interface Step permits Pass, Rest, Done {

    /** How long it lasts, in seconds. */
    double seconds();

    /** Why it is there, one sentence. */
    Reason why();
}

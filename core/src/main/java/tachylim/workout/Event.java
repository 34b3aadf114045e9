package tachylim.workout;

import tachylim.task.Answer;
import tachylim.task.Tension;

/** What happens in a run: each event answers the step the run stands at. */
public sealed interface Event {

    /** What is said of a pass that was left: nothing, so that a burst counts as played. */
    double UNSAID = -1;

    /** A pass was played and judged. */
    record Judged(Answer answer) implements Event {}

    /**
     * A pass was played to its end, and nothing was said of how it went.
     *
     * @param felt how tense it was; null where nothing was said of that either
     */
    record Unjudged(Tension felt) implements Event {

        /** Without a word. */
        public Unjudged() {
            this(null);
        }
    }

    /**
     * A rest was taken.
     *
     * @param seconds how long it was, at least what the step asked for
     */
    record Rested(double seconds) implements Event {}

    /**
     * The player wants the next pass slower.
     *
     * @param playedSeconds how much of the pass at hand had been played, or {@link #UNSAID}
     */
    record BackedOff(double playedSeconds) implements Event {}

    /**
     * The player wants a rest now, before the pass.
     *
     * @param playedSeconds how much of the pass at hand had been played, or {@link #UNSAID}
     */
    record RestAsked(double playedSeconds) implements Event {}

    /**
     * The player stops.
     *
     * @param symptom whether for pain, numbness or tingling
     * @param playedSeconds how much of the pass at hand had been played, or {@link #UNSAID}
     */
    record Stopped(boolean symptom, double playedSeconds) implements Event {}
}

package tachylim.workout;

import tachylim.method.Answer;

/** What happens in a run: each event answers the step the run stands at. */
public sealed interface Event {

    /** A pass was played and judged. */
    record Judged(Answer answer) implements Event {}

    /**
     * A rest was taken.
     *
     * @param seconds how long it was, at least what the step asked for
     */
    record Rested(double seconds) implements Event {}

    /** The player wants the next pass slower. */
    record BackedOff() implements Event {}

    /** The player wants a rest now, before the pass. */
    record RestAsked() implements Event {}

    /**
     * The player stops.
     *
     * @param symptom whether for pain, numbness or tingling
     */
    record Stopped(boolean symptom) implements Event {}
}

package tachylim.method;

import java.util.Objects;

/**
 * What the player says after a pass. This class is immutable.
 *
 * @param verdict how it went, not null
 * @param tension how tense it was, not null
 */
public record Answer(Verdict verdict, Tension tension) {

    public Answer {
        Objects.requireNonNull(verdict, "verdict");
        Objects.requireNonNull(tension, "tension");
    }

    /** The answer a plan counts on: clean, and lightly held. */
    public static Answer expected() {
        return new Answer(Verdict.CLEAN, Tension.LIGHT);
    }
}

package tachylim.workout;

import tachylim.words.Reason;

/**
 * The end of a workout. This class is immutable.
 *
 * @param cause how it ended
 * @param why the reason
 */
public record Done(Cause cause, Reason why) implements Step {

    /** How a workout can end. */
    public enum Cause {
        PLAYED,
        STOPPED,
        SYMPTOM,
        /** It was left open until its day was over, and closed with what was played. */
        LEFT,
        /** The rules changed while it was open, and it was closed with what was played. */
        OUTDATED;

        /** What is said of a workout that ended so. */
        public Reason sentence() {
            return Reason.of("done." + name());
        }
    }

    /** The end for a cause, with its usual sentence. */
    public static Done of(Cause cause) {
        return new Done(cause, cause.sentence());
    }

    @Override
    public double seconds() {
        return 0;
    }
}

package tachylim.workout;

/**
 * The end of a workout. This class is immutable.
 *
 * @param cause how it ended
 * @param why the reason, one sentence
 */
public record Done(Cause cause, String why) implements Step {

    /** How a workout can end. */
    public enum Cause {
        PLAYED,
        STOPPED,
        SYMPTOM
    }

    @Override
    public double seconds() {
        return 0;
    }
}

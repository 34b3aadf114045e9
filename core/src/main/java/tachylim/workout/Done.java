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
        SYMPTOM,
        /** It was left open until its day was over, and closed with what was played. */
        LEFT,
        /** The rules changed while it was open, and it was closed with what was played. */
        OUTDATED;

        /** What is said of a workout that ended so. */
        public String sentence() {
            return switch (this) {
                case PLAYED -> "The workout is played.";
                case STOPPED -> "Stopped here; everything played is kept.";
                case SYMPTOM ->
                    "Stopped for a symptom: no playing for 48 hours. If it stays, "
                            + "see a physician or a therapist who knows musicians.";
                case LEFT -> "It was left open until its day was over; what was played is kept, and today begins anew.";
                case OUTDATED ->
                    "Tachylim was renewed while this workout was open; what was played is kept. Begin a new one.";
            };
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

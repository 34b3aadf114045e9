package tachylim.workout;

/** Which method the core of a workout uses. */
public enum School {
    /** Slow passes alternating with bursts above the ceiling. */
    INTERVAL_BURSTS,
    /** Small earned steps up to the ceiling. */
    STEADY_CLIMB,
    /** Nothing but easy passes: the least that keeps the hands in shape on a bad day. */
    EASY;

    /** Whether it plays near the ceiling or above it, so that what is played should be decided first. */
    public boolean isFast() {
        return this != EASY;
    }
}

package tachylim.workout;

/** The parts of a workout, in the order they are played. */
public enum Part {
    WARM_UP,
    OPENER,
    /** Whole passes that measure where the ceiling is. */
    MEASURE,
    CORE,
    CLOSER
}

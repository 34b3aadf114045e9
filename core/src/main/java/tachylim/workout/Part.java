package tachylim.workout;

/** What the blocks of a workout are for. */
public enum Part {
    WARM_UP,
    /** Controlled playing of something that is near. */
    OPENER,
    /** Slow, in variations. */
    PREPARE,
    /** Whole passes that measure where the ceiling is. */
    MEASURE,
    CORE,
    /** Once through, as if somebody listened. */
    PERFORM,
    /** Away from the instrument. */
    STUDY,
    CLOSER
}

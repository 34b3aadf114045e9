package tachylim.task;

/** The player's own judgement of one pass. */
public enum Verdict {
    /** Every note in its place, nothing to mend. */
    CLEAN,
    /** One small slip, played on. */
    ROUGH,
    /** Lost it. */
    BROKE
}

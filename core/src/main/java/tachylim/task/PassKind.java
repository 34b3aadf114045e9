package tachylim.task;

/** What a pass is for; each has its own form in the timeline. */
public enum PassKind {
    /** Easy and large, before the practice: not judged for cleanness by any method. */
    WARM_UP,
    /** Slow and under control: the base of everything. */
    CONTROLLED,
    /** The whole, rested, at the tempo that says most about the ceiling. */
    PROBE,
    /** A beat or two above the ceiling. */
    BURST,
    /** Well within reach, to end on something that works. */
    CLOSING
}

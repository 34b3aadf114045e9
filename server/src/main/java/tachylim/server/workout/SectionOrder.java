package tachylim.server.workout;

/** Ways to go through the sections of a passage in one workout. */
public enum SectionOrder {
    /** The last section at its target, then the last two, and so on to the beginning. */
    FROM_THE_END,
    /** All of them, the farthest from its target first, each until it is clean and loose. */
    HARDEST_FIRST,
    /** The sections that were chosen, one after the other, each a notch nearer to its own ceiling as it is believed today. */
    NOTCHES,
    /** From beginning to end without stopping, once. */
    PERFORM
}

package tachylim.bench.players;

/** How much easier a player finds a burst of a few beats than the whole. */
enum Bursts {
    /** Every transition goes wrong on its own: a tenth of the transitions has the tenth root of the chance. */
    INDEPENDENT_TRANSITIONS,
    /** Not at all. */
    ALIKE,
    /** As if it were slower by some percent. */
    SHIFTED
}

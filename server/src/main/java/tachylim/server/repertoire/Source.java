package tachylim.server.repertoire;

/** Where a passage's notes come from. */
public enum Source {
    /** Typed in ABC notation. */
    ABC,
    /** On the player's stand: only how many notes each beat has. */
    PAPER
}

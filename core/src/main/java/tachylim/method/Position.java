package tachylim.method;

/**
 * Where a method stands: its state, and so its next move. Positions are immutable; each answer leads to
 * a new one.
 */
public interface Position {

    /** What to do now. */
    Move move();

    /**
     * The position after the pass of {@link #move()} was answered.
     *
     * @throws IllegalStateException if the method is finished
     */
    Position after(Answer answer);

    /**
     * The position after the player asked to back off, before playing: the next pass is slower.
     *
     * @throws IllegalStateException if the method is finished
     */
    Position backedOff();
}

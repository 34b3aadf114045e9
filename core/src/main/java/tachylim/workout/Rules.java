package tachylim.workout;

/**
 * Which edition of the rules this is. Whatever changes what a run would do, a constant or a step of
 * {@link Run}, {@link Planner}, a method or the load, takes the next number: a run that was begun under another is
 * closed with everything kept instead of being played on by rules it was not planned with.
 */
public final class Rules {

    /** The edition in force. */
    public static final int EDITION = 6;

    private Rules() {}
}

package tachylim.workout;

/**
 * Which edition of the rules this is. Whatever changes what a run would do, a constant or a step of
 * {@link Run}, {@link Planner}, a method or the load, takes the next number: a run that was begun under another is
 * closed with everything kept instead of being played on by rules it was not planned with.
 */
public final class Rules {

    /**
     * The edition in force. It is no constant of the compiler's: that would be copied into classes which are not compiled
     * again when it changes, such as those of the page.
     */
    public static final int EDITION = Integer.parseInt("17");

    private Rules() {}
}

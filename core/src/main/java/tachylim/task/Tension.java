package tachylim.task;

import tachylim.words.Refusal;

/** How tense the body was in a pass, from 0 to 5; {@code ordinal()} is the figure the player gives. */
public enum Tension {
    LOOSE,
    LIGHT,
    ALERT,
    EDGE,
    GRIPPING,
    LOCKED;

    /** The figure of the highest. */
    public static final int MOST = 5;

    /**
     * The tension the player calls {@code figure}.
     *
     * @throws IllegalArgumentException if {@code figure} is outside 0..5
     */
    public static Tension of(int figure) {
        if (figure < 0 || figure > MOST) {
            throw Refusal.of("refusal.tension.tensionIsGivenFrom0ToNotAs", "most", MOST, "figure", figure);
        }
        return values()[figure];
    }

    /**
     * The same; null where no figure was said.
     *
     * @throws IllegalArgumentException if {@code figure} is outside 0..5
     */
    public static Tension said(Integer figure) {
        return figure == null ? null : of(figure);
    }

    /** Whether this is {@code other} or more. */
    public boolean atLeast(Tension other) {
        return compareTo(other) >= 0;
    }
}

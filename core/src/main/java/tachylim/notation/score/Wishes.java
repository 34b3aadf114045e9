package tachylim.notation.score;

import tachylim.words.Refusal;

/**
 * What whoever reads a file wants of it, where the file leaves it open. This class is immutable.
 *
 * @param grid what recorded times are drawn to; null for the one that fits best
 * @param pickup how long the music lasts before bar one, in sixteenth notes, 0 to {@value #MOST_PICKUP}; null for
 *     what the file tells
 */
public record Wishes(Grid grid, Integer pickup) {

    /** The longest pickup, in sixteenth notes: two bars of 4/4. */
    public static final int MOST_PICKUP = 32;

    /** Nothing in particular. */
    public static final Wishes NONE = new Wishes(null, null);

    /**
     * @throws IllegalArgumentException if the pickup is not 0 to {@value #MOST_PICKUP}
     */
    public Wishes {
        if (pickup != null && (pickup < 0 || pickup > MOST_PICKUP)) {
            throw Refusal.of("refusal.wishes.aPickupLasts0ToSixteenth", "mostPickup", MOST_PICKUP, "pickup", pickup);
        }
    }

    /** Times drawn to {@code grid}. */
    public static Wishes on(Grid grid) {
        return new Wishes(grid, null);
    }
}

package tachylim.season;

/** How much a passage matters to the player, beside the others. */
public enum Importance {
    LESS(1),
    USUAL(2),
    MOST(4);

    private final double weight;

    Importance(double weight) {
        this.weight = weight;
    }

    /** What it counts for when minutes are given out. */
    double weight() {
        return weight;
    }
}

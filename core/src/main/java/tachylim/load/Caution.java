package tachylim.load;

/** How much recovery a player wants in hand before a burst. */
public enum Caution {
    USUAL(0.5),
    CAUTIOUS(0.7);

    private final double burstFloor;

    Caution(double burstFloor) {
        this.burstFloor = burstFloor;
    }

    /** The recovery a burst needs before it starts, 0 to 1. */
    public double burstFloor() {
        return burstFloor;
    }
}

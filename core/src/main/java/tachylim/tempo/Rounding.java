package tachylim.tempo;

/**
 * Rounding figures, as a metronome and a clock have them. Logarithms and powers end in another last bit on another machine,
 * and a run is played on two: what is a whole number but for that bit is that number on both.
 */
public final class Rounding {

    private static final double LAST_BITS = 1e-6;

    private Rounding() {}

    /** The greatest whole number that is not above {@code figure}. */
    public static double below(double figure) {
        return Math.floor(figure + LAST_BITS);
    }

    /** The smallest whole number that is not below {@code figure}. */
    public static double above(double figure) {
        return Math.ceil(figure - LAST_BITS);
    }
}

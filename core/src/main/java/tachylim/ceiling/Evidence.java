package tachylim.ceiling;

import tachylim.method.Verdict;
import tachylim.tempo.Tempo;

/**
 * What one judged pass says about the ceiling. This class is immutable.
 *
 * @param tempo the tempo played
 * @param verdict how it went
 * @param power how much it counts, as a power of its likelihood, above 0 to 1
 */
public record Evidence(Tempo tempo, Verdict verdict, double power) {

    /** How much a tired pass counts. */
    public static final double TIRED_POWER = 0.5;

    /** A pass is tired when the reserve at its start is below this. */
    public static final double TIRED_BELOW = 0.6;

    /** Even one beat of a long piece says this much. */
    private static final double LEAST_POWER = 0.2;

    /**
     * @throws IllegalArgumentException if the power is outside its range
     */
    public Evidence {
        if (!(power > 0 && power <= 1)) {
            throw new IllegalArgumentException("Evidence counts up to once, not " + power + " times");
        }
    }

    /** A pass of the whole piece, rested. */
    public static Evidence of(Tempo tempo, Verdict verdict) {
        return new Evidence(tempo, verdict, 1);
    }

    /**
     * A pass of part of a piece.
     *
     * @param reserve the reserve at its start, 0 to 1: tired passes count half
     * @param share the share of the piece's notes it played, 0 to 1: a burst of two beats says less of
     *     the whole than a pass of it
     */
    public static Evidence of(Tempo tempo, Verdict verdict, double reserve, double share) {
        double power = Math.max(LEAST_POWER, Math.min(1, share));
        return new Evidence(tempo, verdict, reserve < TIRED_BELOW ? power * TIRED_POWER : power);
    }
}

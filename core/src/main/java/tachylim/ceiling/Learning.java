package tachylim.ceiling;

/**
 * A belief as it learns in the course of a day: pass by pass, and anew from what was heard once that no longer fits. This
 * class is immutable.
 *
 * @param belief what is believed now
 * @param surprise how well what was heard today fits
 */
public record Learning(Posterior belief, Surprise surprise) {

    /** A belief that is begun anew lies this far under the tempo that went wrong, and is off by so much. */
    private static final double UNDER_MISS = 0.9;

    private static final double ANEW_SD = 0.3;

    /** At the beginning of a day. */
    public static Learning from(Posterior belief) {
        return new Learning(belief, Surprise.NONE);
    }

    /** After one more pass. */
    public Learning after(Evidence evidence) {
        Surprise now = surprise.after(belief, evidence);
        boolean anew = now.doubted().isPresent() && surprise.doubted().isEmpty();
        Posterior from = anew ? Posterior.prior(evidence.tempo().times(UNDER_MISS), ANEW_SD) : belief;
        return new Learning(from.after(evidence), now);
    }
}

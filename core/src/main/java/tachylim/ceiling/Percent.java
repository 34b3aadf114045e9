package tachylim.ceiling;

/**
 * A change of tempo in percent, with its 80% interval; none of it below nothing. This class is immutable.
 *
 * @param low the 10% quantile, 0 or more
 * @param middle what is to be expected
 * @param high the 90% quantile
 */
public record Percent(double low, double middle, double high) {

    /** So many times a change in ln tempo. */
    public static Percent of(Moments change, double times) {
        double reach = Band.TO_TENTH * Math.sqrt(change.variance());
        return new Percent(
                percent(times * (change.mean() - reach)),
                percent(times * change.mean()),
                percent(times * (change.mean() + reach)));
    }

    private static double percent(double log) {
        return 100 * Math.expm1(Math.max(0, log));
    }
}

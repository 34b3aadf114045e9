package tachylim.ceiling;

import tachylim.tempo.Tempo;

/**
 * A tempo that is known only so far: the middle and the ends of an 80% interval. This class is
 * immutable.
 *
 * @param low the 10% quantile
 * @param middle the median
 * @param high the 90% quantile
 */
public record Band(Tempo low, Tempo middle, Tempo high) {

    /** Half the width of the interval as a share of the middle. */
    public double giveOrTake() {
        return (high.bpm() - low.bpm()) / 2 / middle.bpm();
    }

    /** The Gaussian of ln tempo with this interval. */
    public Moments moments() {
        double deviation = Math.log(high.ratioTo(low)) / 2 / TO_TENTH;
        return new Moments(middle.log(), deviation * deviation);
    }

    /** This band with its middle at most {@code tempo}, and its ends moved by the same ratio. */
    Band notAbove(Tempo tempo) {
        return times(Math.min(1, tempo.ratioTo(middle)));
    }

    Band times(double ratio) {
        return new Band(low.times(ratio), middle.times(ratio), high.times(ratio));
    }

    /** This band with its middle moved by a ratio, and as much wider as a Gaussian gets that is spread by {@code sd}. */
    Band wider(double ratio, double sd) {
        double spread = TO_TENTH * sd;
        return new Band(
                middle.times(ratio * Math.exp(-Math.hypot(Math.log(middle.ratioTo(low)), spread))),
                middle.times(ratio),
                middle.times(ratio * Math.exp(Math.hypot(Math.log(high.ratioTo(middle)), spread))));
    }

    /** From the middle of a Gaussian to its 10% quantile, in standard deviations. */
    static final double TO_TENTH = 1.2816;
}

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

    /** This band with its middle at most {@code tempo}, and its ends moved by the same ratio. */
    Band notAbove(Tempo tempo) {
        double ratio = Math.min(1, tempo.ratioTo(middle));
        return new Band(low.times(ratio), middle.times(ratio), high.times(ratio));
    }
}

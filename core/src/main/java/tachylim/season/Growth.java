package tachylim.season;

import org.apache.commons.statistics.distribution.NormalDistribution;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Moments;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;

/**
 * Where the ceiling of a passage comes to by what it is given, and how sure that is. This class is immutable.
 *
 * @param level its ln ceiling today
 * @param rate what is gained on a day of very many minutes, ln ceiling (see {@link Gains})
 * @param loss what is lost on a day without it, from the fourth on, ln ceiling
 * @param known whether it was played on enough days for anything to be foretold of it
 */
public record Growth(Moments level, Moments rate, double loss, boolean known) {

    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    /**
     * What is to be had of its ln ceiling after some days.
     *
     * @param doses what the days teach, summed (see {@link Gains#dose})
     * @param idle the days on which something is lost
     * @param days how many days pass
     */
    Moments after(double doses, double idle, double days) {
        return new Moments(
                level.mean() + Math.max(0, rate.mean()) * doses - loss * idle,
                level.variance() + rate.variance() * doses * doses + Gains.wandering(days));
    }

    /** The chance that a tempo is in control then. */
    static double chance(Moments then, Tempo target) {
        return NORMAL.cumulativeProbability((then.mean() - target.log()) / Math.sqrt(then.variance()));
    }

    /** The tempo that is likely to be in control then. */
    static Tempo likely(Moments then) {
        return reached(then, Forecast.LIKELY);
    }

    /** The fastest tempo that is in control then with some chance. */
    static Tempo reached(Moments then, double chance) {
        return Tempo.clamped(Rounding.below(
                Math.exp(then.mean() - NORMAL.inverseCumulativeProbability(chance) * Math.sqrt(then.variance()))));
    }

    /**
     * What comes of minutes that are given in portions as evenly as may be.
     *
     * @param minutes all minutes
     * @param portion the minutes of a portion
     * @param days the days over which they are spread
     */
    Moments byPortions(double minutes, double portion, double days) {
        double portions = Math.max(1e-9, minutes / portion);
        double sittings = Math.min(portions, Math.max(1, days));
        double doses = minutes <= 0 ? 0 : sittings * Gains.dose(minutes / sittings);
        return after(doses, Math.max(0, days - sittings * (1 + Gains.IDLE_DAYS)), days);
    }
}

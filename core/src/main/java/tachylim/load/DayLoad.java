package tachylim.load;

import tachylim.task.Tension;

/**
 * What was done on one day. This class is immutable.
 *
 * @param effort what it cost
 * @param burstSeconds seconds of fast playing: bursts, and a share of what measures
 * @param playedSeconds seconds of playing, without rests
 * @param worstTension the highest tension given
 */
public record DayLoad(Effort effort, double burstSeconds, double playedSeconds, Tension worstTension) {

    /** A day on which nothing has been played. */
    public static final DayLoad NONE = new DayLoad(Effort.NONE, 0, 0, Tension.LOOSE);
}

package tachylim.load;

import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/**
 * Effort minutes: how much a stretch of playing asks of the body.
 *
 * <p>{@code minutes × exp(3(ρ − 0.6)) × (1 + 0.15·max(0, tension − 1))}, where ρ is the tempo over
 * today's ceiling. One effort minute is one loose minute at 60% of the ceiling. The shape is that of
 * the exponential training impulse (Banister 1991); for practice it is a rule of thumb.
 */
public final class Effort {

    private static final double STEEPNESS = 3;
    private static final double REFERENCE = 0.6;
    private static final double PER_TENSION = 0.15;

    private Effort() {}

    /**
     * The effort of playing when nobody was asked how tense it was: as if it had been played lightly.
     *
     * @param seconds how long, not negative
     * @param ceiling today's ceiling of what is played
     * @return effort minutes
     */
    public static double unasked(double seconds, Tempo tempo, Tempo ceiling) {
        return of(seconds, tempo.ratioTo(ceiling), Tension.LIGHT);
    }

    /**
     * The effort of playing.
     *
     * @param seconds how long, not negative
     * @param ratio tempo over today's ceiling, positive
     * @param tension how tense it was
     * @return effort minutes
     */
    public static double of(double seconds, double ratio, Tension tension) {
        return seconds / 60 * Math.exp(STEEPNESS * (ratio - REFERENCE)) * factor(tension);
    }

    /**
     * What minutes that are only planned are taken to cost: as if each were played loosely at {@value #REFERENCE} of the
     * ceiling. So the minutes that a player wants, and what a day may have, can be compared.
     *
     * @param minutes minutes of playing
     * @return effort minutes
     */
    public static double planned(double minutes) {
        return minutes * factor(Tension.LOOSE);
    }

    /** How many times as much the same playing costs at a tension as it does loose. */
    public static double factor(Tension tension) {
        return 1 + PER_TENSION * Math.max(0, tension.ordinal() - 1);
    }
}

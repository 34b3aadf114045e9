package tachylim.load;

import java.util.stream.Stream;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * How much a stretch of playing asks of the body, in effort minutes: another unit than minutes on a clock, which is why it is
 * a type of its own.
 *
 * <p>{@code minutes × exp(3(ρ − 0.6)) × (1 + 0.15·max(0, tension − 1))}, where ρ is the tempo over
 * today's ceiling. One effort minute is one loose minute at 60% of the ceiling. The shape is that of
 * the exponential training impulse (Banister 1991); for practice it is a rule of thumb. This class is immutable.
 *
 * @param minutes effort minutes, not negative
 */
public record Effort(double minutes) implements Comparable<Effort>, Reason.Figure {

    public static final Effort NONE = new Effort(0);

    private static final double STEEPNESS = 3;
    private static final double REFERENCE = 0.6;
    private static final double PER_TENSION = 0.15;

    /**
     * @throws IllegalArgumentException if it is negative
     */
    public Effort {
        if (!(minutes >= 0)) {
            throw new IllegalArgumentException("Effort is not negative: " + minutes);
        }
    }

    @Override
    public Number figure() {
        return minutes;
    }

    /**
     * The effort of playing when nobody was asked how tense it was: as if it had been played lightly.
     *
     * @param seconds how long, not negative
     * @param ceiling today's ceiling of what is played
     */
    public static Effort unasked(double seconds, Tempo tempo, Tempo ceiling) {
        return of(seconds, tempo.ratioTo(ceiling), Tension.LIGHT);
    }

    /**
     * The effort of playing.
     *
     * @param seconds how long, not negative
     * @param ratio tempo over today's ceiling, positive
     * @param tension how tense it was
     */
    public static Effort of(double seconds, double ratio, Tension tension) {
        return new Effort(seconds / 60 * Math.exp(STEEPNESS * (ratio - REFERENCE)) * factor(tension));
    }

    /**
     * What minutes that are only planned are taken to cost: as if each were played loosely at {@value #REFERENCE} of the
     * ceiling. So the minutes that a player wants, and what a day may have, can be compared.
     *
     * @param minutes minutes of playing
     */
    public static Effort planned(double minutes) {
        return new Effort(minutes * factor(Tension.LOOSE));
    }

    /** How many times as much the same playing costs at a tension as it does loose. */
    public static double factor(Tension tension) {
        return 1 + PER_TENSION * Math.max(0, tension.ordinal() - 1);
    }

    public static Effort sum(Stream<Effort> parts) {
        return new Effort(parts.mapToDouble(Effort::minutes).sum());
    }

    public Effort plus(Effort more) {
        return new Effort(minutes + more.minutes);
    }

    /** What is left of it when some is used: nothing where more was used than there was. */
    public Effort less(Effort used) {
        return new Effort(Math.max(0, minutes - used.minutes));
    }

    public Effort times(double factor) {
        return new Effort(minutes * factor);
    }

    /** The lesser of two. */
    public Effort orLess(Effort other) {
        return compareTo(other) <= 0 ? this : other;
    }

    /** The greater of two. */
    public Effort orMore(Effort other) {
        return compareTo(other) >= 0 ? this : other;
    }

    public boolean isAny() {
        return minutes > 0;
    }

    public boolean isMoreThan(Effort other) {
        return compareTo(other) > 0;
    }

    @Override
    public int compareTo(Effort other) {
        return Double.compare(minutes, other.minutes);
    }
}

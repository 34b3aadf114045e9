package tachylim.ceiling;

import java.util.Optional;
import tachylim.tempo.Tempo;

/**
 * How fast a section really is today. This class is immutable.
 *
 * @param comfortable clean 95 times in 100, or the tempo of tension 2 where that is lower
 * @param ceiling clean 80 times in 100: the headline
 * @param breakdown broken every other time
 * @param passes how many whole rested passes' worth of evidence it rests on, not negative; 0 for a guess
 */
public record Estimate(Band comfortable, Band ceiling, Band breakdown, double passes) {

    /** However sure a first guess is, it takes this many passes to be evidence. */
    public static final double LEAST_PASSES = 3;

    /** An interval wider than this share either way is not enough evidence. */
    public static final double WIDEST = 0.08;

    /** A tempo over the comfortable tempo. */
    public double overComfortable(Tempo tempo) {
        return tempo.ratioTo(comfortable.middle());
    }

    /** Whether the ceiling is known well enough to be stated. */
    public boolean enoughEvidence() {
        return passes >= LEAST_PASSES && ceiling.giveOrTake() <= WIDEST;
    }

    /** This estimate with the comfortable tempo lowered to where tension reaches 2, if that is known. */
    public Estimate under(TensionCurve tension) {
        return under(tension.tempoAt(TensionCurve.ALERT));
    }

    /** This estimate with its comfortable tempo not above {@code alert}, where there is one. */
    public Estimate under(Optional<Tempo> alert) {
        return alert.map(at -> new Estimate(comfortable.notAbove(at), ceiling, breakdown, passes))
                .orElse(this);
    }

    /** Whether so little is known of the ceiling that it has to be approached from below. */
    public boolean isVague() {
        return ceiling.giveOrTake() > WIDEST;
    }

    /**
     * This estimate some days later, without going through the belief it comes from: each band moved and widened as if
     * it were a Gaussian of ln tempo.
     *
     * @param days days without a pass, 0 or more
     * @param gain what a day of practice is believed to add, ln BPM
     */
    public Estimate later(long days, double gain) {
        if (days <= 0) {
            return this;
        }
        Wandering wandering = Wandering.over(days);
        double ratio = Math.exp(gain + wandering.drift());
        return new Estimate(
                comfortable.wider(ratio, wandering.sd()),
                ceiling.wider(ratio, wandering.sd()),
                breakdown.wider(ratio, wandering.sd()),
                passes);
    }

    /** The same of something that is played at {@code ratio} times the tempo. */
    public Estimate times(double ratio) {
        return new Estimate(comfortable.times(ratio), ceiling.times(ratio), breakdown.times(ratio), passes);
    }
}

package tachylim.ceiling;

import java.util.Optional;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * Whether what was heard today fits what is believed of a ceiling, whatever the curve is: more passes go wrong well below it
 * than any player of the model has.
 *
 * <p>A sequential likelihood ratio (Wald 1945), begun anew whenever it speaks for the belief (Page 1954): each pass that the
 * belief holds to be nearly surely clean is weighed against a player who misses every other one. It is raised when that
 * player is {@value #RATIO} times as likely. On simulated players whose belief fits that happens in fewer than one workout in
 * a hundred. This class is immutable.
 *
 * @param log ln of the ratio, 0 or more
 * @param doubted the ceiling that it does not fit; empty until it is raised
 */
public record Surprise(double log, Optional<Tempo> doubted) {

    public static final Surprise NONE = new Surprise(0, Optional.empty());

    private static final double RATIO = 150;

    /** However easy a pass is, so many go wrong for other reasons. */
    private static final double LEAST_MISSES = 0.12;

    /** A pass that goes wrong more often than this is no surprise. */
    private static final double MOST_MISSES = 0.3;

    private static final double MISSES_OTHERWISE = 0.5;

    /** After one more pass, by what was believed before it. What a microphone had a part in may err by itself: it is no surprise. */
    Surprise after(Posterior belief, Evidence evidence) {
        double misses = Math.max(LEAST_MISSES, 1 - belief.cleanAt(evidence.tempo(), evidence.tired()));
        if (doubted.isPresent() || misses > MOST_MISSES || !evidence.isSaid()) {
            return this;
        }
        boolean clean = evidence.verdict() == Verdict.CLEAN;
        double now =
                Math.max(0, log + Math.log(clean ? (1 - MISSES_OTHERWISE) / (1 - misses) : MISSES_OTHERWISE / misses));
        return new Surprise(
                now,
                now >= Math.log(RATIO) ? Optional.of(belief.estimate().ceiling().middle()) : Optional.empty());
    }
}

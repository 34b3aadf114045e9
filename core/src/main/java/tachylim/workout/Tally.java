package tachylim.workout;

import tachylim.ceiling.Estimate;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.load.Reserve;
import tachylim.method.PassKind;
import tachylim.method.Tension;

/**
 * What a run has cost so far. This class is immutable.
 *
 * @param reserve the reserve now
 * @param effort effort minutes of this run
 * @param burstSeconds seconds of bursts of this run
 * @param playingSeconds seconds of playing of this run
 * @param sinceBreak seconds since the last break
 * @param elapsed seconds since the start, as played
 * @param tension the last tension given
 * @param worstTension the highest tension given
 */
public record Tally(
        Reserve reserve,
        double effort,
        double burstSeconds,
        double playingSeconds,
        double sinceBreak,
        double elapsed,
        Tension tension,
        Tension worstTension) {

    /** The time a player takes to judge a pass and get ready. */
    static final double ANSWER_SECONDS = 4;

    static final Tally START =
            new Tally(Reserve.full(), 0, 0, 0, 0, 0, Tension.LIGHT, Tension.LOOSE);

    /** What playing {@code pass} costs at a tension. */
    static double effort(Pass pass, Estimate estimate, Tension tension) {
        return Effort.of(pass.playSeconds(), pass.tempo().ratioTo(estimate.ceiling().middle()), tension);
    }

    /** The reserve after counting in: a rest with the hands ready. */
    Reserve afterCountIn(Pass pass) {
        return reserve.afterRest(pass.countInSeconds());
    }

    Tally played(Pass pass, Estimate estimate, Tension felt) {
        double ratio = pass.tempo().ratioTo(estimate.ease().middle());
        double time = pass.seconds() + ANSWER_SECONDS;
        return new Tally(
                afterCountIn(pass).afterPlaying(ratio, pass.playSeconds()),
                effort + effort(pass, estimate, felt),
                burstSeconds + (pass.kind() == PassKind.BURST ? pass.playSeconds() : 0),
                playingSeconds + pass.playSeconds(),
                sinceBreak + time,
                elapsed + time,
                felt,
                felt.atLeast(worstTension) ? felt : worstTension);
    }

    Tally rested(double seconds) {
        boolean isBreak = seconds >= Guardrails.BREAK_SECONDS;
        return new Tally(reserve.afterRest(seconds), effort, burstSeconds, playingSeconds,
                isBreak ? 0 : sinceBreak + seconds, elapsed + seconds, tension, worstTension);
    }
}

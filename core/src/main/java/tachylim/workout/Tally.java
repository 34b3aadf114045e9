package tachylim.workout;

import tachylim.ceiling.Estimate;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.load.Recovery;
import tachylim.task.Answer;
import tachylim.task.Pulse;
import tachylim.task.Tension;
import tachylim.task.Verdict;

/**
 * What a run has cost so far. This class is immutable.
 *
 * @param condition the recovery now, and how long the last break is ago
 * @param effort what was played cost
 * @param burstSeconds seconds of fast playing, as {@link Pass#burstSeconds()} counts them
 * @param playingSeconds seconds of playing, count-ins not counted
 * @param elapsed seconds of the run, with the time to answer
 * @param leastSeconds seconds that must have gone by on the clock for this to have been played
 * @param tension that of the last pass, assumed where nothing was said
 * @param tensionSaid whether it was said
 * @param worstTension the highest that was said
 */
public record Tally(
        Condition condition,
        Effort effort,
        double burstSeconds,
        double playingSeconds,
        double elapsed,
        double leastSeconds,
        Tension tension,
        boolean tensionSaid,
        Tension worstTension) {

    /** The time a player takes to judge a pass and get ready. */
    static final double ANSWER_SECONDS = 4;

    static Tally start(Condition condition) {
        return new Tally(condition, Effort.NONE, 0, 0, 0, 0, Answer.ASSUMED, false, Tension.LOOSE);
    }

    /** The same with another effort and another last tension. */
    Tally corrected(Effort effortNow, Tension tensionNow, boolean said) {
        return new Tally(
                condition,
                effortNow,
                burstSeconds,
                playingSeconds,
                elapsed,
                leastSeconds,
                tensionNow,
                said,
                said && tensionNow.atLeast(worstTension) ? tensionNow : worstTension);
    }

    public Recovery recovery() {
        return condition.recovery();
    }

    /** Seconds of playing of the day so far. */
    double playedToday() {
        return condition.playedSeconds() + playingSeconds;
    }

    /** Seconds since the last break. */
    public double sinceBreak() {
        return condition.sinceBreak();
    }

    /** What playing {@code pass} costs at a tension. */
    static Effort effort(Pass pass, Estimate estimate, Tension tension) {
        return effort(pass, pass.playSeconds(), estimate, tension);
    }

    private static Effort effort(Pass pass, double seconds, Estimate estimate, Tension tension) {
        return Effort.sum(pass.paces(seconds).stream()
                .map(pace -> Effort.of(
                        pace.seconds(), pace.tempo().ratioTo(estimate.ceiling().middle()), tension)));
    }

    /** The recovery after counting in: a rest with the hands ready. */
    Recovery afterCountIn(Pass pass) {
        return recovery().afterRest(pass.countInSeconds());
    }

    /** A clean pass takes its whole time; one that went wrong may have been stopped as soon as it was counted in. */
    Tally played(Pass pass, Estimate estimate, Answer answer) {
        double seconds = pass.ask().secondsOf(pass.playSeconds(), answer);
        double least = pass.countInSeconds() + (answer.verdict() == Verdict.CLEAN ? seconds : 0);
        return played(pass, seconds, estimate, answer.felt(), least);
    }

    /** A pass was played to its end, and nothing was said of how it went: it costs what it costs. */
    Tally unjudged(Pass pass, Estimate estimate, Tension felt) {
        return played(pass, pass.playSeconds(), estimate, felt, pass.seconds());
    }

    /** Some of a pass was played and not judged: it costs what it costs, at the tension that is assumed. */
    Tally left(Pass pass, double seconds, Estimate estimate) {
        return played(pass, Math.min(seconds, pass.playSeconds()), estimate, null, 0);
    }

    private Tally played(Pass pass, double seconds, Estimate estimate, Tension felt, double least) {
        Tension counted = felt == null ? Answer.ASSUMED : felt;
        Recovery left = afterCountIn(pass);
        for (Pulse.Pace pace : pass.paces(seconds)) {
            left = left.afterPlaying(pace.tempo().ratioTo(estimate.comfortable().middle()), pace.seconds());
        }
        double time = pass.countInSeconds() + seconds + ANSWER_SECONDS;
        return new Tally(
                condition.played(left, time),
                effort.plus(effort(pass, seconds, estimate, counted)),
                burstSeconds + pass.burstSeconds(seconds),
                playingSeconds + seconds,
                elapsed + time,
                leastSeconds + least,
                counted,
                felt != null,
                felt != null && felt.atLeast(worstTension) ? felt : worstTension);
    }

    Tally rested(double seconds) {
        return new Tally(
                condition.rested(seconds),
                effort,
                burstSeconds,
                playingSeconds,
                elapsed + seconds,
                leastSeconds + seconds,
                tension,
                tensionSaid,
                worstTension);
    }
}

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
 * @param tension the last tension given
 * @param worstTension the highest tension given
 */
public record Tally(
        Condition condition,
        Effort effort,
        double burstSeconds,
        double playingSeconds,
        double elapsed,
        double leastSeconds,
        Tension tension,
        Tension worstTension) {

    /** The time a player takes to judge a pass and get ready. */
    static final double ANSWER_SECONDS = 4;

    static Tally start(Condition condition) {
        return new Tally(condition, Effort.NONE, 0, 0, 0, 0, Tension.LIGHT, Tension.LOOSE);
    }

    /** The same with another effort and another last tension. */
    Tally corrected(Effort effortNow, Tension tensionNow) {
        return new Tally(
                condition,
                effortNow,
                burstSeconds,
                playingSeconds,
                elapsed,
                leastSeconds,
                tensionNow,
                tensionNow.atLeast(worstTension) ? tensionNow : worstTension);
    }

    public Recovery recovery() {
        return condition.recovery();
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
        double least = answer.verdict() == Verdict.CLEAN ? pass.seconds() : pass.countInSeconds();
        return played(pass, pass.playSeconds(), estimate, answer.tension(), least);
    }

    /** A pass was played to its end, and nothing was said of it: it costs what it costs, at the tension felt last. */
    Tally unjudged(Pass pass, Estimate estimate) {
        return played(pass, pass.playSeconds(), estimate, tension, pass.seconds());
    }

    /** Some of a pass was played and not judged: it costs what it costs, at the tension felt last. */
    Tally left(Pass pass, double seconds, Estimate estimate) {
        return played(pass, Math.min(seconds, pass.playSeconds()), estimate, tension, 0);
    }

    private Tally played(Pass pass, double seconds, Estimate estimate, Tension felt, double least) {
        Recovery left = afterCountIn(pass);
        for (Pulse.Pace pace : pass.paces(seconds)) {
            left = left.afterPlaying(pace.tempo().ratioTo(estimate.comfortable().middle()), pace.seconds());
        }
        double time = pass.countInSeconds() + seconds + ANSWER_SECONDS;
        return new Tally(
                condition.played(left, time),
                effort.plus(effort(pass, seconds, estimate, felt)),
                burstSeconds + pass.burstSeconds(seconds),
                playingSeconds + seconds,
                elapsed + time,
                leastSeconds + least,
                felt,
                felt.atLeast(worstTension) ? felt : worstTension);
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
                worstTension);
    }
}

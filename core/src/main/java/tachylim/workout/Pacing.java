package tachylim.workout;

import java.util.List;
import java.util.Optional;
import tachylim.load.Guardrails;
import tachylim.load.Recovery;
import tachylim.method.Move;
import tachylim.method.Position;
import tachylim.task.PassKind;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Rests and breaks: a burst never starts with the recovery below its floor nor leaves it below
 * {@value Recovery#LEAST_AFTER_BURST}, what measures is played rested, unbroken playing ends in a break, and a block takes no
 * more than its time.
 */
final class Pacing {

    /** Rest after a burst at the least, in seconds. */
    static final double LEAST_REST = 15;

    /** The rest between two blocks, in seconds. */
    static final double CHANGE_SECONDS = 20;

    /** A break is worth taking after so many seconds of playing. */
    private static final double WORTH_A_BREAK = 300;

    /** A burst that needs more of the recovery than this is shortened or left out. */
    private static final double MOST_NEEDED = 0.95;

    /** A probe is played rested: with this much of the recovery. */
    static final double PROBE_RECOVERY = 0.9;

    private final Situation now;

    Pacing(Situation now) {
        this.now = now;
    }

    /** The rest before the next block, for which this one ended for a reason; a break where one is planned. */
    Rest next(Reason ended) {
        return isBreakHere()
                ? new Rest(
                        Rest.Purpose.BREAK,
                        Math.max(Guardrails.BREAK_SECONDS, asLongAsPlayed()),
                        ended.then(Reason.of("rest.breakHere", "away", Math.round(Guardrails.BREAK_SECONDS / 60))))
                : change(ended);
    }

    /** The rest before another block. */
    Rest change(Reason ended) {
        Reason why = ended.then(Reason.of("rest.change"));
        double played = asLongAsPlayed();
        return played > CHANGE_SECONDS
                ? new Rest(Rest.Purpose.CHANGE, played, why.then(asPlayed(played)))
                : new Rest(Rest.Purpose.CHANGE, CHANGE_SECONDS, why);
    }

    /** Whoever has just had a break needs no other. */
    private boolean isBreakHere() {
        return !now.isLast()
                && now.blocks().get(now.block() + 1).sketch().rested()
                && now.tally().sinceBreak() >= WORTH_A_BREAK;
    }

    private static Reason asPlayed(double seconds) {
        return Reason.of("rest.asPlayed", "seconds", Math.round(seconds));
    }

    // What a pass needs first

    /** The rest or the break that a pass needs before it; empty when it may begin. */
    Optional<Rest> restBefore(Pass pass) {
        // What is longer than may be played at once is played all the same, from a break.
        if (now.tally().sinceBreak() > 0 && now.tally().sinceBreak() + pass.seconds() > unbroken()) {
            return Optional.of(new Rest(
                    Rest.Purpose.BREAK,
                    Guardrails.BREAK_SECONDS,
                    Reason.of(
                            "rest.break",
                            "minutes",
                            Math.round(unbroken() / 60),
                            "away",
                            Math.round(Guardrails.BREAK_SECONDS / 60))));
        }
        double recovering = recovering(pass);
        double played = asLongAsPlayed();
        if (played > recovering) {
            return Optional.of(new Rest(Rest.Purpose.RECOVER, played, asPlayed(played)));
        }
        return recovering > 0
                ? Optional.of(new Rest(Rest.Purpose.RECOVER, recovering, recoverySentence(pass)))
                : Optional.empty();
    }

    /** The rest that what was just played asks for by itself, where the player rests as long as they play. */
    private double asLongAsPlayed() {
        List<Segment> past = now.progress().past();
        boolean rests = restsAsPlayed() && !past.isEmpty();
        Segment last = rests ? past.get(past.size() - 1) : null;
        return last != null && last.step() instanceof Pass ? Math.ceil(last.playedSeconds()) : 0;
    }

    private double recovering(Pass pass) {
        return Rounding.above(now.tally().afterCountIn(pass).restUntil(recoveryFor(pass)));
    }

    /** The recovery a pass may be begun with: what is slow needs none. */
    private double recoveryFor(Pass pass) {
        return switch (pass.kind()) {
            case BURST -> neededFor(pass);
            case PROBE -> PROBE_RECOVERY;
            case WARM_UP, CONTROLLED, CLOSING -> 0;
        };
    }

    private double neededFor(Pass burst) {
        Tempo comfortable = now.estimate().comfortable().middle();
        double cost = burst.paces(burst.playSeconds()).stream()
                .mapToDouble(pace -> Recovery.cost(
                        pace.tempo().ratioTo(comfortable),
                        pace.seconds(),
                        now.tally().recovery().k()))
                .sum();
        return Math.max(now.workout().caution().burstFloor(), Recovery.LEAST_AFTER_BURST + cost);
    }

    private Reason recoverySentence(Pass pass) {
        return pass.kind() == PassKind.PROBE
                ? Reason.of(
                        "rest.probe",
                        "level",
                        Run.percent(now.tally().recovery().level()),
                        "needed",
                        Run.percent(PROBE_RECOVERY))
                : Reason.of(
                        "rest.burst",
                        "level",
                        Run.percent(now.tally().recovery().level()),
                        "needed",
                        Run.percent(neededFor(pass)));
    }

    /** The burst, shortened to one beat where two ask too much of the recovery; null if one does too. */
    Pass withinRecovery(Pass pass, Move.Play play) {
        if (neededFor(pass) <= MOST_NEEDED) {
            return pass;
        }
        Pass shorter = now.phrasing().pass(play, 1, now.bursts());
        return neededFor(shorter) <= MOST_NEEDED ? shorter : null;
    }

    // The time of a block

    /** How long may be played without a break, in seconds. */
    private double unbroken() {
        return now.tally().condition().unbroken();
    }

    /** What a block has left. The warm-up takes what it takes: neither rests nor backing off may use its time up. */
    double secondsLeft() {
        return now.current().part() == Part.WARM_UP
                ? Double.MAX_VALUE
                : now.current().seconds() - (now.tally().elapsed() - now.blockStart() - restsOfOthers());
    }

    /**
     * Breaks are due whatever is being played, and the rest before a block's first pass is for what was played before it:
     * they take nothing of its time.
     */
    private double restsOfOthers() {
        double seconds = 0;
        boolean begun = false;
        for (Segment segment : now.progress().past()) {
            if (segment.block() == now.block()) {
                begun |= segment.step() instanceof Pass;
                boolean isBreak = segment.step() instanceof Rest rest && rest.purpose() == Rest.Purpose.BREAK;
                seconds += isBreak || !begun && restsAsPlayed() ? segment.seconds() : 0;
            }
        }
        return seconds;
    }

    private boolean restsAsPlayed() {
        return now.current().sketch().choices().restsAsPlayed();
    }

    private boolean isBegun() {
        return now.progress().past().stream()
                .anyMatch(segment -> segment.block() == now.block() && segment.step() instanceof Pass);
    }

    /**
     * The pass, a set with fewer passes where all of them are more than the block has time for; null if even one is, with
     * the rests that it needs.
     */
    Pass withinTime(Pass pass) {
        Pass shorter = pass;
        while (shorter != null
                && (secondsFor(shorter) > secondsLeft()
                        || shorter.ask().passes() > 1 && shorter.seconds() > unbroken())) {
            shorter = shorter.ask().passes() > 1 ? now.phrasing().shorter(shorter) : null;
        }
        return shorter;
    }

    /** What a pass takes of the clock: the rest it needs first, itself, its answer, and a rest after a burst. */
    private double secondsFor(Pass pass) {
        double after = pass.kind() == PassKind.BURST ? LEAST_REST : 0;
        return Math.max(recovering(pass), isBegun() ? asLongAsPlayed() : 0)
                + pass.seconds()
                + Tally.ANSWER_SECONDS
                + after;
    }

    // After a burst

    /**
     * Long enough that, with the slow pass that follows, the next burst finds its recovery.
     *
     * @param after what was played with the burst
     * @param next where the method goes from it
     * @param bursts bursts judged in the block by then
     */
    Rest afterBurst(Tally after, Position next, int bursts) {
        long left = Run.percent(after.recovery().level());
        if (next.move() instanceof Move.Play slowMove) {
            int beats = now.current().burstBeats();
            Pass slow = now.phrasing().pass(slowMove, beats, bursts);
            if (slow.kind() != PassKind.BURST
                    && next.unjudged().move() instanceof Move.Play burstMove
                    && burstMove.kind() == PassKind.BURST) {
                double needed = Math.min(MOST_NEEDED, neededFor(now.phrasing().pass(burstMove, beats, bursts)));
                double ratio = slow.tempo().ratioTo(now.estimate().comfortable().middle());
                double before = Recovery.beforeSlowPlaying(needed, ratio, slow.playSeconds());
                double rest = Rounding.above(after.recovery().restUntil(before));
                if (rest > LEAST_REST) {
                    return new Rest(
                            Rest.Purpose.RECOVER,
                            rest,
                            Reason.of(
                                    "rest.afterBurst",
                                    "level",
                                    left,
                                    "seconds",
                                    Math.round(rest),
                                    "needed",
                                    Run.percent(needed)));
                }
            }
        }
        return new Rest(Rest.Purpose.RECOVER, LEAST_REST, Reason.of("rest.loose", "level", left));
    }
}

package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import tachylim.load.Guardrails;
import tachylim.load.Reserve;
import tachylim.method.Answer;
import tachylim.method.Method;
import tachylim.method.Move;
import tachylim.method.PassKind;
import tachylim.method.Position;
import tachylim.method.Tension;

/**
 * A workout being played: where it stands, and what comes next.
 *
 * <p>A run is the fold of its events over the workout: the same events always lead to the same step,
 * so a run is kept by keeping its events. The rules that always win are here: a burst never starts
 * with the reserve below its floor nor leaves it below {@value Reserve#LEAST_AFTER_BURST}, today's
 * allowance is never planned over, unbroken playing ends in a break, and a locked hand ends the bursts.
 * This class is immutable.
 */
public final class Run {

    /** Rest after a burst at the least, in seconds. */
    public static final double LEAST_REST = 15;

    /** The rest between two blocks, in seconds. */
    public static final double CHANGE_SECONDS = 20;

    /** A rest the player asked for, in seconds. */
    public static final double ASKED_SECONDS = 20;

    /** How far what is said to have been played may run ahead of the clock, in seconds of the clock. */
    public static final double CLOCK_TOLERANCE = 2;

    /** A burst that was offered may be put off unplayed this often; from then on it counts as played. */
    public static final int FREE_PUT_OFFS = 2;

    /** A burst that needs more of the reserve than this is shortened or left out. */
    private static final double MOST_NEEDED = 0.95;

    /** No workout has more steps than this. */
    private static final int MOST_STEPS = 2_000;

    /** Clocks differ by a little: a rest this much short still counts. */
    private static final double REST_TOLERANCE = 1;

    private final Workout workout;
    private final Phrasing phrasing;
    private final int block;
    private final double blockStart;
    private final Position position;
    private final Rest pending;
    private final Progress progress;
    private final Step step;

    private record Standing(int block, double blockStart, Position position, Rest pending, Step step) {}

    private Run(Workout workout, Standing from, Progress progress) {
        this.workout = workout;
        this.phrasing = new Phrasing(workout.music());
        this.progress = progress;
        Standing standing = from.step instanceof Done ? from : settle(from);
        this.block = standing.block;
        this.blockStart = standing.blockStart;
        this.position = standing.position;
        this.pending = standing.pending;
        this.step = standing.step;
    }

    /** The run before anything is played. */
    public static Run start(Workout workout) {
        Position first = workout.blocks().isEmpty()
                ? null
                : workout.blocks().get(0).method().opening();
        return new Run(
                workout,
                new Standing(0, 0, first, null, null),
                new Progress(0, 0, Tally.start(workout.condition()), workout.allowance(), List.of()));
    }

    /** The run after {@code events}, in order. */
    public static Run replay(Workout workout, List<Event> events) {
        Run run = start(workout);
        for (Event event : events) {
            run = run.after(event);
        }
        return run;
    }

    /** This run with {@code left} for the rest of today: what may be done now, whatever it was begun with. */
    public Run under(Allowance left) {
        if (isDone() || left.equals(progress.left())) {
            return this;
        }
        return new Run(workout, standing(position, pending), progress.under(left));
    }

    /** What may still be done today, as far as this run knows. */
    public Allowance left() {
        return progress.left();
    }

    private Standing standing(Position at, Rest rest) {
        return new Standing(block, blockStart, at, rest, null);
    }

    /** What to do now. */
    public Step step() {
        return step;
    }

    /** What it has cost so far. */
    public Tally tally() {
        return progress.tally();
    }

    /** The index of the block the run stands in. */
    public int block() {
        return block;
    }

    public Workout workout() {
        return workout;
    }

    public boolean isDone() {
        return step instanceof Done;
    }

    /** What was played and rested, in order. */
    public List<Segment> past() {
        return progress.past();
    }

    /** What is to come if every pass is clean and light, in order. */
    public List<Segment> ahead() {
        Run run = this;
        while (!run.isDone()) {
            run = run.after(
                    run.step instanceof Rest rest
                            ? new Event.Rested(rest.seconds())
                            : new Event.Judged(Answer.expected()));
        }
        return run.past().subList(past().size(), run.past().size());
    }

    /**
     * The run after one more event.
     *
     * @throws IllegalStateException if the event does not answer the step, or the run is over
     * @throws IllegalArgumentException if a rest was shorter than its step asked for
     */
    public Run after(Event event) {
        if (step instanceof Done) {
            throw new IllegalStateException("This workout is over: " + step.why());
        }
        if (event instanceof Event.Judged judged) {
            return judged(expect(Pass.class, "a pass"), judged.answer());
        }
        if (event instanceof Event.Rested rested) {
            return rested(expect(Rest.class, "a rest"), rested.seconds());
        }
        if (event instanceof Event.BackedOff off) {
            Progress after = leaving(expect(Pass.class, "a pass"), off.playedSeconds());
            return new Run(workout, standing(position.backedOff(), pending), after);
        }
        if (event instanceof Event.RestAsked asked) {
            Progress after = leaving(expect(Pass.class, "a pass"), asked.playedSeconds());
            Rest rest = new Rest(Rest.Reason.ASKED, ASKED_SECONDS, askedSentence(after));
            return new Run(workout, standing(position, rest), after);
        }
        Event.Stopped stopped = (Event.Stopped) event;
        return closed(stopped.symptom() ? Done.Cause.SYMPTOM : Done.Cause.STOPPED, stopped.playedSeconds());
    }

    /** This run closed for {@code cause} where it stands. */
    public Run closed(Done.Cause cause) {
        return closed(cause, 0);
    }

    private Run closed(Done.Cause cause, double playedSeconds) {
        if (isDone()) {
            return this;
        }
        Progress after = step instanceof Pass pass ? leaving(pass, playedSeconds) : progress;
        return new Run(workout, new Standing(block, blockStart, position, pending, Done.of(cause)), after);
    }

    /**
     * How many seconds of the clock are missing for all this to have been played and rested since the run
     * began; 0 when enough have gone by. A run played without a network and sent later is not affected.
     *
     * @param clockSeconds seconds of the clock since the run began
     * @param speed how many times faster than the clock musical time runs: 1, but in tests
     */
    public double secondsTooSoon(double clockSeconds, double speed) {
        return Math.max(0, tally().leastSeconds() / speed - clockSeconds - CLOCK_TOLERANCE);
    }

    private <S extends Step> S expect(Class<S> kind, String name) {
        if (!kind.isInstance(step)) {
            throw new IllegalStateException("The run does not stand at " + name);
        }
        return kind.cast(step);
    }

    /**
     * A pass is left without a verdict. What was played of it costs what it costs. A burst is over too soon to be
     * played in part: it counts as played when it was begun, when nothing is said of it, and when it is put off too often.
     */
    private Progress leaving(Pass pass, double playedSeconds) {
        boolean burst = pass.kind() == PassKind.BURST;
        boolean unplayed = playedSeconds == 0 || playedSeconds < 0 && !burst;
        if (unplayed && (!burst || progress.putOffs() < FREE_PUT_OFFS)) {
            return burst ? progress.putOff() : progress;
        }
        double seconds = burst || playedSeconds < 0 ? pass.playSeconds() : playedSeconds;
        Tally after = tally().left(pass, seconds, workout.estimate());
        return progress.with(segment(pass, after.elapsed() - tally().elapsed(), null, after), false);
    }

    private String askedSentence(Progress after) {
        return after.past().size() > past().size()
                ? "You asked for a rest; what was played without a verdict counts for today, not for the ceiling."
                : "You asked for a rest; it costs nothing.";
    }

    private Segment segment(Step done, double seconds, Answer answer, Tally after) {
        return new Segment(done, part(), block, tally().elapsed(), seconds, answer, tally(), after);
    }

    private Run judged(Pass pass, Answer answer) {
        Tally after = tally().played(pass, workout.estimate(), answer);
        boolean burst = pass.kind() == PassKind.BURST;
        Position next = position.after(answer);
        Rest rest = burst ? restAfterBurst(after, next, progress.bursts() + 1) : null;
        return new Run(
                workout,
                standing(next, rest),
                progress.with(segment(pass, after.elapsed() - tally().elapsed(), answer, after), burst));
    }

    private Run rested(Rest rest, double seconds) {
        if (seconds + REST_TOLERANCE < rest.seconds()) {
            throw new IllegalArgumentException("This rest lasts " + Math.round(rest.seconds()) + " seconds; only "
                    + Math.round(seconds) + " are over");
        }
        return new Run(
                workout,
                standing(position, null),
                progress.with(segment(rest, seconds, null, tally().rested(seconds)), false));
    }

    private Part part() {
        return workout.blocks().get(block).part();
    }

    /** Moves on through finished blocks and limits until there is a step to take; nobody rests before the end. */
    private Standing settle(Standing from) {
        Standing now = from;
        if (past().size() >= MOST_STEPS) {
            return ended(now, "This workout has gone on long enough.");
        }
        while (now.block < workout.blocks().size()) {
            if (now.pending != null) {
                Standing beyond = settle(new Standing(now.block, now.blockStart, now.position, null, null));
                return beyond.step instanceof Done
                        ? beyond
                        : new Standing(now.block, now.blockStart, now.position, now.pending, now.pending);
            }
            if (now.position.move() instanceof Move.Play play) {
                Step step = nextStep(now, play);
                Standing there = new Standing(now.block, now.blockStart, now.position, null, step);
                if (step != null && !isBreakBeforeNothing(there)) {
                    return there;
                }
            }
            now = nextBlock(now);
        }
        return ended(
                now,
                workout.blocks().isEmpty()
                        ? "Nothing more may be played today."
                        : progress.left().isWorthStarting()
                                ? Done.Cause.PLAYED.sentence()
                                : "Today's limits are reached; what was played is kept.");
    }

    /** Whether nothing would be played any more after the break that is due: then there is none, and it is over. */
    private boolean isBreakBeforeNothing(Standing there) {
        if (!(there.step instanceof Rest rest) || rest.reason() != Rest.Reason.BREAK) {
            return false;
        }
        Part part = workout.blocks().get(there.block).part();
        Tally after = tally().rested(rest.seconds());
        Segment taken = new Segment(rest, part, there.block, tally().elapsed(), rest.seconds(), null, tally(), after);
        Standing then = new Standing(there.block, there.blockStart, there.position, null, null);
        return new Run(workout, then, progress.with(taken, false)).isDone();
    }

    private static Standing ended(Standing now, String why) {
        return new Standing(now.block, now.blockStart, now.position, null, new Done(Done.Cause.PLAYED, why));
    }

    private Standing nextBlock(Standing now) {
        int next = now.block + 1;
        if (next >= workout.blocks().size()) {
            return new Standing(next, tally().elapsed(), null, null, null);
        }
        boolean playedInIt = past().stream().anyMatch(segment -> segment.block() == now.block);
        Rest change = playedInIt
                ? new Rest(Rest.Reason.CHANGE, CHANGE_SECONDS, "Hands hanging before the next block.")
                : null;
        return new Standing(
                next, tally().elapsed(), workout.blocks().get(next).method().opening(), change, null);
    }

    /** The pass, or the rest it needs first; null when a limit ends the block. */
    private Step nextStep(Standing now, Move.Play play) {
        Block current = workout.blocks().get(now.block);
        Pass pass = phrasing.pass(play, current.burstBeats(), progress.bursts());
        if (pass.kind() == PassKind.BURST) {
            pass = withinReserve(pass, play);
            if (pass == null
                    || tally().worstTension() == Tension.LOCKED
                    || pass.playSeconds() > progress.left().burstSeconds()) {
                return null;
            }
        }
        if (isOverTime(now, pass, current)) {
            return null;
        }
        pass = withinAllowance(now, pass);
        if (pass == null) {
            return null;
        }
        if (tally().sinceBreak() + pass.seconds() > Guardrails.UNBROKEN_SECONDS) {
            return new Rest(
                    Rest.Reason.BREAK,
                    Guardrails.BREAK_SECONDS,
                    Math.round(Guardrails.UNBROKEN_SECONDS / 60)
                            + " minutes without a break: put the instrument down for "
                            + Math.round(Guardrails.BREAK_SECONDS / 60) + ".");
        }
        if (pass.kind() == PassKind.BURST) {
            double rest = tally().afterCountIn(pass).restUntil(neededFor(pass));
            if (rest > 0) {
                return new Rest(Rest.Reason.RECOVER, Math.ceil(rest), reserveSentence(pass));
            }
        }
        return pass;
    }

    /** The warm-up takes what it takes: neither rests nor backing off may use its time up. */
    private boolean isOverTime(Standing now, Pass pass, Block current) {
        return current.part() != Part.WARM_UP
                && tally().elapsed() - now.blockStart + pass.seconds() > current.seconds();
    }

    /** The pass, with fewer rounds where the whole is more than is left of today; null if even once is. */
    private Pass withinAllowance(Standing now, Pass pass) {
        boolean last = now.block == workout.blocks().size() - 1;
        double effort = progress.left().effort() - (last ? 0 : closingEffort());
        double seconds = progress.left().playingSeconds() - (last ? 0 : closingSeconds());
        for (Pass shorter = pass; shorter != null; shorter = phrasing.shorter(shorter)) {
            if (shorter.playSeconds() <= seconds && worstEffort(shorter) <= effort) {
                return shorter;
            }
        }
        return null;
    }

    /** What a pass may cost at the most: any tension may be answered, and no answer may pass the cap. */
    private double worstEffort(Pass pass) {
        return Tally.effort(pass, workout.estimate(), Tension.LOCKED);
    }

    /**
     * What the closing block costs, kept back so that every workout can end on something that works: loose
     * passes, and room for the worst answer to the last.
     */
    private double closingEffort() {
        List<Pass> closing = closing();
        double worst = closing.stream().mapToDouble(this::worstEffort).max().orElse(0);
        return worst
                + closing.stream()
                        .skip(1)
                        .mapToDouble(pass -> Tally.effort(pass, workout.estimate(), Tension.LIGHT))
                        .sum();
    }

    private double closingSeconds() {
        return closing().stream().mapToDouble(Pass::playSeconds).sum();
    }

    private List<Pass> closing() {
        Block last = workout.blocks().get(workout.blocks().size() - 1);
        List<Pass> passes = new ArrayList<>();
        Method method = last.method();
        for (Position at = method.opening();
                at.move() instanceof Move.Play play && last.part() == Part.CLOSER;
                at = at.after(Answer.expected())) {
            passes.add(phrasing.pass(play, last.burstBeats(), 0));
        }
        return passes;
    }

    /** The burst, shortened to one beat where two ask too much of the reserve; null if one does too. */
    private Pass withinReserve(Pass pass, Move.Play play) {
        if (neededFor(pass) <= MOST_NEEDED) {
            return pass;
        }
        Pass shorter = phrasing.pass(play, 1, progress.bursts());
        return neededFor(shorter) <= MOST_NEEDED ? shorter : null;
    }

    private double neededFor(Pass burst) {
        double cost = Reserve.cost(
                burst.tempo().ratioTo(workout.estimate().ease().middle()),
                burst.playSeconds(),
                tally().reserve().k());
        return Math.max(workout.caution().burstFloor(), Reserve.LEAST_AFTER_BURST + cost);
    }

    private String reserveSentence(Pass burst) {
        return "The reserve is at " + percent(tally().reserve().level()) + "; the next burst needs "
                + percent(neededFor(burst)) + ".";
    }

    /** Long enough that, with the slow pass that follows, the next burst finds its reserve. */
    private Rest restAfterBurst(Tally after, Position next, int burstsSoFar) {
        double seconds = LEAST_REST;
        String left = "The burst left " + percent(after.reserve().level()) + " of the reserve";
        String why = left + "; let the hands hang.";
        if (next.move() instanceof Move.Play slowMove) {
            int beats = workout.blocks().get(block).burstBeats();
            Pass slow = phrasing.pass(slowMove, beats, burstsSoFar);
            if (next.after(Answer.expected()).move() instanceof Move.Play burstMove
                    && burstMove.kind() == PassKind.BURST) {
                double needed = Math.min(MOST_NEEDED, neededFor(phrasing.pass(burstMove, beats, burstsSoFar)));
                double ratio = slow.tempo().ratioTo(workout.estimate().ease().middle());
                double before = Reserve.beforeSlowPlaying(needed, ratio, slow.playSeconds());
                double rest = Math.ceil(after.reserve().restUntil(before));
                if (rest > seconds) {
                    seconds = rest;
                    why = left + "; " + Math.round(rest) + " s and a slow pass bring it to the " + percent(needed)
                            + " the next one needs.";
                }
            }
        }
        return new Rest(Rest.Reason.RECOVER, seconds, why);
    }

    private static String percent(double share) {
        return Math.round(100 * share) + "%";
    }
}

package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.load.Guardrails;
import tachylim.load.Reserve;
import tachylim.method.Answer;
import tachylim.method.Move;
import tachylim.method.PassKind;
import tachylim.method.Position;
import tachylim.method.School;
import tachylim.method.Tension;
import tachylim.tempo.Tempo;

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

    /** A probe is played rested: with this much of the reserve. */
    static final double PROBE_RESERVE = 0.9;

    private final Workout workout;
    private final Phrasing phrasing;
    private final Standing standing;
    private final Progress progress;

    /**
     * Where a run stands.
     *
     * @param blocks the blocks as they are drawn by now
     * @param block which of them it is in
     * @param blockStart seconds of the run when that began
     * @param position where its method stands
     * @param pending a rest that comes first, or null
     * @param step what to do now, null while that is open
     */
    private record Standing(
            List<Block> blocks, int block, double blockStart, Position position, Rest pending, Step step) {

        Standing at(Position next, Rest rest) {
            return new Standing(blocks, block, blockStart, next, rest, null);
        }

        Standing telling(Step next) {
            return new Standing(blocks, block, blockStart, position, next instanceof Rest ? pending : null, next);
        }

        Block current() {
            return blocks.get(block);
        }

        boolean isLast() {
            return block == blocks.size() - 1;
        }
    }

    private Run(Workout workout, Standing from, Progress progress) {
        this.workout = workout;
        this.phrasing = new Phrasing(workout.music());
        this.progress = progress;
        this.standing = from.step instanceof Done ? from : settle(from);
    }

    /** The run before anything is played. */
    public static Run start(Workout workout) {
        Progress progress = Progress.start(workout.brief());
        Position first = workout.blocks().isEmpty()
                ? null
                : within(workout.blocks().get(0).method().opening(), progress);
        return new Run(workout, new Standing(workout.blocks(), 0, 0, first, null, null), progress);
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
        return new Run(workout, standing.at(standing.position, standing.pending), progress.under(left));
    }

    /** What may still be done today, as far as this run knows. */
    public Allowance left() {
        return progress.left();
    }

    /** What is known of the piece by now, with all that was played in this run. */
    public Known known() {
        return progress.known();
    }

    private Estimate estimate() {
        return progress.known().estimate();
    }

    /** What to do now. */
    public Step step() {
        return standing.step;
    }

    /** The blocks as they are drawn by now: those to come may differ from the plan, since more is known. */
    public List<Block> blocks() {
        return standing.blocks;
    }

    /** What it has cost so far. */
    public Tally tally() {
        return progress.tally();
    }

    /** The index of the block the run stands in. */
    public int block() {
        return standing.block;
    }

    public Workout workout() {
        return workout;
    }

    public boolean isDone() {
        return standing.step instanceof Done;
    }

    /** What was played and rested, in order. */
    public List<Segment> past() {
        return progress.past();
    }

    /** What is to come if every pass is clean and light, in order. */
    public List<Segment> ahead() {
        Run run = new Run(workout, standing, progress.frozen());
        while (!run.isDone()) {
            run = run.after(
                    run.step() instanceof Rest rest
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
        if (isDone()) {
            throw new IllegalStateException("This workout is over: " + step().why());
        }
        if (event instanceof Event.Judged judged) {
            return judged(expect(Pass.class, "a pass"), judged.answer());
        }
        if (event instanceof Event.Rested rested) {
            return rested(expect(Rest.class, "a rest"), rested.seconds());
        }
        if (event instanceof Event.BackedOff off) {
            Progress after = leaving(expect(Pass.class, "a pass"), off.playedSeconds());
            return new Run(workout, standing.at(standing.position.backedOff(), standing.pending), after);
        }
        if (event instanceof Event.RestAsked asked) {
            Progress after = leaving(expect(Pass.class, "a pass"), asked.playedSeconds());
            Rest rest = new Rest(Rest.Reason.ASKED, ASKED_SECONDS, askedSentence(after));
            return new Run(workout, standing.at(standing.position, rest), after);
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
        Progress after = step() instanceof Pass pass ? leaving(pass, playedSeconds) : progress;
        return new Run(workout, standing.telling(Done.of(cause)), after);
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
        if (!kind.isInstance(step())) {
            throw new IllegalStateException("The run does not stand at " + name);
        }
        return kind.cast(step());
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
        Tally after = tally().left(pass, seconds, estimate());
        return progress.with(segment(pass, after.elapsed() - tally().elapsed(), null, after), workout.music());
    }

    private String askedSentence(Progress after) {
        return after.past().size() > past().size()
                ? "You asked for a rest; what was played without a verdict counts for today, not for the ceiling."
                : "You asked for a rest; it costs nothing.";
    }

    private Segment segment(Step done, double seconds, Answer answer, Tally after) {
        return new Segment(
                done, standing.current().part(), standing.block, tally().elapsed(), seconds, answer, tally(), after);
    }

    private Run judged(Pass pass, Answer answer) {
        Tally after = tally().played(pass, estimate(), answer);
        Progress learnt =
                progress.with(segment(pass, after.elapsed() - tally().elapsed(), answer, after), workout.music());
        Position next = within(standing.position.after(answer), learnt);
        if (standing.current().method().school() == School.INTERVAL_BURSTS) {
            next = next.under(
                    Planner.highestBurst(workout.brief().knowing(learnt.known())),
                    "The ceiling may be as low as "
                            + learnt.known().estimate().ceiling().low());
        }
        Rest rest = pass.kind() == PassKind.BURST ? restAfterBurst(after, next, progress.bursts() + 1) : null;
        return new Run(workout, standing.at(next, rest), learnt);
    }

    /** Where a hand gripped today, nothing is as fast again, in whichever block. */
    private static Position within(Position position, Progress progress) {
        return progress.gripped()
                .map(tempo -> position.under(
                        Tempo.clamped(Math.ceil(tempo.bpm()) - 1), "Slower than " + tempo + ", where it gripped"))
                .orElse(position);
    }

    private Run rested(Rest rest, double seconds) {
        if (seconds + REST_TOLERANCE < rest.seconds()) {
            throw new IllegalArgumentException("This rest lasts " + Math.round(rest.seconds()) + " seconds; only "
                    + Math.round(seconds) + " are over");
        }
        return new Run(
                workout,
                standing.at(standing.position, null),
                progress.with(segment(rest, seconds, null, tally().rested(seconds)), workout.music()));
    }

    /** Moves on through finished blocks and limits until there is a step to take; nobody rests before the end. */
    private Standing settle(Standing from) {
        Standing now = from;
        if (past().size() >= MOST_STEPS) {
            return now.telling(new Done(Done.Cause.PLAYED, "This workout has gone on long enough."));
        }
        while (now.block < now.blocks.size()) {
            if (isPassedOver(now.current().part())) {
                now = nextBlock(now);
                continue;
            }
            if (now.pending != null) {
                Standing beyond = settle(now.at(now.position, null));
                return beyond.step instanceof Done ? beyond : now.telling(now.pending);
            }
            Move.Play play = play(now);
            if (play != null) {
                Step step = nextStep(now, play);
                if (step != null && !isBreakBeforeNothing(now, step)) {
                    return now.telling(step);
                }
            }
            now = nextBlock(now);
        }
        return now.telling(new Done(
                Done.Cause.PLAYED,
                now.blocks.isEmpty()
                        ? "Nothing more may be played today."
                        : progress.left().isWorthStarting()
                                ? Done.Cause.PLAYED.sentence()
                                : "Today's limits are reached; what was played is kept."));
    }

    /** After a locked hand only the close is left; after a gripping one nothing is measured. */
    private boolean isPassedOver(Part part) {
        return tally().worstTension() == Tension.LOCKED && part != Part.CLOSER
                || tally().worstTension().atLeast(Tension.GRIPPING) && part == Part.MEASURE;
    }

    /** What the method wants to be played, at a tempo; null when it wants nothing more. */
    private Move.Play play(Standing now) {
        Move move = now.position.move();
        if (move instanceof Move.Measure measure) {
            double giveOrTake = estimate().ceiling().giveOrTake();
            if (giveOrTake <= measure.enough()) {
                return null;
            }
            Tempo tempo = progress.known().probe(progress.proven(), measure.limit());
            return new Move.Play(
                    PassKind.PROBE,
                    tempo,
                    measure.why() + ": at " + tempo + " it says most about the ceiling, which is known to ±"
                            + percent(giveOrTake) + ".");
        }
        return move instanceof Move.Play play ? play : null;
    }

    /** Whether nothing would be played any more after the break that is due: then there is none, and it is over. */
    private boolean isBreakBeforeNothing(Standing now, Step step) {
        if (!(step instanceof Rest rest) || rest.reason() != Rest.Reason.BREAK) {
            return false;
        }
        Tally after = tally().rested(rest.seconds());
        Segment taken = new Segment(
                rest, now.current().part(), now.block, tally().elapsed(), rest.seconds(), null, tally(), after);
        return new Run(workout, now.at(now.position, null), progress.with(taken, workout.music())).isDone();
    }

    private Standing nextBlock(Standing now) {
        int next = now.block + 1;
        if (next >= now.blocks.size()) {
            return new Standing(now.blocks, next, tally().elapsed(), null, null, null);
        }
        boolean playedInIt = past().stream().anyMatch(segment -> segment.block() == now.block);
        Rest change = playedInIt
                ? new Rest(Rest.Reason.CHANGE, CHANGE_SECONDS, "Hands hanging before the next block.")
                : now.pending != null && now.pending.reason() == Rest.Reason.CHANGE ? now.pending : null;
        List<Block> blocks = drawnAgain(now.blocks, next);
        Position opening = within(blocks.get(next).method().opening(), progress);
        return new Standing(blocks, next, tally().elapsed(), opening, change, null);
    }

    /** The blocks with the next one drawn from what is known by now, if something was learned since the plan. */
    private List<Block> drawnAgain(List<Block> blocks, int next) {
        if (estimate().equals(workout.estimate())) {
            return blocks;
        }
        Block planned = blocks.get(next);
        Block drawn = Planner.again(workout.brief().knowing(progress.known()), planned.part());
        if (drawn.method().equals(planned.method())) {
            return blocks;
        }
        List<Block> changed = new ArrayList<>(blocks);
        changed.set(
                next,
                drawn.saying(
                        "Drawn anew: the ceiling is " + estimate().ceiling().middle() + " now, ±"
                                + percent(estimate().ceiling().giveOrTake()) + ". " + drawn.why()));
        return List.copyOf(changed);
    }

    /** The pass, or the rest it needs first; null when a limit ends the block. */
    private Step nextStep(Standing now, Move.Play play) {
        Block current = now.current();
        Pass pass = phrasing.pass(play, current.burstBeats(), progress.bursts());
        if (pass.kind() == PassKind.BURST) {
            pass = withinReserve(pass, play);
            if (pass == null || pass.playSeconds() > progress.left().burstSeconds()) {
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
        double rest = tally().afterCountIn(pass).restUntil(reserveFor(pass));
        return rest > 0 ? new Rest(Rest.Reason.RECOVER, Math.ceil(rest), reserveSentence(pass)) : pass;
    }

    /** The reserve a pass may be begun with: what is slow needs none. */
    private double reserveFor(Pass pass) {
        return switch (pass.kind()) {
            case BURST -> neededFor(pass);
            case PROBE -> PROBE_RESERVE;
            case WARM_UP, CONTROLLED, CLOSING -> 0;
        };
    }

    /** The warm-up takes what it takes: neither rests nor backing off may use its time up. */
    private boolean isOverTime(Standing now, Pass pass, Block current) {
        return current.part() != Part.WARM_UP
                && tally().elapsed() - now.blockStart + pass.seconds() > current.seconds();
    }

    /** The pass, with fewer rounds where the whole is more than is left of today; null if even once is. */
    private Pass withinAllowance(Standing now, Pass pass) {
        List<Pass> closing = now.isLast() ? List.of() : closing();
        double effort = progress.left().effort() - closingEffort(closing);
        double seconds = progress.left().playingSeconds()
                - closing.stream().mapToDouble(Pass::playSeconds).sum();
        for (Pass shorter = pass; shorter != null; shorter = phrasing.shorter(shorter)) {
            if (shorter.playSeconds() <= seconds && worstEffort(shorter) <= effort) {
                return shorter;
            }
        }
        return null;
    }

    /** What a pass may cost at the most: any tension may be answered, and no answer may pass the cap. */
    private double worstEffort(Pass pass) {
        return Tally.effort(pass, estimate(), Tension.LOCKED);
    }

    /**
     * What the closing block costs, kept back so that every workout can end on something that works: loose
     * passes, and room for the worst answer to the last.
     */
    private double closingEffort(List<Pass> closing) {
        double worst = closing.stream().mapToDouble(this::worstEffort).max().orElse(0);
        return worst
                + closing.stream()
                        .skip(1)
                        .mapToDouble(pass -> Tally.effort(pass, estimate(), Tension.LIGHT))
                        .sum();
    }

    /** The passes of the close, as it is drawn with what is known by now. */
    private List<Pass> closing() {
        Block last = Planner.again(workout.brief().knowing(progress.known()), Part.CLOSER);
        List<Pass> passes = new ArrayList<>();
        for (Position at = within(last.method().opening(), progress);
                at.move() instanceof Move.Play play;
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
                burst.tempo().ratioTo(estimate().ease().middle()),
                burst.playSeconds(),
                tally().reserve().k());
        return Math.max(workout.caution().burstFloor(), Reserve.LEAST_AFTER_BURST + cost);
    }

    private String reserveSentence(Pass pass) {
        String now = "The reserve is at " + percent(tally().reserve().level());
        return pass.kind() == PassKind.PROBE
                ? now + "; what is measured is measured rested, at " + percent(PROBE_RESERVE) + "."
                : now + "; the next burst needs " + percent(neededFor(pass)) + ".";
    }

    /** Long enough that, with the slow pass that follows, the next burst finds its reserve. */
    private Rest restAfterBurst(Tally after, Position next, int burstsSoFar) {
        double seconds = LEAST_REST;
        String left = "The burst left " + percent(after.reserve().level()) + " of the reserve";
        String why = left + "; let the hands hang.";
        if (next.move() instanceof Move.Play slowMove) {
            int beats = standing.current().burstBeats();
            Pass slow = phrasing.pass(slowMove, beats, burstsSoFar);
            if (next.after(Answer.expected()).move() instanceof Move.Play burstMove
                    && burstMove.kind() == PassKind.BURST) {
                double needed = Math.min(MOST_NEEDED, neededFor(phrasing.pass(burstMove, beats, burstsSoFar)));
                double ratio = slow.tempo().ratioTo(estimate().ease().middle());
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

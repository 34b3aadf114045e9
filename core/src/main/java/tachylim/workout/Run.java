package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.load.Guardrails;
import tachylim.load.Reserve;
import tachylim.method.Move;
import tachylim.method.Position;
import tachylim.method.School;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;
import tachylim.tempo.Whole;

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

        Block last() {
            return blocks.get(blocks.size() - 1);
        }

        boolean isLast() {
            return block == blocks.size() - 1;
        }
    }

    private Run(Workout workout, Standing from, Progress progress) {
        this.workout = workout;
        this.progress = progress;
        this.standing = from.step instanceof Done ? from : settle(from);
    }

    /** The run before anything is played. */
    public static Run start(Workout workout) {
        Progress progress = Progress.start(workout.brief());
        Position first = workout.blocks().isEmpty()
                ? null
                : within(
                        workout.blocks().get(0),
                        workout.blocks().get(0).method().opening(),
                        progress);
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

    /** What is known by now of the piece that it is mostly about, with all that was played in this run. */
    public Known known() {
        return known(0);
    }

    /** What is known by now of one of its pieces. */
    public Known known(int theme) {
        return progress.learnt().get(theme).known();
    }

    /** How fast the music of the block at hand is. */
    private Estimate estimate() {
        return estimate(standing.current());
    }

    private Estimate estimate(Block block) {
        return block.music().estimate(known(block.theme()).estimate());
    }

    private Phrasing phrasing(Block block) {
        List<Integer> weak = block.music().isAsWritten()
                ? workout.brief().themes().get(block.theme()).weak()
                : List.of();
        return new Phrasing(block.music().notes(), weak);
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
            run = run.after(run.expected());
        }
        return run.past().subList(past().size(), run.past().size());
    }

    /** What a plan counts on at this step. */
    private Event expected() {
        if (step() instanceof Rest rest) {
            return new Event.Rested(rest.seconds());
        }
        return new Event.Judged(((Pass) step()).ask().expected());
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
        if (event instanceof Event.Unjudged) {
            return unjudged(expect(Pass.class, "a pass"));
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
        return progress.with(segment(pass, after.elapsed() - tally().elapsed(), null, after), standing.current());
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
        pass.ask().check(answer);
        Answer heard = standing.current().strictness().heard(pass.kind(), answer);
        return played(pass, answer, tally().played(pass, estimate(), answer), standing.position.after(heard));
    }

    private Run unjudged(Pass pass) {
        return played(pass, null, tally().unjudged(pass, estimate()), standing.position.unjudged());
    }

    private Run played(Pass pass, Answer answer, Tally after, Position then) {
        Block block = standing.current();
        Progress learnt = progress.with(segment(pass, after.elapsed() - tally().elapsed(), answer, after), block);
        Position next = within(block, then, learnt);
        if (block.method().goesAbove()) {
            Known known = learnt.of(block).known();
            next = next.under(
                    Planner.highestBurst(workout.brief().knowing(block.theme(), known), block),
                    "The ceiling may be as low as "
                            + block.music().estimate(known.estimate()).ceiling().low());
        }
        Rest rest = pass.kind() == PassKind.BURST ? restAfterBurst(after, next, learnt.bursts(standing.block)) : null;
        return new Run(workout, standing.at(next, rest), learnt);
    }

    /** Where a hand gripped today on a piece, nothing of it is as fast again, in whichever block. */
    private static Position within(Block block, Position position, Progress progress) {
        return progress.of(block)
                .gripped()
                .map(block.music()::tempo)
                .map(tempo -> position.under(
                        Tempo.clamped(Whole.above(tempo.bpm()) - 1), "Slower than " + tempo + ", where it gripped"))
                .orElse(position);
    }

    private Run rested(Rest rest, double seconds) {
        boolean away = rest.reason() == Rest.Reason.AWAY;
        // Who has read, or is warm, goes on: only what the hands need cannot be cut short.
        if (!away && seconds + REST_TOLERANCE < rest.seconds()) {
            throw new IllegalArgumentException("This rest lasts " + Math.round(rest.seconds()) + " seconds; only "
                    + Math.round(seconds) + " are over");
        }
        return new Run(
                workout,
                standing.at(away ? standing.position.unjudged() : standing.position, null),
                progress.with(segment(rest, seconds, null, tally().rested(seconds)), standing.current()));
    }

    /** Moves on through finished blocks and limits until there is a step to take; nobody rests before the end. */
    private Standing settle(Standing from) {
        Standing now = from;
        if (past().size() >= MOST_STEPS) {
            return now.telling(new Done(Done.Cause.PLAYED, "This workout has gone on long enough."));
        }
        while (now.block < now.blocks.size()) {
            if (isPassedOver(now.current())) {
                now = nextBlock(now);
                continue;
            }
            if (now.pending != null) {
                Standing beyond = settle(now.at(now.position, null));
                // Nobody changes over to a block in which nothing is played.
                boolean nothing = now.pending.reason() == Rest.Reason.CHANGE && beyond.block != now.block;
                return nothing || beyond.step instanceof Done ? beyond : now.telling(now.pending);
            }
            if (now.position.move() instanceof Move.Away away) {
                double seconds = Math.min(away.seconds(), secondsLeft(now));
                if (seconds > 0) {
                    return now.telling(new Rest(Rest.Reason.AWAY, seconds, away.why()));
                }
            }
            Move.Play play = play(now);
            if (play != null) {
                Step step = nextStep(now, play);
                if (step != null && !isBreakBeforeNothing(now, step) && !isBeyondItsPasses(now.current(), step)) {
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
    private boolean isPassedOver(Block block) {
        return hasHadEnough(block)
                || tally().worstTension() == Tension.LOCKED && block.part() != Part.CLOSER
                || tally().worstTension().atLeast(Tension.GRIPPING)
                        && block.method().school() == School.CEILING_TEST;
    }

    /** Whether a piece has had its passes of the day. */
    private boolean hasHadEnough(Block block) {
        return block.part() != Part.WARM_UP && passesLeft(block) <= 0;
    }

    /** Whether a step has more passes than its piece has left of today. */
    private boolean isBeyondItsPasses(Block block, Step step) {
        return block.part() != Part.WARM_UP
                && step instanceof Pass pass
                && pass.ask().passes() > passesLeft(block);
    }

    private int passesLeft(Block block) {
        int played = past().stream()
                .filter(one -> one.step() instanceof Pass pass
                        && pass.kind() != PassKind.WARM_UP
                        && workout.blocks().get(one.block()).theme() == block.theme())
                .mapToInt(Segment::passes)
                .sum();
        return workout.brief().themes().get(block.theme()).passesLeft() - played;
    }

    /** What the method wants to be played, at a tempo; null when it wants nothing more. */
    private Move.Play play(Standing now) {
        Move move = now.position.move();
        if (move instanceof Move.Measure measure) {
            Learnt learnt = progress.of(now.current());
            double giveOrTake = learnt.known().estimate().ceiling().giveOrTake();
            if (giveOrTake <= measure.enough()) {
                return null;
            }
            Tempo tempo = learnt.known().probe(learnt.proven(), measure.limit());
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
        return new Run(workout, now.at(now.position, null), progress.with(taken, now.current())).isDone();
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
        Position opening = within(blocks.get(next), blocks.get(next).method().opening(), progress);
        return new Standing(blocks, next, tally().elapsed(), opening, change, null);
    }

    /** The blocks with the next one drawn from what is known by now, if something was learned since the plan. */
    private List<Block> drawnAgain(List<Block> blocks, int next) {
        Block planned = blocks.get(next);
        Known known = known(planned.theme());
        if (known.estimate()
                .equals(workout.brief().themes().get(planned.theme()).estimate())) {
            return blocks;
        }
        Block drawn = Planner.again(workout.brief().knowing(planned.theme(), known), planned);
        if (drawn.method().equals(planned.method())) {
            return blocks;
        }
        List<Block> changed = new ArrayList<>(blocks);
        changed.set(
                next,
                drawn.saying("Drawn anew: the ceiling is "
                        + known.estimate().ceiling().middle() + " now, ±"
                        + percent(known.estimate().ceiling().giveOrTake()) + ". " + drawn.why()));
        return List.copyOf(changed);
    }

    /** The pass, or the rest it needs first; null when a limit ends the block. */
    private Step nextStep(Standing now, Move.Play play) {
        Block current = now.current();
        Pass pass = phrasing(current).pass(play, current.burstBeats(), progress.bursts(now.block));
        if (pass.kind() == PassKind.BURST) {
            pass = withinReserve(now, pass, play);
            if (pass == null || pass.burstSeconds() > progress.left().burstSeconds()) {
                return null;
            }
        }
        pass = withinTime(now, pass);
        if (pass == null) {
            return null;
        }
        pass = withinAllowance(now, pass);
        if (pass == null) {
            return null;
        }
        // What is longer than may be played at once is played all the same, from a break.
        if (tally().sinceBreak() > 0 && tally().sinceBreak() + pass.seconds() > unbroken()) {
            return new Rest(
                    Rest.Reason.BREAK,
                    Guardrails.BREAK_SECONDS,
                    Math.round(unbroken() / 60)
                            + " minutes without a break: put the instrument down for "
                            + Math.round(Guardrails.BREAK_SECONDS / 60) + ".");
        }
        double rest = restBefore(now, pass);
        return rest > 0 ? new Rest(Rest.Reason.RECOVER, rest, reserveSentence(now, pass)) : pass;
    }

    /** The reserve a pass may be begun with: what is slow needs none. */
    private double reserveFor(Standing now, Pass pass) {
        return switch (pass.kind()) {
            case BURST -> neededFor(now.current(), pass);
            case PROBE -> PROBE_RESERVE;
            case WARM_UP, CONTROLLED, CLOSING -> 0;
        };
    }

    /**
     * The pass, a set with fewer passes where all of them are more than the block has time for; null if even one is, with
     * the rests that it needs.
     */
    private Pass withinTime(Standing now, Pass pass) {
        Pass shorter = pass;
        while (shorter != null
                && (secondsFor(now, shorter) > secondsLeft(now)
                        || shorter.ask().passes() > 1 && shorter.seconds() > unbroken())) {
            shorter = shorter.ask().passes() > 1 ? phrasing(now.current()).shorter(shorter) : null;
        }
        return shorter;
    }

    /** How long may be played without a break, in seconds. */
    private double unbroken() {
        return tally().condition().unbroken();
    }

    /** What a pass takes of the clock: the rest it needs first, itself, its answer, and a rest after a burst. */
    private double secondsFor(Standing now, Pass pass) {
        double after = pass.kind() == PassKind.BURST ? LEAST_REST : 0;
        return restBefore(now, pass) + pass.seconds() + Tally.ANSWER_SECONDS + after;
    }

    private double restBefore(Standing now, Pass pass) {
        return Whole.above(tally().afterCountIn(pass).restUntil(reserveFor(now, pass)));
    }

    /** What a block has left. The warm-up takes what it takes: neither rests nor backing off may use its time up. */
    private double secondsLeft(Standing now) {
        return now.current().part() == Part.WARM_UP
                ? Double.MAX_VALUE
                : now.current().seconds() - (tally().elapsed() - now.blockStart - breaks(now.block));
    }

    /** Breaks are due whatever is being played: they take nothing of a block's time. */
    private double breaks(int block) {
        return past().stream()
                .filter(segment -> segment.block() == block
                        && segment.step() instanceof Rest rest
                        && rest.reason() == Rest.Reason.BREAK)
                .mapToDouble(Segment::seconds)
                .sum();
    }

    /** The pass, with fewer rounds where the whole is more than is left of today; null if even once is. */
    private Pass withinAllowance(Standing now, Pass pass) {
        List<Pass> closing = now.isLast() ? List.of() : closing(now);
        double effort = progress.left().effort() - closingEffort(now.last(), closing);
        double seconds = progress.left().playingSeconds()
                - closing.stream().mapToDouble(Pass::playSeconds).sum();
        for (Pass shorter = pass;
                shorter != null;
                shorter = phrasing(now.current()).shorter(shorter)) {
            if (shorter.playSeconds() <= seconds && worstEffort(now.current(), shorter) <= effort) {
                return shorter;
            }
        }
        return null;
    }

    /** What a pass may cost at the most: any tension may be answered, and no answer may pass the cap. */
    private double worstEffort(Block block, Pass pass) {
        return Tally.effort(pass, estimate(block), Tension.LOCKED);
    }

    /**
     * What the closing block costs, kept back so that every workout can end on something that works: loose
     * passes, and room for the worst answer to the last.
     */
    private double closingEffort(Block last, List<Pass> closing) {
        double worst = closing.stream()
                .mapToDouble(pass -> worstEffort(last, pass))
                .max()
                .orElse(0);
        return worst
                + closing.stream()
                        .skip(1)
                        .mapToDouble(pass -> Tally.effort(pass, estimate(last), Tension.LIGHT))
                        .sum();
    }

    /** The passes of the close, as it is drawn with what is known by now; none when a session ends otherwise. */
    private List<Pass> closing(Standing now) {
        if (now.last().part() != Part.CLOSER) {
            return List.of();
        }
        Block last = Planner.again(
                workout.brief().knowing(now.last().theme(), known(now.last().theme())), now.last());
        List<Pass> passes = new ArrayList<>();
        for (Position at = within(last, last.method().opening(), progress);
                at.move() instanceof Move.Play play;
                at = at.after(play.task().ask().expected())) {
            passes.add(phrasing(last).pass(play, last.burstBeats(), 0));
        }
        return passes;
    }

    /** The burst, shortened to one beat where two ask too much of the reserve; null if one does too. */
    private Pass withinReserve(Standing now, Pass pass, Move.Play play) {
        if (neededFor(now.current(), pass) <= MOST_NEEDED) {
            return pass;
        }
        Pass shorter = phrasing(now.current()).pass(play, 1, progress.bursts(now.block));
        return neededFor(now.current(), shorter) <= MOST_NEEDED ? shorter : null;
    }

    private double neededFor(Block block, Pass burst) {
        Tempo ease = estimate(block).ease().middle();
        double cost = burst.paces(burst.playSeconds()).stream()
                .mapToDouble(pace -> Reserve.cost(
                        pace.tempo().ratioTo(ease),
                        pace.seconds(),
                        tally().reserve().k()))
                .sum();
        return Math.max(workout.caution().burstFloor(), Reserve.LEAST_AFTER_BURST + cost);
    }

    private String reserveSentence(Standing at, Pass pass) {
        String now = "The reserve is at " + percent(tally().reserve().level());
        return pass.kind() == PassKind.PROBE
                ? now + "; what is measured is measured rested, at " + percent(PROBE_RESERVE) + "."
                : now + "; the next burst needs " + percent(neededFor(at.current(), pass)) + ".";
    }

    /** Long enough that, with the slow pass that follows, the next burst finds its reserve. */
    private Rest restAfterBurst(Tally after, Position next, int burstsSoFar) {
        double seconds = LEAST_REST;
        String left = "The burst left " + percent(after.reserve().level()) + " of the reserve";
        String why = left + "; let the hands hang.";
        if (next.move() instanceof Move.Play slowMove) {
            int beats = standing.current().burstBeats();
            Phrasing phrasing = phrasing(standing.current());
            Pass slow = phrasing.pass(slowMove, beats, burstsSoFar);
            if (slow.kind() != PassKind.BURST
                    && next.unjudged().move() instanceof Move.Play burstMove
                    && burstMove.kind() == PassKind.BURST) {
                double needed = Math.min(
                        MOST_NEEDED, neededFor(standing.current(), phrasing.pass(burstMove, beats, burstsSoFar)));
                double ratio = slow.tempo().ratioTo(estimate().ease().middle());
                double before = Reserve.beforeSlowPlaying(needed, ratio, slow.playSeconds());
                double rest = Whole.above(after.reserve().restUntil(before));
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

package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import tachylim.ceiling.Known;
import tachylim.method.Heard;
import tachylim.method.Move;
import tachylim.method.Position;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * A workout being played: where it stands, and what comes next.
 *
 * <p>A run is the fold of its events over the workout: the same events always lead to the same step,
 * so a run is kept by keeping its events. The rules that always win are applied here, to every step of
 * whichever method: those of resting stand in {@link Pacing}, those of the day in {@link Caps}, and a
 * locked hand ends the bursts.
 * This class is immutable.
 */
public final class Run {

    /** A rest the player asked for, in seconds. */
    public static final double ASKED_SECONDS = 20;

    /** How far what is said to have been played may run ahead of the clock, in seconds of the clock. */
    public static final double CLOCK_TOLERANCE = 2;

    /** A burst that was offered may be put off unplayed this often; from then on it counts as played. */
    public static final int FREE_PUT_OFFS = 2;

    /** No workout has more steps than this. */
    private static final int MOST_STEPS = 2_000;

    /**
     * So many blocks in a row in which no slow pass is clean end a workout with its close: the day is not filled for its own
     * sake.
     */
    private static final int MOST_FAILED = 3;

    /** Clocks differ by a little: a rest this much short still counts. */
    private static final double REST_TOLERANCE = 1;

    private final Workout workout;
    private final Place standing;
    private final Progress progress;

    /**
     * Where a run stands.
     *
     * @param blocks the blocks as they are drawn now
     * @param block which of them it is in
     * @param blockStart seconds of the run when that began
     * @param failed how many blocks in a row before it had no clean slow pass
     * @param position where its method stands
     * @param pending a rest that comes first, or null
     * @param step what to do now, null while that is open
     */
    private record Place(
            List<Block> blocks, int block, double blockStart, int failed, Position position, Rest pending, Step step) {

        Place at(Position next, Rest rest) {
            return new Place(blocks, block, blockStart, failed, next, rest, null);
        }

        Place telling(Step next) {
            return new Place(blocks, block, blockStart, failed, position, next instanceof Rest ? pending : null, next);
        }

        Block current() {
            return blocks.get(block);
        }
    }

    private Run(Workout workout, Place from, Progress progress) {
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
        return new Run(workout, new Place(workout.blocks(), 0, 0, 0, first, null, null), progress);
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

    /** What is known now of the section that it is mostly about, with all that was played in this run. */
    public Known known() {
        return known(0);
    }

    /** What is known now of one of its sections. */
    public Known known(int theme) {
        return progress.learnt().get(theme).known();
    }

    /** What to do now. */
    public Step step() {
        return standing.step;
    }

    /** The blocks as they are drawn now: those to come may differ from the plan, since more is known. */
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
        if (event instanceof Event.Unjudged silent) {
            return unjudged(expect(Pass.class, "a pass"), silent.felt());
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
            Rest rest = new Rest(Rest.Purpose.ASKED, ASKED_SECONDS, askedSentence(after));
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
        Tally after = tally().left(pass, seconds, situation(standing).estimate());
        return progress.with(segment(pass, after.elapsed() - tally().elapsed(), null, after), standing.current());
    }

    private static Reason doubtSentence(Known known) {
        return Reason.of("block.doubt", "ceiling", known.doubted().orElseThrow());
    }

    private Reason askedSentence(Progress after) {
        return after.past().size() > past().size() ? Reason.of("rest.askedCounts") : Reason.of("rest.asked");
    }

    private Segment segment(Step done, double seconds, Answer answer, Tally after) {
        return new Segment(
                done, standing.current().part(), standing.block, tally().elapsed(), seconds, answer, tally(), after);
    }

    private Run judged(Pass pass, Answer answer) {
        pass.ask().check(answer);
        Heard heard = standing.current().strictness().heard(pass.kind(), answer);
        Position then = standing.position.after(heard);
        return played(
                pass,
                answer,
                tally().played(pass, situation(standing).estimate(), answer),
                // What a probe is played at, its method does not know.
                heard.holds() && pass.kind() == PassKind.PROBE
                        ? then.under(pass.tempo(), Reason.of("because.tense", "tempo", pass.tempo()))
                        : then);
    }

    private Run unjudged(Pass pass, Tension felt) {
        Tally after = tally().unjudged(pass, situation(standing).estimate(), felt);
        Position then = felt == null
                ? standing.position.unjudged()
                : standing.position.after(standing.current().strictness().heard(felt));
        return played(pass, null, after, then);
    }

    private Run played(Pass pass, Answer answer, Tally after, Position then) {
        Block block = standing.current();
        Progress learnt = progress.with(segment(pass, after.elapsed() - tally().elapsed(), answer, after), block);
        Position next = learnt.isInDoubt(block.theme()) && !progress.isInDoubt(block.theme())
                ? Position.ended(doubtSentence(learnt.of(block).known()))
                : within(block, then, learnt);
        if (block.method().goesAbove()) {
            Known known = learnt.of(block).known();
            next = next.under(
                    Planner.highestBurst(workout.brief().knowing(block.theme(), known), block),
                    Reason.of(
                            "because.lowCeiling",
                            "ceiling",
                            block.music().estimate(known.today()).ceiling().low()));
        }
        Rest rest = pass.kind() == PassKind.BURST
                ? new Pacing(situation(standing)).afterBurst(after, next, learnt.bursts(standing.block))
                : null;
        return new Run(workout, standing.at(next, rest), learnt);
    }

    /** Where a hand was too tense today on a section, nothing of it is as fast again, in whichever block. */
    static Position within(Block block, Position position, Progress progress) {
        return progress.of(block)
                .gripped()
                .map(block.music()::tempo)
                .map(tempo -> {
                    double below = Rounding.above(tempo.bpm()) - 1;
                    return below < Tempo.MIN
                            ? Position.ended(Reason.of("slowest"))
                            : position.under(Tempo.of(below), Reason.of("because.gripped", "tempo", tempo));
                })
                .orElse(position);
    }

    private Run rested(Rest rest, double seconds) {
        boolean away = rest.purpose() == Rest.Purpose.AWAY;
        // Who has read, or is warm, goes on: only what the hands need cannot be cut short.
        if (!away && seconds + REST_TOLERANCE < rest.seconds()) {
            throw Refusal.of(
                    "refusal.run.thisRestLastsSecondsOnly",
                    "seconds",
                    Math.round(rest.seconds()),
                    "seconds2",
                    Math.round(seconds));
        }
        return new Run(
                workout,
                standing.at(away ? standing.position.unjudged() : standing.position, null),
                progress.with(segment(rest, seconds, null, tally().rested(seconds)), standing.current()));
    }

    /** Moves on through finished blocks and limits until there is a step to take; nobody rests before the end. */
    private Place settle(Place from) {
        if (past().size() >= MOST_STEPS) {
            return from.telling(new Done(Done.Cause.PLAYED, Reason.of("done.long")));
        }
        Place resting = null;
        Place now = from;
        while (now.block < now.blocks.size()) {
            if (isPassedOver(now)) {
                now = nextBlock(now);
                continue;
            }
            Place rested = now.at(now.position, null);
            Step step = stepIn(rested);
            if (step != null) {
                return resting != null
                        ? resting.telling(resting.pending)
                        : now.telling(now.pending != null ? now.pending : step);
            }
            // Nobody changes over to a block in which nothing is played; any other rest is taken if anything follows.
            if (resting == null && now.pending != null && now.pending.purpose() != Rest.Purpose.CHANGE) {
                resting = now;
            }
            now = nextBlock(rested);
        }
        return now.telling(new Done(Done.Cause.PLAYED, endSentence(now)));
    }

    private Reason endSentence(Place at) {
        if (at.blocks.isEmpty()) {
            return Reason.of("done.nothing");
        }
        if (at.failed >= MOST_FAILED) {
            return Reason.of("done.notToday");
        }
        // Whoever has played all that was planned was not stopped by a limit, though it may be reached.
        boolean whole = IntStream.range(0, at.blocks.size())
                .allMatch(block -> past().stream().anyMatch(segment -> segment.block() == block));
        return whole || progress.left().isWorthStarting() ? Done.Cause.PLAYED.sentence() : Reason.of("done.limits");
    }

    /** What is to be done in a block; null when it is over. */
    private Step stepIn(Place now) {
        Situation here = situation(now);
        if (now.position.move() instanceof Move.Away away) {
            double seconds = Math.min(away.seconds(), new Pacing(here).secondsLeft());
            if (seconds > 0) {
                return new Rest(Rest.Purpose.AWAY, seconds, away.why());
            }
        }
        Move.Play play = play(here, now.position.move());
        Step step = play == null ? null : nextStep(here, play);
        return step == null || isBreakBeforeNothing(now, step) ? null : step;
    }

    private Situation situation(Place now) {
        return new Situation(workout, progress, now.blocks, now.block, now.blockStart);
    }

    /** After a locked hand, and where nothing works today, only the close is left. */
    private boolean isPassedOver(Place now) {
        Situation at = situation(now);
        Caps caps = new Caps(at);
        return caps.hasHadEnough()
                || caps.mayNotMeasure()
                || (now.failed >= MOST_FAILED || at.tally().worstTension() == Tension.LOCKED)
                        && at.current().part() != Part.CLOSER;
    }

    /** What the method wants to be played, at a tempo; null when it wants nothing more. */
    private static Move.Play play(Situation now, Move move) {
        if (move instanceof Move.Measure measure) {
            Learnt learnt = now.progress().of(now.current());
            double giveOrTake = learnt.known().giveOrTakeToday();
            if (giveOrTake <= measure.enough()) {
                return null;
            }
            Tempo tempo = learnt.known().probe(learnt.proven(), measure.limit());
            return new Move.Play(
                    PassKind.PROBE,
                    tempo,
                    Reason.of("probes.at", "probe", measure.why(), "tempo", tempo, "percent", percent(giveOrTake)));
        }
        return move instanceof Move.Play play ? play.in(now.current().manner()) : null;
    }

    /** Whether nothing would be played any more after the break that is due: then there is none, and it is over. */
    private boolean isBreakBeforeNothing(Place now, Step step) {
        if (!(step instanceof Rest rest) || rest.purpose() != Rest.Purpose.BREAK) {
            return false;
        }
        Tally after = tally().rested(rest.seconds());
        Segment taken = new Segment(
                rest, now.current().part(), now.block, tally().elapsed(), rest.seconds(), null, tally(), after);
        return new Run(workout, now.at(now.position, null), progress.with(taken, now.current())).isDone();
    }

    private Place nextBlock(Place now) {
        int next = now.block + 1;
        if (next >= now.blocks.size()) {
            return new Place(now.blocks, next, tally().elapsed(), now.failed, null, null, null);
        }
        boolean playedInIt = past().stream().anyMatch(segment -> segment.block() == now.block);
        Reason end = endOf(now.position);
        int failed = failedBy(now);
        boolean enough = failed == MOST_FAILED && now.failed < MOST_FAILED;
        Pacing pacing = new Pacing(situation(now));
        Rest change = !playedInIt
                ? now.pending != null && isBetweenBlocks(now.pending) ? now.pending : null
                : enough ? pacing.change(end.then(Reason.of("rest.notToday"))) : pacing.next(end);
        List<Block> blocks = drawnAgain(now.blocks, next);
        Position opening = within(blocks.get(next), blocks.get(next).method().opening(), progress);
        return new Place(blocks, next, tally().elapsed(), failed, opening, change, null);
    }

    private static boolean isBetweenBlocks(Rest rest) {
        return rest.purpose() == Rest.Purpose.CHANGE || rest.purpose() == Rest.Purpose.BREAK;
    }

    /** The blocks in a row without a clean slow pass, with the one that ends; one in which nothing slow was judged says nothing. */
    private int failedBy(Place now) {
        Totals slow = Totals.of(past().stream()
                .filter(one -> one.block() == now.block
                        && one.step() instanceof Pass pass
                        && pass.kind() == PassKind.CONTROLLED)
                .toList());
        boolean isJudged = slow.clean() + slow.rough() + slow.broke() > 0;
        return now.failed >= MOST_FAILED || !isJudged ? now.failed : slow.clean() > 0 ? 0 : now.failed + 1;
    }

    /** Why a block has ended, where that is worth saying: not that all of it was played. */
    private static Reason endOf(Position position) {
        return position.move() instanceof Move.Finish finish && !finish.isComplete() ? finish.why() : Reason.NONE;
    }

    /** The blocks with the next one drawn from what is known now, if something was learned since the plan. */
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
                drawn.saying(Reason.of(
                        "block.again",
                        "ceiling",
                        known.estimate().ceiling().middle(),
                        "percent",
                        percent(known.estimate().ceiling().giveOrTake()),
                        "why",
                        drawn.why())));
        return List.copyOf(changed);
    }

    /** The pass, or the rest it needs first; null when a limit ends the block. */
    private static Step nextStep(Situation now, Move.Play play) {
        Pacing pacing = new Pacing(now);
        Caps caps = new Caps(now);
        Pass pass = now.phrasing().pass(play, now.current().burstBeats(), now.bursts());
        if (pass.kind() == PassKind.BURST) {
            pass = pacing.withinRecovery(pass, play);
        }
        pass = pass == null || caps.hasNoBurstTimeFor(pass) ? null : pacing.withinTime(pass);
        pass = pass == null ? null : caps.withinAllowance(pass);
        if (pass == null) {
            return null;
        }
        Optional<Rest> rest = pacing.restBefore(pass);
        return rest.isPresent() ? rest.get() : caps.isBeyondItsPasses(pass) ? null : pass;
    }

    static long percent(double share) {
        return Math.round(100 * share);
    }
}

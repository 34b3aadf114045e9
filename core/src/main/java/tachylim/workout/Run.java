package tachylim.workout;

import java.util.ArrayList;
import java.util.Collections;
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
    private final int bursts;
    private final Tally tally;
    private final List<Segment> past;
    private final Step step;

    private Run(Workout workout, int block, double blockStart, Position position, Rest pending,
            int bursts, Tally tally, List<Segment> past, Done ended) {
        this.workout = workout;
        this.phrasing = new Phrasing(workout.music());
        this.tally = tally;
        this.past = past;
        this.bursts = bursts;
        Standing standing = ended != null
                ? new Standing(block, blockStart, position, pending, ended)
                : settle(new Standing(block, blockStart, position, pending, null));
        this.block = standing.block;
        this.blockStart = standing.blockStart;
        this.position = standing.position;
        this.pending = standing.pending;
        this.step = standing.step;
    }

    private record Standing(int block, double blockStart, Position position, Rest pending, Step step) {}

    /** The run before anything is played. */
    public static Run start(Workout workout) {
        Position first = workout.blocks().isEmpty() ? null : workout.blocks().get(0).method().opening();
        return new Run(workout, 0, 0, first, null, 0, Tally.START, List.of(), null);
    }

    /** The run after {@code events}, in order. */
    public static Run replay(Workout workout, List<Event> events) {
        Run run = start(workout);
        for (Event event : events) {
            run = run.after(event);
        }
        return run;
    }

    /** What to do now. */
    public Step step() {
        return step;
    }

    /** What it has cost so far. */
    public Tally tally() {
        return tally;
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
        return past;
    }

    /** What is to come if every pass is clean and light, in order. */
    public List<Segment> ahead() {
        Run run = this;
        while (!run.isDone()) {
            run = run.after(run.step instanceof Rest rest
                    ? new Event.Rested(rest.seconds())
                    : new Event.Judged(Answer.expected()));
        }
        return run.past.subList(past.size(), run.past.size());
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
        if (event instanceof Event.BackedOff) {
            expect(Pass.class, "a pass");
            return new Run(workout, block, blockStart, position.backedOff(), pending, bursts, tally, past, null);
        }
        if (event instanceof Event.RestAsked) {
            expect(Pass.class, "a pass");
            Rest asked = new Rest(Rest.Reason.ASKED, ASKED_SECONDS, "You asked for a rest; it costs nothing.");
            return new Run(workout, block, blockStart, position, asked, bursts, tally, past, null);
        }
        return stopped(((Event.Stopped) event).symptom());
    }

    private <S extends Step> S expect(Class<S> kind, String name) {
        if (!kind.isInstance(step)) {
            throw new IllegalStateException("The run does not stand at " + name);
        }
        return kind.cast(step);
    }

    private Run judged(Pass pass, Answer answer) {
        Tally after = tally.played(pass, workout.estimate(), answer.tension());
        boolean burst = pass.kind() == PassKind.BURST;
        Position next = position.after(answer);
        Rest rest = burst ? restAfterBurst(after, next, bursts + 1) : null;
        return new Run(workout, block, blockStart, next, rest, bursts + (burst ? 1 : 0), after,
                with(new Segment(pass, part(), block, tally.elapsed(),
                        after.elapsed() - tally.elapsed(), answer, tally, after)),
                null);
    }

    private Run rested(Rest rest, double seconds) {
        if (seconds + REST_TOLERANCE < rest.seconds()) {
            throw new IllegalArgumentException("This rest lasts " + Math.round(rest.seconds())
                    + " seconds; only " + Math.round(seconds) + " are over");
        }
        Tally after = tally.rested(seconds);
        return new Run(workout, block, blockStart, position, null, bursts, after,
                with(new Segment(rest, part(), block, tally.elapsed(), seconds, null, tally, after)), null);
    }

    private Run stopped(boolean symptom) {
        Done done = symptom
                ? new Done(Done.Cause.SYMPTOM, "Stopped for a symptom: no playing for 48 hours. If it stays, "
                        + "see a physician or a therapist who knows musicians.")
                : new Done(Done.Cause.STOPPED, "Stopped here; everything played is kept.");
        return new Run(workout, block, blockStart, position, pending, bursts, tally, past, done);
    }

    private List<Segment> with(Segment segment) {
        List<Segment> longer = new ArrayList<>(past);
        longer.add(segment);
        return Collections.unmodifiableList(longer);
    }

    private Part part() {
        return workout.blocks().get(block).part();
    }

    /** Moves on through finished blocks and limits until there is a step to take. */
    private Standing settle(Standing from) {
        Standing now = from;
        if (past.size() >= MOST_STEPS) {
            return ended(now, "This workout has gone on long enough.");
        }
        while (now.block < workout.blocks().size()) {
            if (now.pending != null) {
                return new Standing(now.block, now.blockStart, now.position, now.pending, now.pending);
            }
            if (now.position.move() instanceof Move.Play play) {
                Step step = nextStep(now, play);
                if (step != null) {
                    return new Standing(now.block, now.blockStart, now.position, null, step);
                }
            }
            now = nextBlock(now);
        }
        return ended(now, workout.blocks().isEmpty() ? "Nothing more may be played today." : "The workout is played.");
    }

    private static Standing ended(Standing now, String why) {
        return new Standing(now.block, now.blockStart, now.position, null, new Done(Done.Cause.PLAYED, why));
    }

    private Standing nextBlock(Standing now) {
        int next = now.block + 1;
        if (next >= workout.blocks().size()) {
            return new Standing(next, tally.elapsed(), null, null, null);
        }
        boolean playedInIt = past.stream().anyMatch(segment -> segment.block() == now.block);
        Rest change = playedInIt
                ? new Rest(Rest.Reason.CHANGE, CHANGE_SECONDS, "Hands hanging before the next block.")
                : null;
        return new Standing(next, tally.elapsed(), workout.blocks().get(next).method().opening(), change, null);
    }

    /** The pass, or the rest it needs first; null when a limit ends the block. */
    private Step nextStep(Standing now, Move.Play play) {
        Block current = workout.blocks().get(now.block);
        Pass pass = phrasing.pass(play, current.burstBeats(), bursts);
        if (pass.kind() == PassKind.BURST) {
            pass = withinReserve(pass, play);
            if (pass == null || tally.worstTension() == Tension.LOCKED
                    || tally.burstSeconds() + pass.playSeconds() > workout.allowance().burstSeconds()) {
                return null;
            }
        }
        if (tally.elapsed() - now.blockStart + pass.seconds() > current.seconds() || isOverAllowance(now, pass)) {
            return null;
        }
        if (tally.sinceBreak() + pass.seconds() > Guardrails.UNBROKEN_SECONDS) {
            return new Rest(Rest.Reason.BREAK, Guardrails.BREAK_SECONDS,
                    "25 minutes without a break: put the instrument down for five.");
        }
        if (pass.kind() == PassKind.BURST) {
            double rest = tally.afterCountIn(pass).restUntil(neededFor(pass));
            if (rest > 0) {
                return new Rest(Rest.Reason.RECOVER, Math.ceil(rest), reserveSentence(pass));
            }
        }
        return pass;
    }

    private boolean isOverAllowance(Standing now, Pass pass) {
        boolean last = now.block == workout.blocks().size() - 1;
        double keptEffort = last ? 0 : closingEffort();
        double keptSeconds = last ? 0 : closingSeconds();
        double effort = Tally.effort(pass, workout.estimate(), tally.tension());
        return tally.effort() + effort + keptEffort > workout.allowance().effort()
                || tally.playingSeconds() + pass.playSeconds() + keptSeconds > workout.allowance().playingSeconds();
    }

    /** What the closing block costs, kept back so that every workout can end on something that works. */
    private double closingEffort() {
        return closing().stream()
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
        for (Position at = method.opening(); at.move() instanceof Move.Play play && last.part() == Part.CLOSER;
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
        Pass shorter = phrasing.pass(play, 1, bursts);
        return neededFor(shorter) <= MOST_NEEDED ? shorter : null;
    }

    private double neededFor(Pass burst) {
        double cost = Reserve.cost(burst.tempo().ratioTo(workout.estimate().ease().middle()),
                burst.playSeconds(), tally.reserve().k());
        return Math.max(workout.caution().burstFloor(), Reserve.LEAST_AFTER_BURST + cost);
    }

    private String reserveSentence(Pass burst) {
        return "The reserve is at " + percent(tally.reserve().level()) + "; the next burst needs "
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
                    why = left + "; " + Math.round(rest) + " s and a slow pass bring it to the "
                            + percent(needed) + " the next one needs.";
                }
            }
        }
        return new Rest(Rest.Reason.RECOVER, seconds, why);
    }

    private static String percent(double share) {
        return Math.round(100 * share) + "%";
    }
}

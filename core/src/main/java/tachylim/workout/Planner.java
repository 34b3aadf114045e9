package tachylim.workout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.method.EasyPasses;
import tachylim.method.IntervalBursts;
import tachylim.method.Method;
import tachylim.method.PassKind;
import tachylim.method.School;
import tachylim.method.Span;
import tachylim.method.SteadyClimb;
import tachylim.tempo.Tempo;

/**
 * Plans a workout on one piece: warm-up, controlled passes, the core, and an easy close.
 *
 * <p>The warm-up is outside the minutes given. Of those the opener and the core take three eighths each
 * and the close a quarter. A controlled climb starts 3% below where the last one ended, or at half the
 * target when there was none, and stays within the ease tempo.
 */
public final class Planner {

    private static final double OPENER_SHARE = 0.375;
    private static final double CORE_SHARE = 0.375;
    private static final double CLOSER_SHARE = 0.25;

    private static final double BELOW_LAST = 0.97;
    private static final double HIGHEST_START = 0.9;
    private static final double FRESH_START = 0.5;

    private static final double WARM_UP_FIRST = 0.5;
    private static final double WARM_UP_SECOND = 0.62;
    private static final double WARM_UP_SECONDS = 240;

    /** Closing passes lie this far under ease, where a clean pass is as good as certain. */
    private static final double CLOSE_FROM = 0.78;

    private static final double CLOSE_TO = 0.88;
    private static final int MOST_CLOSING = 10;
    private static final double SECONDS_PER_CLOSING_PASS = 35;

    /** While the ceiling is poorly known, bursts stay within this of it. */
    private static final double HIGHEST_WHEN_UNSURE = 1.08;

    /** Nothing faster is planned unless it was reached before, in notes a second: as fast as hands usually go. */
    public static final double FASTEST_UNREACHED = 14;

    /** Of what was reached, this much more may be planned. */
    private static final double PAST_REACHED = 1.05;

    private static final int MOST_PASSES = 60;

    private final Brief brief;
    private final Estimate estimate;
    private final double seconds;
    private final List<Block> blocks = new ArrayList<>();
    private final List<String> remarks = new ArrayList<>();

    private Planner(Brief brief) {
        this.brief = brief;
        this.estimate = brief.estimate();
        this.seconds = brief.minutes() * 60.0;
    }

    /** The workout for {@code brief}; without blocks when too little is left of today. */
    public static Workout plan(Brief brief) {
        return new Planner(brief).workout();
    }

    private Workout workout() {
        if (slowestRate() > fastestRate()) {
            remarks.add("Even at " + Tempo.of(Tempo.MIN) + " the quickest notes of this come at "
                    + Math.round(slowestRate()) + " a second, and nothing above " + Math.round(fastestRate())
                    + " is planned that was never reached. Count a shorter beat.");
        } else if (brief.allowance().isWorthStarting()) {
            warmUp();
            if (brief.choices().school() == School.EASY) {
                easy();
            } else {
                opener();
                core();
            }
            closer();
        } else {
            remarks.add("Too little is left of today's limits to be worth warming up for. "
                    + "Study the score away from the instrument, or rest.");
        }
        return new Workout(
                brief.music(),
                brief.target(),
                estimate,
                blocks,
                brief.allowance(),
                brief.condition(),
                brief.choices().caution(),
                remarks);
    }

    private Tempo ceiling() {
        return estimate.ceiling().middle();
    }

    private double fastestRate() {
        return Math.max(FASTEST_UNREACHED, brief.reachedRate() * PAST_REACHED);
    }

    private double slowestRate() {
        return Tempo.of(Tempo.MIN).rate(brief.music().quickestNotesPerBeat());
    }

    /** {@code tempo}, or the tempo at which the quickest notes come as fast as may be planned, if that is slower. */
    private Tempo reachable(Tempo tempo) {
        return Tempo.slower(
                tempo, Tempo.clamped(60 * fastestRate() / brief.music().quickestNotesPerBeat()));
    }

    /** Controlled playing never goes above ease, nor above what is wanted. */
    private Tempo controlledLimit() {
        return Tempo.clamped(Math.floor(reachable(Tempo.slower(estimate.ease().middle(), brief.target()))
                .bpm()));
    }

    private void add(Part part, Method method, double time, String why) {
        blocks.add(new Block(part, method, time, brief.choices().burstBeats(), why));
    }

    private void warmUp() {
        Tempo first = reachable(ceiling().times(WARM_UP_FIRST));
        Tempo second = reachable(ceiling().times(WARM_UP_SECOND));
        add(
                Part.WARM_UP,
                new EasyPasses(PassKind.WARM_UP, List.of(first, second), "Large, easy movement; nothing to prove."),
                WARM_UP_SECONDS,
                "Two easy minutes at " + first + " and " + second + ", outside the " + brief.minutes() + " minutes.");
    }

    private void opener() {
        Tempo limit = controlledLimit();
        Tempo highest = limit.times(HIGHEST_START);
        Tempo start = Tempo.slower(
                highest,
                brief.lastTempo()
                        .map(last -> last.times(BELOW_LAST))
                        .orElse(brief.target().times(FRESH_START)));
        start = Tempo.slower(start.onMetronome(), limit);
        int clean = brief.choices().cleanInARow();
        add(
                Part.OPENER,
                new SteadyClimb(start, limit, SteadyClimb.USUAL_STEP, clean, MOST_PASSES),
                seconds * OPENER_SHARE,
                startWhy(start, limit) + "; every " + clean + " clean earn a step of 2%, up to the ease of " + limit
                        + ".");
    }

    private String startWhy(Tempo start, Tempo limit) {
        if (brief.lastTempo().isEmpty()) {
            return "Starts at " + start;
        }
        boolean lowered = start.bpm()
                < brief.lastTempo().get().times(BELOW_LAST).onMetronome().bpm();
        return "You stopped at " + brief.lastTempo().get()
                + (lowered ? "; with ease at " + limit + " now, this starts at " : "; this starts at ") + start;
    }

    private void easy() {
        Method loose = School.EASY.core(span());
        add(
                Part.OPENER,
                loose,
                seconds * (OPENER_SHARE + CORE_SHARE),
                "A day for easy playing only: at " + loose.limit() + ", far below the ease of " + controlledLimit()
                        + ".");
    }

    private void core() {
        if (brief.choices().school() == School.INTERVAL_BURSTS) {
            bursts();
        } else {
            towardsCeiling();
        }
    }

    /** Between ease, where the core starts, and the ceiling, or the target where that is slower. */
    private Span span() {
        Tempo top = Tempo.clamped(
                Math.floor(reachable(Tempo.slower(ceiling(), brief.target())).bpm()));
        return new Span(
                Tempo.slower(top, controlledLimit()), top, brief.choices().cleanInARow());
    }

    /** The method that was chosen, no further than the ceiling. */
    private void towardsCeiling() {
        Method core = brief.choices().school().core(span());
        add(Part.CORE, core, seconds * CORE_SHARE, core.promise() + " The ceiling is " + ceiling() + ".");
    }

    private void bursts() {
        if (brief.allowance().burstSeconds() <= 0) {
            remarks.add("No bursts: today's burst time is used or locked.");
            towardsCeiling();
            return;
        }
        boolean sure = estimate.enoughEvidence();
        Tempo slow = reachable(ceiling().times(brief.choices().controlledShare()));
        Tempo first = ceiling().times(brief.choices().firstBurstShare());
        Tempo limit = reachable(ceiling().times(sure ? IntervalBursts.HIGHEST : HIGHEST_WHEN_UNSURE));
        Tempo firstSet = Tempo.slower(
                Tempo.clamped(
                        Math.max(first.onMetronome().bpm(), Math.floor(ceiling().bpm()) + 1)),
                Tempo.clamped(Math.floor(limit.bpm())));
        if (slow.onMetronome().compareTo(ceiling()) >= 0 || firstSet.compareTo(ceiling()) <= 0) {
            remarks.add(
                    "No bursts: around " + ceiling() + " there is no room for slow passes and bursts on both sides.");
            towardsCeiling();
            return;
        }
        int beats = brief.choices().burstBeats();
        add(
                Part.CORE,
                new IntervalBursts(
                        slow,
                        ceiling(),
                        firstSet,
                        limit,
                        SteadyClimb.USUAL_STEP,
                        brief.choices().bursts()),
                seconds * CORE_SHARE,
                "Bursts of " + (beats == 1 ? "one beat" : "two beats") + " from " + firstSet + ", above the ceiling of "
                        + ceiling() + (sure ? "" : ", which is only a guess yet") + ", each after a slow pass at "
                        + slow + "; none above " + Tempo.clamped(Math.floor(limit.bpm())) + ".");
    }

    private void closer() {
        Tempo ease = controlledLimit();
        int passes = (int) Math.max(1, Math.min(MOST_CLOSING, seconds * CLOSER_SHARE / SECONDS_PER_CLOSING_PASS));
        List<Tempo> tempos = new ArrayList<>(Collections.nCopies(passes, ease.times(CLOSE_FROM)));
        if (passes > 2) {
            tempos.set(passes - 1, ease.times(CLOSE_TO));
        }
        String why = "Ends at " + tempos.get(passes - 1) + ", under the ease of "
                + estimate.ease().middle() + ", where nearly every pass is clean.";
        add(
                Part.CLOSER,
                new EasyPasses(PassKind.CLOSING, tempos, "Easy and even, to end on something that works."),
                Math.max(seconds * CLOSER_SHARE, 120),
                why);
    }
}

package tachylim.workout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.method.EasyPasses;
import tachylim.method.IntervalBursts;
import tachylim.method.Method;
import tachylim.method.Move;
import tachylim.method.PassKind;
import tachylim.method.Probes;
import tachylim.method.School;
import tachylim.method.Span;
import tachylim.method.SteadyClimb;
import tachylim.tempo.Tempo;

/**
 * Plans a workout on one piece: warm-up, controlled passes, probes that measure, the core, and an easy close.
 *
 * <p>The warm-up is outside the minutes given. Each probe gets its time and its rest of them; of what is left the opener
 * takes three eighths, the core as much and the close a quarter. A controlled climb starts 3% below where the last one
 * ended and stays under ease. While the ceiling is vague everything slow keeps to the lower end of what ease may be.
 *
 * <p>A burst is safe as far as the ceiling is known: none goes above {@value #HIGHEST_OVER_TARGET} of the target, nor
 * above {@link IntervalBursts#HIGHEST} of the lower end of the ceiling's interval. When that is not above the ceiling,
 * there are none yet.
 */
public final class Planner {

    private static final double OPENER_SHARE = 0.375;
    private static final double CORE_SHARE = 0.375;
    private static final double CLOSER_SHARE = 0.25;

    private static final double BELOW_LAST = 0.97;

    /** The opener ends here, as a share of ease. */
    private static final double OPENER_LIMIT = 0.9;

    /** And it starts here at the least, so that no player creeps up from half the target for weeks. */
    private static final double SLOWEST_START = 0.72;

    private static final double WARM_UP_FIRST = 0.5;
    private static final double WARM_UP_SECOND = 0.62;
    private static final double WARM_UP_SECONDS = 240;

    /** The rest that a probe may need before it, in seconds. */
    private static final double PROBE_REST = 60;

    /** Measuring takes no more than this share of the time there is. */
    private static final double MOST_MEASURING = 0.25;

    /** With fewer minutes nothing is measured. */
    private static final int LEAST_MINUTES_TO_MEASURE = 8;

    /** Closing passes lie this far under ease, where a clean pass is as good as certain. */
    private static final double CLOSE_FROM = 0.78;

    private static final double CLOSE_TO = 0.88;
    private static final int MOST_CLOSING = 10;
    private static final double SECONDS_PER_CLOSING_PASS = 35;

    /** No burst and no probe is faster than this share of the target. */
    public static final double HIGHEST_OVER_TARGET = 1.05;

    /** Burst time in a session: for a player who is known, and for one who is new to it. */
    private static final double DOSE_SECONDS = 40;

    private static final double FIRST_DOSE_SECONDS = 20;

    /** Whole passes of evidence after which a player is no newcomer to a piece. */
    private static final double EXPERIENCED = 30;

    /** Nothing faster is planned unless it was reached before, in notes a second: as fast as hands usually go. */
    public static final double FASTEST_UNREACHED = 14;

    /** Of what was reached, this much more may be planned. */
    private static final double PAST_REACHED = 1.05;

    private static final int MOST_PASSES = 60;

    private final Brief brief;
    private final Estimate estimate;
    private final double seconds;

    private Planner(Brief brief) {
        this.brief = brief;
        this.estimate = brief.estimate();
        this.seconds = brief.minutes() * 60.0;
    }

    /** The workout for {@code brief}; without blocks when too little is left of today. */
    public static Workout plan(Brief brief) {
        return new Planner(brief).workout();
    }

    /** A block of the workout for {@code brief} as it is drawn with what is known now. */
    static Block again(Brief brief, Part part) {
        return new Planner(brief).block(part);
    }

    /** The fastest that a burst may be by what is known. */
    static Tempo highestBurst(Brief brief) {
        return new Planner(brief).highestBurst();
    }

    private Workout workout() {
        List<Block> blocks = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        if (slowestRate() > fastestRate()) {
            remarks.add("Even at " + Tempo.of(Tempo.MIN) + " the quickest notes of this come at "
                    + Math.round(slowestRate()) + " a second, and nothing above " + Math.round(fastestRate())
                    + " is planned that was never reached. Count a shorter beat.");
        } else if (brief.allowance().isWorthStarting()) {
            parts().forEach(part -> blocks.add(block(part)));
            if (!brief.spared().isEmpty()) {
                remarks.add(brief.spared());
            } else if (hasReachedTarget() && brief.choices().school() == School.INTERVAL_BURSTS) {
                remarks.add("The ceiling of " + ceiling() + " has passed the target of " + brief.target()
                        + ": performances and upkeep take the place of bursts. Raise the target if more is wanted.");
            }
        } else {
            remarks.add("Too little is left of today's limits to be worth warming up for. "
                    + "Study the score away from the instrument, or rest.");
        }
        return new Workout(brief, blocks, remarks);
    }

    private List<Part> parts() {
        List<Part> parts = new ArrayList<>(List.of(Part.WARM_UP));
        if (brief.choices().school() != School.CEILING_TEST || !brief.spared().isEmpty()) {
            parts.add(Part.OPENER);
        }
        if (probes() > 0) {
            parts.add(Part.MEASURE);
        }
        if (!isEasy() && brief.choices().school() != School.CEILING_TEST) {
            parts.add(Part.CORE);
        }
        parts.add(Part.CLOSER);
        return parts;
    }

    private Block block(Part part) {
        return switch (part) {
            case WARM_UP -> warmUp();
            case OPENER -> isEasy() ? easy() : opener();
            case MEASURE -> measure();
            case CORE -> core();
            case CLOSER -> closer();
        };
    }

    // What is known, as far as it decides

    /** A day on which nothing fast is played, chosen or imposed. */
    private boolean isEasy() {
        return brief.choices().school() == School.EASY || !brief.spared().isEmpty();
    }

    private Tempo ceiling() {
        return estimate.ceiling().middle();
    }

    /** Ease, as far as it is sure. */
    private Tempo ease() {
        return estimate.isVague() ? estimate.ease().low() : estimate.ease().middle();
    }

    private boolean hasReachedTarget() {
        return estimate.enoughEvidence() && ceiling().compareTo(brief.target()) >= 0;
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

    /** What is slow is never faster than what is wanted. */
    private Tempo slow(Tempo tempo) {
        return reachable(Tempo.slower(tempo, brief.target()));
    }

    /** Controlled playing never goes above ease, nor above what is wanted. */
    private Tempo controlledLimit() {
        return Tempo.clamped(Math.floor(slow(ease()).bpm()));
    }

    /** Just above what is wanted, and what hands can reach. */
    private Tempo overTarget() {
        return Tempo.clamped(
                Math.floor(reachable(brief.target().times(HIGHEST_OVER_TARGET)).bpm()));
    }

    private Tempo highestBurst() {
        return Tempo.clamped(
                Math.floor(Tempo.slower(overTarget(), estimate.ceiling().low().times(IntervalBursts.HIGHEST))
                        .bpm()));
    }

    private int probes() {
        if (isEasy() || brief.gripped().isPresent() || brief.minutes() < LEAST_MINUTES_TO_MEASURE) {
            return 0;
        }
        if (brief.choices().school() == School.CEILING_TEST) {
            return Probes.MOST;
        }
        int wanted = estimate.isVague() ? Probes.WHEN_UNSURE : Probes.USUAL;
        return (int) Math.min(wanted, seconds * MOST_MEASURING / probeSeconds());
    }

    /** What a probe takes with its count-in and its rest. */
    private double probeSeconds() {
        Move.Play probe = new Move.Play(PassKind.PROBE, ceiling(), "");
        return new Phrasing(brief.music())
                        .pass(probe, brief.choices().burstBeats(), 0)
                        .seconds()
                + PROBE_REST;
    }

    /** What the probes leave of the minutes. */
    private double secondsToPractise() {
        return seconds - probes() * probeSeconds();
    }

    private Block block(Part part, Method method, double time, String why) {
        return new Block(part, method, time, brief.choices().burstBeats(), why);
    }

    // The blocks

    private Block warmUp() {
        Tempo first = slow(ceiling().times(WARM_UP_FIRST));
        Tempo second = slow(ceiling().times(WARM_UP_SECOND));
        return block(
                Part.WARM_UP,
                new EasyPasses(PassKind.WARM_UP, List.of(first, second), "Large, easy movement; nothing to prove."),
                WARM_UP_SECONDS,
                "Two easy minutes at " + first + " and " + second + ", outside the " + brief.minutes() + " minutes.");
    }

    private Block opener() {
        Tempo limit = Tempo.clamped(Math.floor(controlledLimit().bpm() * OPENER_LIMIT));
        double last = brief.lastTempo().map(tempo -> tempo.bpm() * BELOW_LAST).orElse(0.0);
        Tempo start = Tempo.slower(
                Tempo.clamped(Math.max(last, ease().bpm() * SLOWEST_START)).onMetronome(),
                Tempo.clamped(Math.floor(limit.bpm() * BELOW_LAST)));
        int clean = brief.choices().cleanInARow();
        return block(
                Part.OPENER,
                new SteadyClimb(start, limit, SteadyClimb.USUAL_STEP, clean, MOST_PASSES),
                secondsToPractise() * OPENER_SHARE,
                startWhy(start) + "; every " + clean + " clean earn a step of 2%, up to " + limit
                        + ", a tenth under the ease of " + controlledLimit() + ".");
    }

    private String startWhy(Tempo start) {
        return brief.lastTempo()
                .map(last -> "You stopped at " + last + "; this starts at " + start)
                .orElse("Starts at " + start);
    }

    private Block easy() {
        Method loose = School.EASY.core(span());
        return block(
                Part.OPENER,
                loose,
                seconds * (OPENER_SHARE + CORE_SHARE),
                "A day for easy playing only: at " + loose.limit() + ", far below the ease of " + controlledLimit()
                        + ".");
    }

    private Block measure() {
        boolean test = brief.choices().school() == School.CEILING_TEST;
        Method probes = test ? School.CEILING_TEST.core(span()) : new Probes(overTarget(), probes(), Probes.ENOUGH);
        return block(
                Part.MEASURE,
                probes,
                test ? Math.max(seconds, Probes.MOST * probeSeconds()) : probes() * probeSeconds(),
                test
                        ? probes.promise()
                        : probes() + (probes() == 1 ? " whole pass" : " whole passes")
                                + " to measure: the ceiling is known to ±" + giveOrTake() + ", and what follows is "
                                + "drawn from what they show.");
    }

    private String giveOrTake() {
        return Math.round(100 * estimate.ceiling().giveOrTake()) + "%";
    }

    private Block core() {
        if (brief.choices().school() != School.INTERVAL_BURSTS) {
            return towardsCeiling("");
        }
        if (hasReachedTarget()) {
            Method upkeep = School.UPKEEP.core(span());
            return block(
                    Part.CORE,
                    upkeep,
                    secondsToPractise() * CORE_SHARE,
                    upkeep.promise() + " The ceiling of " + ceiling() + " has passed the target.");
        }
        if (brief.allowance().burstSeconds() <= 0) {
            return towardsCeiling("No bursts: today's burst time is used or locked. ");
        }
        return bursts();
    }

    /** Between ease, where the core starts, and the ceiling, or the target where that is slower. */
    private Span span() {
        Tempo top = Tempo.clamped(Math.floor(slow(ceiling()).bpm()));
        return new Span(
                Tempo.slower(top, controlledLimit()),
                top,
                Tempo.clamped(Math.floor(reachable(Tempo.of(Tempo.MAX)).bpm())),
                brief.choices().cleanInARow(),
                brief.known().awkward().stream()
                        .map(band -> new Span.Between(band.from(), band.to()))
                        .findFirst());
    }

    /** The method that was chosen, no further than the ceiling. */
    private Block towardsCeiling(String because) {
        Method core = brief.choices().school().core(span());
        return block(
                Part.CORE,
                core,
                secondsToPractise() * CORE_SHARE,
                because + core.promise() + " The ceiling is " + ceiling() + ".");
    }

    private Block bursts() {
        Tempo limit = highestBurst();
        Tempo above = Tempo.clamped(Math.floor(ceiling().bpm()) + 1);
        if (limit.compareTo(ceiling()) <= 0 || limit.compareTo(above) < 0) {
            return towardsCeiling(
                    overTarget().compareTo(ceiling()) <= 0
                            ? "No bursts: the ceiling of " + ceiling() + " leaves no room under " + overTarget()
                                    + ", above which none is wanted. "
                            : "No bursts yet: the ceiling is known to ±" + giveOrTake()
                                    + " only, so what would be safe, " + limit + ", is not above it. ");
        }
        Tempo slow = slow(ceiling().times(brief.choices().controlledShare()));
        if (slow.onMetronome().compareTo(ceiling()) >= 0) {
            return towardsCeiling("No bursts: under " + ceiling() + " there is no room for slow passes. ");
        }
        Tempo first = ceiling().times(brief.choices().firstBurstShare()).onMetronome();
        Tempo firstSet = Tempo.slower(first.compareTo(above) > 0 ? first : above, limit);
        int beats = brief.choices().burstBeats();
        double each = firstSet.secondsFor(beats);
        double dose = estimate.passes() < EXPERIENCED ? FIRST_DOSE_SECONDS : DOSE_SECONDS;
        double seconds = Math.min(dose, brief.allowance().burstSeconds());
        int bursts = (int) Math.max(1, Math.min(brief.choices().bursts(), seconds / each));
        return block(
                Part.CORE,
                new IntervalBursts(slow, ceiling(), firstSet, limit, SteadyClimb.USUAL_STEP, bursts),
                secondsToPractise() * CORE_SHARE,
                "Bursts of " + (beats == 1 ? "one beat" : "two beats") + " from " + firstSet + ", above the ceiling of "
                        + ceiling() + ", each after a slow pass at " + slow + "; none above " + limit + limitWhy(limit)
                        + " At most " + bursts + ", " + Math.round(bursts * each) + " s of the " + Math.round(dose)
                        + " that a session may have"
                        + (dose < DOSE_SECONDS ? " while the piece is new." : "."));
    }

    private String limitWhy(Tempo limit) {
        return limit.compareTo(overTarget()) >= 0
                ? ", 5% over the target."
                : ", since the ceiling may be as low as " + estimate.ceiling().low() + ".";
    }

    private Block closer() {
        Tempo ease = controlledLimit();
        double time = secondsToPractise() * CLOSER_SHARE;
        int passes = (int) Math.max(1, Math.min(MOST_CLOSING, time / SECONDS_PER_CLOSING_PASS));
        if (brief.choices().school() == School.CEILING_TEST) {
            passes = 2;
        }
        List<Tempo> tempos = new ArrayList<>(Collections.nCopies(passes, ease.times(CLOSE_FROM)));
        if (passes > 2) {
            tempos.set(passes - 1, ease.times(CLOSE_TO));
        }
        String why = "Ends at " + tempos.get(passes - 1) + ", under the ease of "
                + estimate.ease().middle() + ", where nearly every pass is clean.";
        return block(
                Part.CLOSER,
                new EasyPasses(PassKind.CLOSING, tempos, "Easy and even, to end on something that works."),
                Math.max(time, 120),
                why);
    }
}

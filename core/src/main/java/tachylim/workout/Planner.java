package tachylim.workout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import tachylim.ceiling.Estimate;
import tachylim.load.Condition;
import tachylim.load.Guardrails;
import tachylim.method.EasyPasses;
import tachylim.method.IntervalBursts;
import tachylim.method.Method;
import tachylim.method.Move;
import tachylim.method.Probes;
import tachylim.method.School;
import tachylim.method.Span;
import tachylim.method.SteadyClimb;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.Passage;
import tachylim.task.PassKind;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Draws a workout: what each block of a workout plays, how its tempo moves and why, from what is known. Which blocks there
 * are and how long they take, {@link Composer} says, or the player.
 *
 * <p>A controlled climb starts 3% below where the last one ended and stays under the comfortable tempo. While the ceiling is vague
 * everything slow keeps to the lower end of what the comfortable tempo may be. In a variation, tempos are those at which its quick notes come
 * as fast as they would as written.
 *
 * <p>A burst is safe as far as the ceiling is known: none goes above {@value #HIGHEST_OVER_TARGET} of the target, nor
 * above {@link IntervalBursts#HIGHEST} of the lower end of the ceiling's interval. When that is not above the ceiling,
 * there are none yet.
 */
public final class Planner {

    private static final double BELOW_LAST = 0.97;

    /** What is nearer to the ceiling is not controlled, however narrow the curve is. */
    private static final double CONTROLLED_OF_CEILING = 0.95;

    /** The opener ends here, as a share of the comfortable tempo. */
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

    /** Closing passes lie this far under the comfortable tempo, where a clean pass is as good as certain. */
    private static final double CLOSE_FROM = 0.78;

    private static final double CLOSE_TO = 0.88;

    /** No more passes alike follow one another. */
    static final int MOST_ALIKE = 6;

    /** Variations lie this far under what controlled playing may reach. */
    private static final double VARIATION_FROM = 0.92;

    /** No burst and no probe is faster than this share of the target. */
    public static final double HIGHEST_OVER_TARGET = 1.05;

    /** Burst time in a workout of a player who is known, in seconds: one for each of its minutes, between these. */
    private static final double LEAST_DOSE_SECONDS = 20;

    private static final double MOST_DOSE_SECONDS = 60;

    /** Each burst wants an answer, and half an hour asks for about twenty: so many bursts a minute, and of a new section fewer. */
    private static final double BURSTS_A_MINUTE = 0.4;

    private static final double FIRST_BURSTS_A_MINUTE = 0.25;

    /** Whoever is new to a section has so much of it. */
    private static final double FIRST_DOSE = 0.5;

    /** Whole passes of evidence after which a player is no newcomer to a section. */
    private static final double EXPERIENCED = 30;

    /** Nothing faster is planned unless it was reached before, in notes a second: as fast as hands usually go. */
    public static final double FASTEST_UNREACHED = 14;

    /** Of what was reached, this much more may be planned. */
    private static final double PAST_REACHED = 1.05;

    private static final int MOST_PASSES = 60;

    private static final double SLOWEST_OF_COUNTED = 0.5;
    private static final double ROOM_FOR_ONE = 45;

    /** At a tempo of the player's own, bursts come down so far before they end. */
    private static final double LEAST_OF_OWN = 0.85;

    private final Brief brief;
    private final Sketch sketch;
    private final Theme theme;
    private final Music music;
    private final Choices choices;
    private final Estimate estimate;
    private final Tempo target;
    private final double seconds;

    /** Of the music as it is played, to a beat. */
    private final double quickestNotes;

    private Planner(Brief brief, Sketch sketch) {
        this(brief, sketch, brief.themes().get(sketch.theme()).in(sketch.variation()));
    }

    private Planner(Brief brief, Sketch sketch, Music music) {
        this.brief = brief;
        this.theme = brief.themes().get(sketch.theme());
        this.music = music;
        this.choices = sketch.choices();
        this.estimate = music.estimate(theme.known().today());
        this.target = music.tempo(theme.target());
        this.sketch = sketch.lasting(sketch.setting()
                .times()
                .map(times -> Math.max(sketch.seconds(), times * secondsForOne()))
                .orElse(sketch.seconds()));
        this.seconds = this.sketch.seconds();
        this.quickestNotes = music.notes().quickestNotesPerBeat();
    }

    /** As long as one of what is counted may take: who says how often says no time. */
    private double secondsForOne() {
        return 2 * passSeconds(comfortable().times(SLOWEST_OF_COUNTED)) + ROOM_FOR_ONE;
    }

    /** The planner for a section as written, for what does not depend on a block. */
    private static Planner of(Brief brief, int theme) {
        return new Planner(brief, new Sketch(Part.CORE, theme, "", brief.minutes() * 60.0, brief.choices()));
    }

    /** The workout for {@code brief}; without blocks when too little is left of today. */
    public static Workout plan(Brief brief) {
        if (!mayBegin(brief)) {
            return drawn(brief);
        }
        boolean own = brief.sketches().stream().anyMatch(Sketch::own);
        Workout workout =
                brief.sketches().isEmpty() ? Composer.workout(brief) : own ? Composer.around(brief) : drawn(brief);
        return Composer.remarked(workout);
    }

    /** The workout of the blocks that a brief has. */
    private static Workout drawn(Brief brief) {
        return drawn(brief, sketch -> brief.themes().get(sketch.theme()).in(sketch.variation()));
    }

    /** The same, with the music of each block from whoever has it. */
    static Workout drawn(Brief brief, Function<Sketch, Music> music) {
        List<Block> blocks = new ArrayList<>();
        List<Reason> remarks = new ArrayList<>();
        Planner main = of(brief, 0);
        if (main.slowestRate() > main.fastestRate()) {
            remarks.add(Reason.of(
                    "plan.tooFast",
                    "tempo",
                    Tempo.of(Tempo.MIN),
                    "rate",
                    Math.round(main.slowestRate()),
                    "most",
                    Math.round(main.fastestRate())));
        } else if (brief.themes().stream().allMatch(theme -> theme.left().passes() == 0)) {
            remarks.add(Reason.of("plan.hadItsPasses", "passes", Guardrails.PASSES_OF_A_SECTION));
        } else if (brief.allowance().isWorthStarting()) {
            brief.sketches().forEach(sketch -> blocks.add(new Planner(brief, sketch, music.apply(sketch)).block()));
            brief.theme()
                    .known()
                    .doubted()
                    .ifPresent(ceiling -> remarks.add(Reason.of("block.doubt", "ceiling", ceiling)));
            Reason form = brief.theme().known().formSentence();
            if (!form.saysNothing()) {
                remarks.add(form);
            }
            if (!brief.spared().saysNothing()) {
                remarks.add(brief.spared());
            } else if (brief.choices().school() == School.CEILING_TEST && !main.mayMeasure()) {
                remarks.add(main.whyNotMeasured());
            } else if (main.hasReachedTarget() && brief.choices().school() == School.INTERVAL_BURSTS) {
                remarks.add(Reason.of("plan.passedTarget", "ceiling", main.ceiling(), "target", main.target));
            }
        } else {
            remarks.add(Reason.of("plan.tooLittleLeft"));
        }
        return new Workout(brief, blocks, remarks);
    }

    private static boolean mayBegin(Brief brief) {
        Planner main = of(brief, 0);
        return main.slowestRate() <= main.fastestRate() && brief.allowance().isWorthStarting();
    }

    /** A block as it is drawn with what is known now. */
    static Block again(Brief brief, Block planned) {
        return new Planner(brief, planned.sketch(), planned.music()).block();
    }

    /** The fastest that a burst of a block may be by what is known. */
    static Tempo highestBurst(Brief brief, Block block) {
        return new Planner(brief, block.sketch(), block.music()).highestBurst();
    }

    /** How many probes measure a section in a workout, and how long they take with their rests. */
    static int probes(Brief brief, int theme) {
        return of(brief, theme).probes();
    }

    static double probeSeconds(Brief brief, int theme) {
        return of(brief, theme).probeSeconds();
    }

    /** How long a set of slow passes of a section takes in a variation, counted in and answered. */
    static double setSeconds(Brief brief, int theme, Music variation) {
        Sketch sketch = new Sketch(Part.PREPARE, theme, variation.variation(), 1, brief.choices());
        Planner planner = new Planner(brief, sketch, variation);
        Move.Play set = (Move.Play) planner.prepare().method().opening().move();
        return new Phrasing(planner.music.notes()).pass(set, 1, 0).seconds() + Tally.ANSWER_SECONDS;
    }

    /** The tempo at which the next workout on a section opens, if nothing is learned until then. */
    public static Tempo opensAt(Theme theme) {
        Brief brief =
                Brief.on(theme, Brief.LEAST_MINUTES, Choices.usual(), Allowance.NONE, Condition.FRESH, Reason.NONE);
        return ((SteadyClimb) of(brief, 0).opener().method()).start();
    }

    /** A day on which nothing fast is played, chosen or imposed. */
    static boolean isEasy(Brief brief) {
        return of(brief, 0).isEasy();
    }

    /** Whoever put a block together and wherever it stands, what is safe today is the same. */
    private Block block() {
        return switch (sketch.part()) {
            case WARM_UP -> warmUp();
            case CLOSER -> closer();
            case OPENER -> isEasy() ? easy() : opener();
            case PREPARE -> isEasy() ? easy() : prepare();
            case MEASURE -> mayMeasure() ? measure() : easy();
            case CORE, PERFORM, STUDY -> core();
        };
    }

    // What is known, as far as it decides

    /** A day on which nothing fast is played, chosen or imposed. */
    private boolean isEasy() {
        return choices.school() == School.EASY || !brief.spared().saysNothing();
    }

    private boolean mayMeasure() {
        return !isEasy() && whyNotMeasured().saysNothing();
    }

    /** Why nothing is measured on a day that is not easy anyway; nothing to say when nothing stands in the way. */
    private Reason whyNotMeasured() {
        if (theme.gripped().isPresent()
                || choices.strictness().lowers(brief.condition().worst())) {
            return Reason.of("unmeasured.gripped");
        }
        if (theme.left().probes() == 0) {
            return Reason.of("unmeasured.already");
        }
        return probeTime() > brief.allowance().burstSeconds() ? Reason.of("unmeasured.used") : Reason.NONE;
    }

    /** What a probe takes of the day's fast playing, in seconds. */
    private double probeTime() {
        return probe().burstSeconds();
    }

    private Pass probe() {
        return new Phrasing(music.notes())
                .pass(new Move.Play(PassKind.PROBE, ceiling(), Reason.NONE), choices.burstBeats(), 0);
    }

    private Tempo ceiling() {
        return estimate.ceiling().middle();
    }

    /** The comfortable tempo, as far as it is sure. */
    private Tempo comfortable() {
        return estimate.isVague()
                ? estimate.comfortable().low()
                : estimate.comfortable().middle();
    }

    private boolean hasReachedTarget() {
        return estimate.enoughEvidence() && ceiling().compareTo(target) >= 0;
    }

    private double fastestRate() {
        return Math.max(FASTEST_UNREACHED, theme.reachedRate() * PAST_REACHED);
    }

    private double slowestRate() {
        return Tempo.of(Tempo.MIN).rate(quickestNotes);
    }

    /** {@code tempo}, or the tempo at which the quickest notes come as fast as may be planned, if that is slower. */
    private Tempo reachable(Tempo tempo) {
        return Tempo.slower(tempo, Tempo.clamped(60 * fastestRate() / quickestNotes));
    }

    /** What is slow is never faster than what is wanted. */
    private Tempo slow(Tempo tempo) {
        return reachable(Tempo.slower(tempo, target));
    }

    /**
     * Controlled playing never goes above the comfortable tempo, nor near the ceiling, nor above what is wanted, nor above
     * what its slowest change keeps up with.
     */
    private Tempo controlledLimit() {
        Tempo most = Tempo.slower(comfortable(), ceiling().times(CONTROLLED_OF_CEILING));
        return changing(Tempo.clamped(Rounding.below(slow(most).bpm())));
    }

    /** Not above what the slowest change keeps up with, where that was counted. */
    private Tempo changing(Tempo tempo) {
        return theme.slowestChange()
                .map(music::tempo)
                .map(change -> Tempo.clamped(Rounding.below(change.bpm())))
                .map(change -> Tempo.slower(tempo, change))
                .orElse(tempo);
    }

    /** What keeps slow playing from being faster, with its tempo. */
    private Reason slowBound() {
        Tempo limit = controlledLimit();
        Tempo near = ceiling().times(CONTROLLED_OF_CEILING);
        String code;
        if (theme.slowestChange().isPresent()
                && limit.equals(changing(limit))
                && changing(Tempo.of(Tempo.MAX)).equals(limit)) {
            return Reason.of("slow.change", "tempo", limit);
        }
        if (limit.compareTo(Tempo.clamped(
                        Rounding.below(Tempo.slower(comfortable(), near).bpm())))
                < 0) {
            code = reachable(target).compareTo(target) < 0 ? "slow.reached" : "slow.target";
        } else if (comfortable().compareTo(near) > 0) {
            code = "slow.ceiling";
        } else {
            code = estimate.isVague() ? "slow.surely" : "slow.comfortable";
        }
        return Reason.of(code, "tempo", limit);
    }

    /** Just above what is wanted, and what hands can reach. */
    private Tempo overTarget() {
        return Tempo.clamped(
                Rounding.below(reachable(target.times(HIGHEST_OVER_TARGET)).bpm()));
    }

    private Tempo highestBurst() {
        return Tempo.clamped(Rounding.below(
                Tempo.slower(overTarget(), estimate.ceiling().low().times(IntervalBursts.HIGHEST))
                        .bpm()));
    }

    private int probes() {
        // Who reads the score today plays nothing fast.
        boolean reads = choices.school() == School.STUDY_CARD;
        if (reads || !mayMeasure() || brief.minutes() < LEAST_MINUTES_TO_MEASURE) {
            return 0;
        }
        int affordable = (int) Math.min(theme.left().probes(), brief.allowance().burstSeconds() / probeTime());
        if (choices.school() == School.CEILING_TEST) {
            return affordable;
        }
        int wanted = Math.min(affordable, wantedProbes());
        return (int) Math.min(wanted, brief.minutes() * 60 * MOST_MEASURING / probeSeconds());
    }

    /** More while little is known, as in a section's first workouts; of a section that is not the first of the workout a few. */
    private int wantedProbes() {
        if (sketch.theme() != 0) {
            return Undecided.probes(brief);
        }
        return estimate.isVague() || estimate.passes() < EXPERIENCED ? Probes.WHEN_UNSURE : Probes.USUAL;
    }

    /** What a probe takes with its count-in and its rest. */
    private double probeSeconds() {
        return probe().seconds() + PROBE_REST;
    }

    private Block block(Method method, Reason why) {
        return new Block(sketch, music, method, bound().then(why));
    }

    /** The tempo that the player set, no faster than is safe; {@code usual} where none was. */
    private Tempo wished(Tempo usual) {
        return aim().map(wish -> Tempo.slower(wish, usual).onMetronome()).orElse(usual);
    }

    private Optional<Tempo> aim() {
        return sketch.setting().tempo().map(aim -> aim.tempo(target, ceiling()));
    }

    /** How fast a block of this part and method may be, by what. */
    private Tempo most() {
        return switch (sketch.part()) {
            case WARM_UP, OPENER, PREPARE, CLOSER -> controlledLimit();
            case MEASURE -> overTarget();
            case CORE, PERFORM, STUDY ->
                choices.school().goesAbove()
                        ? highestBurst()
                        : Tempo.clamped(Rounding.below(slow(ceiling()).bpm()));
        };
    }

    /** Which bound a tempo that was set meets; nothing to say where it meets none. */
    private Reason bound() {
        Tempo most = most();
        if (aim().filter(wish -> wish.onMetronome().compareTo(most) > 0).isEmpty()) {
            return Reason.NONE;
        }
        String code = switch (sketch.part()) {
            case WARM_UP, OPENER, PREPARE, CLOSER -> "bound.comfortable";
            case MEASURE -> "bound.target";
            case CORE, PERFORM, STUDY ->
                choices.school().goesAbove()
                        ? "bound.bursts"
                        : most.compareTo(target) >= 0 ? "bound.target" : "bound.ceiling";
        };
        return Reason.of(code, "wished", aim().orElseThrow(), "most", most, "bound", slowBound());
    }

    /** Passes at the tempo that the player set, so many of them as they set. */
    private Block asSet(Reason why) {
        Tempo tempo = wished(most());
        int times = sketch.setting().times().orElse(MOST_ALIKE);
        return block(new SteadyClimb(tempo, tempo, SteadyClimb.USUAL_STEP, times, times, true), why);
    }

    // The blocks

    /** What a warm-up takes. */
    static double warmUpSeconds(Brief brief) {
        return brief.routine().isEmpty() ? WARM_UP_SECONDS : WarmUpRoutine.seconds(brief.routine());
    }

    private Block warmUp() {
        if (!brief.routine().isEmpty()) {
            return block(
                    new WarmUpRoutine(brief.routine(), slow(ceiling().times(WARM_UP_FIRST))),
                    Reason.of(
                            "block.ownWarmUp",
                            "minutes",
                            Math.round(warmUpSeconds(brief) / 60),
                            "outside",
                            brief.minutes()));
        }
        Tempo first = slow(ceiling().times(WARM_UP_FIRST));
        Tempo second = slow(ceiling().times(WARM_UP_SECOND));
        return block(
                new EasyPasses(PassKind.WARM_UP, List.of(first, second), Reason.of("warmUp.easy")),
                Reason.of("block.warmUp", "first", first, "second", second, "outside", brief.minutes()));
    }

    private Block opener() {
        if (isSet()) {
            return asSet(Reason.of("block.set", "tempo", wished(controlledLimit())));
        }
        Tempo limit = Tempo.clamped(Rounding.below(controlledLimit().bpm() * OPENER_LIMIT));
        double last = theme.lastTempo().map(tempo -> tempo.bpm() * BELOW_LAST).orElse(0.0);
        // The hand comes from the warm-up: it begins no slower than that ended.
        double warm = slow(ceiling().times(WARM_UP_SECOND)).bpm();
        Tempo start = Tempo.slower(
                Tempo.clamped(Math.max(last, Math.max(warm, comfortable().bpm() * SLOWEST_START)))
                        .onMetronome(),
                Tempo.clamped(Rounding.below(limit.bpm() * BELOW_LAST)));
        int clean = choices.cleanInARow();
        return block(
                new SteadyClimb(start, limit, SteadyClimb.USUAL_STEP, clean, MOST_PASSES, true),
                Reason.of(
                        "block.controlled",
                        "start",
                        startWhy(start),
                        "clean",
                        clean,
                        "limit",
                        limit,
                        "bound",
                        slowBound()));
    }

    private Reason startWhy(Tempo start) {
        return theme.lastTempo()
                .map(last -> Reason.of("block.stoppedAt", "last", last, "start", start))
                .orElse(Reason.of("block.startsAt", "start", start));
    }

    private Block easy() {
        Method loose = School.EASY.core(span());
        Reason because =
                isEasy() ? Reason.of("block.easyDay") : Reason.of("block.easyInstead", "why", whyNotMeasured());
        return block(loose, Reason.of("block.easy", "because", because, "tempo", loose.limit(), "bound", slowBound()));
    }

    /** Who asks for it in so many words has one probe at least, however few the minutes. */
    private Block measure() {
        boolean test = choices.school() == School.CEILING_TEST;
        int passes = Math.max(1, probes());
        Method probes = new Probes(test ? span().reach() : overTarget(), passes, Probes.ENOUGH);
        return block(
                probes,
                test ? probes.promise() : Reason.of("block.measuring", "passes", passes, "percent", giveOrTake()));
    }

    private long giveOrTake() {
        return Math.round(100 * estimate.ceiling().giveOrTake());
    }

    private Block core() {
        if (choices.school() == School.STUDY_CARD) {
            return chosen();
        }
        if (isEasy()) {
            return easy();
        }
        if (choices.school() == School.CEILING_TEST) {
            return mayMeasure() ? measure() : easy();
        }
        boolean isRepeated = aim().isPresent() && sketch.setting().times().isPresent();
        if (choices.school() == School.STEADY_CLIMB && isRepeated) {
            return asSet(Reason.of("block.set", "tempo", wished(most())));
        }
        if (!choices.school().goesAbove()) {
            return towardsCeiling(Reason.NONE);
        }
        if (hasReachedTarget()) {
            Method upkeep = School.UPKEEP.core(span());
            return block(upkeep, upkeep.promise().then(Reason.of("block.passedTarget", "ceiling", ceiling())));
        }
        if (brief.allowance().burstSeconds() <= 0) {
            return towardsCeiling(Reason.of("noBursts.used"));
        }
        return bursts();
    }

    /** Between the comfortable tempo, where the core starts, and the ceiling, or the target where that is slower. */
    private Span span() {
        Tempo top = Tempo.clamped(Rounding.below(slow(ceiling()).bpm()));
        return new Span(
                Tempo.slower(wished(top), controlledLimit()),
                wished(top),
                Tempo.clamped(Rounding.below(reachable(Tempo.of(Tempo.MAX)).bpm())),
                ceiling(),
                wished(highestBurst()),
                target,
                choices.cleanInARow(),
                theme.known().awkward().stream()
                        .map(band -> new Span.Between(music.tempo(band.from()), music.tempo(band.to())))
                        .findFirst(),
                theme.edge().map(music::tempo),
                sketch.setting(),
                ground(),
                seconds);
    }

    private Span.Ground ground() {
        Passage notes = music.notes();
        int weak = music.isAsWritten() && !theme.weak().isEmpty()
                ? theme.weak().get(0)
                : notes.notes().size() / 2;
        return new Span.Ground(
                notes.notes().size(),
                Math.max(1, (int) Math.ceil(notes.length().doubleValue() - 1e-9)),
                new Phrasing(notes)
                        .pass(new Move.Play(PassKind.CONTROLLED, ceiling(), Reason.NONE), 1, 0)
                        .beats(),
                Math.max(1, (int) Math.ceil(notes.barBeats().doubleValue() - 1e-9)),
                quickestNotes,
                weak);
    }

    /** The method that was chosen, no further than the ceiling. */
    private Block towardsCeiling(Reason because) {
        School school = choices.school().goesAbove() ? School.STEADY_CLIMB : choices.school();
        Method core = school.core(span());
        return block(core, because.then(core.promise()).then(Reason.of("block.ceiling", "ceiling", ceiling())));
    }

    private Block bursts() {
        Tempo limit = wished(highestBurst());
        Tempo above = Tempo.clamped(Rounding.below(ceiling().bpm()) + 1);
        if (aim().isPresent() && limit.compareTo(above) < 0) {
            return belowCeiling(limit);
        }
        if (limit.compareTo(ceiling()) <= 0 || limit.compareTo(above) < 0) {
            return towardsCeiling(
                    overTarget().compareTo(ceiling()) <= 0
                            ? Reason.of("noBursts.noRoom", "ceiling", ceiling(), "limit", overTarget())
                            : Reason.of("noBursts.vague", "percent", giveOrTake(), "limit", limit));
        }
        Tempo slow = slow(ceiling().times(choices.controlledShare()));
        if (slow.onMetronome().compareTo(ceiling()) >= 0) {
            return towardsCeiling(Reason.of("noBursts.noSlow", "ceiling", ceiling()));
        }
        if (choices.school() != School.INTERVAL_BURSTS) {
            return chosen();
        }
        Tempo first = aim().isPresent()
                ? limit
                : ceiling().times(choices.firstBurstShare()).onMetronome();
        Tempo firstSet = Tempo.slower(first.compareTo(above) > 0 ? first : above, limit);
        int beats = choices.burstBeats();
        double each = firstSet.secondsFor(beats);
        boolean isNew = estimate.passes() < EXPERIENCED;
        double dose =
                Math.max(LEAST_DOSE_SECONDS, Math.min(MOST_DOSE_SECONDS, brief.minutes())) * (isNew ? FIRST_DOSE : 1);
        double spent = Math.min(dose / burstBlocks(), brief.allowance().burstSeconds());
        int bursts = sketch.setting()
                .times()
                .map(times -> Math.min(times, Choices.MOST_BURSTS))
                .orElseGet(() ->
                        (int) Math.max(1, Math.min(Math.ceil(mostBursts(isNew) / burstBlocks()), spent / each)));
        return block(
                new IntervalBursts(slow, ceiling(), firstSet, limit, SteadyClimb.USUAL_STEP, bursts),
                Reason.of(
                        "block.bursts",
                        "beats",
                        beats,
                        "first",
                        firstSet,
                        "ceiling",
                        ceiling(),
                        "slow",
                        slow,
                        "limit",
                        limit,
                        "why",
                        limitWhy(limit),
                        "most",
                        bursts,
                        "seconds",
                        Math.round(bursts * each),
                        "dose",
                        Math.round(dose),
                        "isNew",
                        isNew));
    }

    /** As many as were chosen, and nobody who plays wants to be asked all the time. */
    private double mostBursts(boolean isNew) {
        double asked = (isNew ? FIRST_BURSTS_A_MINUTE : BURSTS_A_MINUTE) * brief.minutes();
        return Math.max(1, Math.min(choices.bursts(), Math.floor(asked)));
    }

    /** Bursts at a tempo of the player's own that lies below the ceiling: safe, and wanted. */
    private Block belowCeiling(Tempo limit) {
        if (choices.school() != School.INTERVAL_BURSTS) {
            return chosen();
        }
        Tempo floor = limit.times(LEAST_OF_OWN);
        Tempo slow = Tempo.slower(slow(ceiling().times(choices.controlledShare())), floor.times(LEAST_OF_OWN));
        int bursts = sketch.setting()
                .times()
                .map(times -> Math.min(times, Choices.MOST_BURSTS))
                .orElse(choices.bursts());
        Method own = new IntervalBursts(slow, floor, limit, limit, SteadyClimb.USUAL_STEP, bursts);
        return block(own, own.promise());
    }

    private Reason limitWhy(Tempo limit) {
        return limit.compareTo(overTarget()) >= 0
                ? Reason.of("limit.overTarget")
                : Reason.of("limit.lowCeiling", "ceiling", estimate.ceiling().low());
    }

    /** The dose of a workout is shared by all its blocks of bursts. */
    private long burstBlocks() {
        return Math.max(
                1,
                brief.sketches().stream()
                        .filter(other ->
                                other.part() == Part.CORE && other.choices().school() == choices.school())
                        .count());
    }

    /** Slow, up to the tempo at which its quick notes are as fast as wanted, or as is easy. */
    private Block prepare() {
        if (isSet()) {
            Tempo tempo = wished(controlledLimit());
            return asSet(
                    music.isAsWritten()
                            ? Reason.of("block.set", "tempo", tempo)
                            : Reason.of("block.setIn", "title", music.title(), "tempo", tempo));
        }
        Tempo limit = Tempo.clamped(Rounding.below(controlledLimit().bpm() * OPENER_LIMIT));
        Tempo start = Tempo.slower(limit.times(VARIATION_FROM).onMetronome(), limit);
        return block(
                new SteadyClimb(start, limit, SteadyClimb.USUAL_STEP, MOST_ALIKE, MOST_ALIKE, true),
                music.isAsWritten()
                        ? Reason.of("block.slow", "tempo", start)
                        : Reason.of(
                                "block.slowIn",
                                "title",
                                music.title(),
                                "tempo",
                                start,
                                "written",
                                music.matching() == 1 ? 0 : music.asWritten(start)));
    }

    private Block chosen() {
        Method method = choices.school().core(span());
        return block(method, method.promise());
    }

    /** Whether the player set how fast, or how often, slow passes are. */
    private boolean isSet() {
        return sketch.setting().tempo().isPresent() || sketch.setting().times().isPresent();
    }

    private Block closer() {
        Tempo comfortable = wished(controlledLimit());
        Tempo loose = sketch.setting().tempo().isPresent() ? comfortable : comfortable.times(CLOSE_FROM);
        int passes = sketch.setting()
                .times()
                .map(times -> Math.min(times, EasyPasses.MOST))
                .orElseGet(() -> (int) Math.max(1, Math.min(MOST_ALIKE, seconds / passSeconds(loose))));
        if (choices.school() == School.CEILING_TEST) {
            passes = 2;
        }
        List<Tempo> tempos = new ArrayList<>(Collections.nCopies(passes, loose));
        if (passes > 2 && !isSet()) {
            tempos.set(passes - 1, comfortable.times(CLOSE_TO));
        }
        Reason why = Reason.of(
                "block.coolDown",
                "last",
                tempos.get(passes - 1),
                "comfortable",
                estimate.comfortable().middle());
        return block(new EasyPasses(PassKind.CLOSING, tempos, Reason.of("coolDown.easy")), why);
    }

    private double passSeconds(Tempo tempo) {
        return new Phrasing(music.notes())
                        .pass(new Move.Play(PassKind.CLOSING, tempo, Reason.NONE), 1, 0)
                        .seconds()
                + Tally.ANSWER_SECONDS;
    }
}

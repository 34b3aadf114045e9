package tachylim.method;

import java.util.Arrays;
import java.util.function.Function;
import tachylim.codec.Codec;

/**
 * The methods there are, one line each: whether it is fast, how it makes the core of a workout,
 * and how its settings are written and read. Nothing else knows them all.
 */
public enum School {
    /** Slow passes alternating with bursts above the ceiling; how high, the planner decides with what a day allows. */
    INTERVAL_BURSTS("interval-bursts", Reach.ABOVE, SteadyClimb::toCeiling, IntervalBursts.CODEC),
    /** Small earned steps up to the ceiling; what takes the place of bursts, too, where there can be none. */
    STEADY_CLIMB("steady-climb", Reach.TO_CEILING, SteadyClimb::toCeiling, SteadyClimb.CODEC),
    /** A climb in the smallest steps, across an awkward band where there is one. */
    NARROW_STEPS("narrow-steps", Reach.TO_CEILING, SteadyClimb::across, SteadyClimb.CODEC),
    /** Nothing but easy passes: the least that keeps the hands in shape on a bad day. */
    EASY("easy-passes", Reach.EASY, EasyPasses::under, EasyPasses.CODEC),
    /** A step back, two steps up. */
    SETBACK_LADDER("setback-ladder", Reach.TO_CEILING, SetbackLadder::over, SetbackLadder.CODEC),
    TAPER("taper", Reach.TO_CEILING, ThinningOut::over, ThinningOut.CODEC),
    CREST_AND_SETTLE("crest-and-settle", Reach.TO_CEILING, CrestAndSettle::at, CrestAndSettle.CODEC),
    ARCH("arch", Reach.TO_CEILING, Arch::over, Arch.CODEC),
    PULSE_LADDER("pulse-ladder", Reach.TO_CEILING, PulseLadder::over, PulseLadder.CODEC),
    SETTLE_OVERNIGHT("settle-overnight", Reach.TO_CEILING, SettleOvernight::under, SettleOvernight.CODEC),
    /** These go above the ceiling, as interval bursts do. */
    SWITCH_BURSTS("switch-bursts", Reach.ABOVE, SwitchBursts::over, SwitchBursts.CODEC),
    FREE_BURSTS("free-bursts", Reach.ABOVE, FreeBursts::over, FreeBursts.CODEC),
    GROWING_BURSTS("growing-bursts", Reach.ABOVE, GrowingBursts::over, GrowingBursts.CODEC),
    CHANGE_COUNT("change-count", Reach.TO_CEILING, ChangeCount::at, ChangeCount.CODEC),
    TEMPO_SWEEP("tempo-sweep", Reach.TO_CEILING, TempoSweep::over, TempoSweep.CODEC),
    REFERENCE_COMPARISON(
            "reference-comparison", Reach.TO_CEILING, ReferenceComparison::over, ReferenceComparison.CODEC),
    PERFORMANCE_RUN("performance-run", Reach.TO_CEILING, PerformanceRun::at, PerformanceRun.CODEC),
    /** Nothing is played at all. */
    STUDY_CARD("study-card", Reach.EASY, StudyCard::usual, StudyCard.CODEC),
    /** A warm-up as the player has put it down; it makes no core. */
    WARM_UP_ROUTINE("warm-up-routine", Reach.BEFORE, EasyPasses::under, WarmUpRoutine.CODEC),
    /** What keeps a section that has reached its target; takes the place of bursts there. */
    UPKEEP("upkeep", Reach.TO_CEILING, Upkeep::at, Upkeep.CODEC),
    /** Whole passes that measure: a test of its own, and the probes of every other workout. */
    CEILING_TEST("ceiling-test", Reach.TO_CEILING, Probes::test, Probes.CODEC);

    /** How far a method goes. */
    private enum Reach {
        /** It comes before the practice. */
        BEFORE,
        /** Nowhere near the ceiling. */
        EASY,
        TO_CEILING,
        ABOVE
    }

    /** What methods are for, as a player looks for them. */
    public enum Purpose {
        /** Beyond the ceiling, for moments. */
        BEYOND,
        /** Up to it, step by step. */
        CLIMB,
        /** What was reached is to stay. */
        STAY,
        /** What works, and how fast it is. */
        FIND_OUT,
        /** Days for little, or nothing at all. */
        EASY
    }

    /** What it is for. */
    public Purpose purpose() {
        return switch (this) {
            case INTERVAL_BURSTS, SWITCH_BURSTS, FREE_BURSTS, GROWING_BURSTS -> Purpose.BEYOND;
            case STEADY_CLIMB, NARROW_STEPS, SETBACK_LADDER, TAPER, ARCH, PULSE_LADDER -> Purpose.CLIMB;
            case CREST_AND_SETTLE, SETTLE_OVERNIGHT, UPKEEP, PERFORMANCE_RUN -> Purpose.STAY;
            case CEILING_TEST, TEMPO_SWEEP, CHANGE_COUNT, REFERENCE_COMPARISON -> Purpose.FIND_OUT;
            case EASY, STUDY_CARD, WARM_UP_ROUTINE -> Purpose.EASY;
        };
    }

    /** A method stands in a document as its settings, with the word of its school. */
    public static final Codec<Method> METHOD =
            Codec.family("method", method -> method.school().word, word -> of(word).codec);

    /** A school stands in a document as its word. */
    public static final Codec<School> CODEC = Codec.TEXT.as(School::of, School::word);

    private final String word;
    private final Reach reach;
    private final Function<Span, Method> core;
    private final Codec<? extends Method> codec;

    School(String word, Reach reach, Function<Span, Method> core, Codec<? extends Method> codec) {
        this.word = word;
        this.reach = reach;
        this.core = core;
        this.codec = codec;
    }

    /** The word under which its methods are kept; it never changes. */
    public String word() {
        return word;
    }

    /** Whether it plays near the ceiling or above it, so that what is played should be decided first. */
    public boolean isFast() {
        return reach == Reach.TO_CEILING || reach == Reach.ABOVE;
    }

    /** Whether a player may choose it for the core of a workout. */
    public boolean makesCore() {
        return reach != Reach.BEFORE;
    }

    /** Whether it is for going above the ceiling, so that what is safe has to be known. */
    public boolean goesAbove() {
        return reach == Reach.ABOVE;
    }

    /** Its method between the comfortable tempo and the ceiling. */
    public Method core(Span span) {
        return core.apply(span);
    }

    /**
     * The school that is kept under a word.
     *
     * @throws IllegalArgumentException if there is none
     */
    public static School of(String word) {
        return Arrays.stream(values())
                .filter(school -> school.word.equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("No method is kept under the name " + word));
    }
}

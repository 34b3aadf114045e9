package tachylim.method;

import java.util.Arrays;
import java.util.function.Function;

/**
 * The methods there are, one line each: what a player calls it, whether it is fast, how it makes the core of a workout,
 * and how it is read back from its settings. Nothing else knows them all.
 */
public enum School {
    /** Slow passes alternating with bursts above the ceiling; how high, the planner decides with what a day allows. */
    INTERVAL_BURSTS(
            "interval-bursts",
            "Interval bursts",
            "slow passes, short bursts above the ceiling",
            Reach.ABOVE,
            SteadyClimb::toCeiling,
            IntervalBursts::read),
    /** Small earned steps up to the ceiling; what takes the place of bursts, too, where there can be none. */
    STEADY_CLIMB(
            "steady-climb",
            "Steady climb",
            "small earned steps up to the ceiling",
            Reach.TO_CEILING,
            SteadyClimb::toCeiling,
            SteadyClimb::read),
    /** A climb in the smallest steps, across an awkward band where there is one. */
    NARROW_STEPS(
            "narrow-steps",
            "Narrow steps",
            "steps of 1%, across an awkward band where there is one",
            Reach.TO_CEILING,
            SteadyClimb::across,
            SteadyClimb::read),
    /** Nothing but easy passes: the least that keeps the hands in shape on a bad day. */
    EASY(
            "easy-passes",
            "Easy day",
            "nothing but loose playing, far below ease",
            Reach.EASY,
            EasyPasses::under,
            EasyPasses::read),
    /** A step back, two steps up. */
    SETBACK_LADDER(
            "setback-ladder",
            "Setback ladder",
            "a step back, then two up, around a base that climbs",
            Reach.TO_CEILING,
            SetbackLadder::over,
            SetbackLadder::read),
    TAPER(
            "taper",
            "Taper",
            "many slow repetitions, thinning out to a few fast ones",
            Reach.TO_CEILING,
            Taper::over,
            Taper::read),
    CREST_AND_SETTLE(
            "crest-and-settle",
            "Crest and settle",
            "4% under what is just playable until it is easy, then up by 1%",
            Reach.TO_CEILING,
            CrestAndSettle::at,
            CrestAndSettle::read),
    ARCH("arch", "Arch", "smoothly up to the edge and back, several times", Reach.TO_CEILING, Arch::over, Arch::read),
    PULSE_LADDER(
            "pulse-ladder",
            "Pulse ladder",
            "a notch faster each time, and a click that counts more notes",
            Reach.TO_CEILING,
            PulseLadder::over,
            PulseLadder::read),
    SETTLE_OVERNIGHT(
            "settle-overnight",
            "Settle overnight",
            "a few times just under the ceiling; tomorrow it is tested",
            Reach.TO_CEILING,
            SettleOvernight::under,
            SettleOvernight::read),
    /** These go above the ceiling, as interval bursts do. */
    SWITCH_BURSTS(
            "switch-bursts",
            "Switch bursts",
            "one click: slow notes, a beat at full speed, and back",
            Reach.ABOVE,
            SwitchBursts::over,
            SwitchBursts::read),
    FREE_BURSTS(
            "free-bursts",
            "Free bursts",
            "no click: easy, as fast as is clean, easy until loose",
            Reach.ABOVE,
            FreeBursts::over,
            FreeBursts::read),
    GROWING_BURSTS(
            "growing-bursts",
            "Growing bursts",
            "two notes at speed, then three, then four; the link that fails is named",
            Reach.ABOVE,
            GrowingBursts::over,
            GrowingBursts::read),
    CHANGE_COUNT(
            "change-count",
            "Change count",
            "one change for a minute, clean ones counted",
            Reach.TO_CEILING,
            ChangeCount::at,
            ChangeCount::read),
    TEMPO_SWEEP(
            "tempo-sweep",
            "Tempo sweep",
            "the same at eight tempos in no order, to see where it works",
            Reach.TO_CEILING,
            TempoSweep::over,
            TempoSweep::read),
    REFERENCE_COMPARISON(
            "reference-comparison",
            "Reference comparison",
            "the sure way, then the new way, at the same tempo",
            Reach.TO_CEILING,
            ReferenceComparison::over,
            ReferenceComparison::read),
    PERFORMANCE_RUN(
            "performance-run",
            "Performance run",
            "once through without stopping; slips pass, breakdowns become work",
            Reach.TO_CEILING,
            PerformanceRun::at,
            PerformanceRun::read),
    /** Nothing is played at all. */
    STUDY_CARD(
            "study-card",
            "Study card",
            "away from the instrument: read, hear, imagine",
            Reach.EASY,
            StudyCard::usual,
            StudyCard::read),
    /** What keeps a piece that has reached its target; takes the place of bursts there. */
    UPKEEP(
            "upkeep",
            "Upkeep",
            "once through at the target, easy passes between",
            Reach.TO_CEILING,
            Upkeep::at,
            Upkeep::read),
    /** Whole passes that measure: a test of its own, and the probes of every other workout. */
    CEILING_TEST(
            "ceiling-test",
            "Ceiling test",
            "up to 14 whole passes, each at the tempo that says most",
            Reach.TO_CEILING,
            Probes::test,
            Probes::read);

    /** How far a method goes. */
    private enum Reach {
        /** Nowhere near the ceiling. */
        EASY,
        TO_CEILING,
        ABOVE
    }

    private final String word;
    private final String title;
    private final String hint;
    private final Reach reach;
    private final Function<Span, Method> core;
    private final Function<Settings, Method> reading;

    School(
            String word,
            String title,
            String hint,
            Reach reach,
            Function<Span, Method> core,
            Function<Settings, Method> reading) {
        this.word = word;
        this.title = title;
        this.hint = hint;
        this.reach = reach;
        this.core = core;
        this.reading = reading;
    }

    /** The word under which its methods are kept; it never changes. */
    public String word() {
        return word;
    }

    /** What a player calls it. */
    public String title() {
        return title;
    }

    /** What it is, in a few words. */
    public String hint() {
        return hint;
    }

    /** Whether it plays near the ceiling or above it, so that what is played should be decided first. */
    public boolean isFast() {
        return reach != Reach.EASY;
    }

    /** Whether it is for going above the ceiling, so that what is safe has to be known. */
    public boolean goesAbove() {
        return reach == Reach.ABOVE;
    }

    /** Its method between ease and the ceiling. */
    public Method core(Span span) {
        return core.apply(span);
    }

    /**
     * A method by the word it was kept under, with its settings.
     *
     * @throws IllegalArgumentException if there is none of that word, or a setting is missing or out of range
     */
    public static Method read(String word, Settings settings) {
        return of(word).reading.apply(settings);
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

package tachylim.method;

import java.util.Arrays;
import java.util.function.Function;
import tachylim.codec.Codec;

/**
 * The methods there are, one line each: what a player calls it, how it moves and when to use it, whether it is fast, how it makes the core of a workout,
 * and how its settings are written and read. Nothing else knows them all.
 */
public enum School {
    /** Slow passes alternating with bursts above the ceiling; how high, the planner decides with what a day allows. */
    INTERVAL_BURSTS(
            "interval-bursts",
            "Interval bursts",
            "slow passes, short bursts above the ceiling",
            "for a section that is even but slow: a little speed at a time, never long enough to tense up",
            Reach.ABOVE,
            SteadyClimb::toCeiling,
            IntervalBursts.CODEC),
    /** Small earned steps up to the ceiling; what takes the place of bursts, too, where there can be none. */
    STEADY_CLIMB(
            "steady-climb",
            "Steady climb",
            "small earned steps up to the ceiling",
            "for a section that is new, or when a sure way to the ceiling is wanted; when it stands still for a week, take another",
            Reach.TO_CEILING,
            SteadyClimb::toCeiling,
            SteadyClimb.CODEC),
    /** A climb in the smallest steps, across an awkward band where there is one. */
    NARROW_STEPS(
            "narrow-steps",
            "Narrow steps",
            "steps of 1%, across an awkward band where there is one",
            "for a tempo at which it goes wrong though faster and slower go well",
            Reach.TO_CEILING,
            SteadyClimb::across,
            SteadyClimb.CODEC),
    /** Nothing but easy passes: the least that keeps the hands in shape on a bad day. */
    EASY(
            "easy-passes",
            "Easy day",
            "nothing but loose playing, far below the comfortable tempo",
            "for a bad day, a sore hand, or the day before a performance",
            Reach.EASY,
            EasyPasses::under,
            EasyPasses.CODEC),
    /** A step back, two steps up. */
    SETBACK_LADDER(
            "setback-ladder",
            "Setback ladder",
            "a step back, then two up, around a base that climbs",
            "for a tempo that is there one day and gone the next: coming back to it from below makes it stay",
            Reach.TO_CEILING,
            SetbackLadder::over,
            SetbackLadder.CODEC),
    TAPER(
            "taper",
            "Taper",
            "many slow repetitions, thinning out to a few fast ones",
            "for winds and whoever learns by many slow repetitions: most of the time is slow, only the end is fast",
            Reach.TO_CEILING,
            Taper::over,
            Taper.CODEC),
    CREST_AND_SETTLE(
            "crest-and-settle",
            "Crest and settle",
            "4% under what is just playable until it is easy, then up by 1%",
            "for a ceiling that was just reached and is not comfortable yet",
            Reach.TO_CEILING,
            CrestAndSettle::at,
            CrestAndSettle.CODEC),
    ARCH(
            "arch",
            "Arch",
            "smoothly up to the edge and back, several times",
            "for strokes and patterns that repeat: the edge is found while playing, without stopping",
            Reach.TO_CEILING,
            Arch::over,
            Arch.CODEC),
    PULSE_LADDER(
            "pulse-ladder",
            "Pulse ladder",
            "a notch faster each time, and a click that counts more notes",
            "for bows and small drills: the notes get faster while the click stays calm",
            Reach.TO_CEILING,
            PulseLadder::over,
            PulseLadder.CODEC),
    SETTLE_OVERNIGHT(
            "settle-overnight",
            "Settle overnight",
            "a few times just under the ceiling; tomorrow it is tested",
            "for a section that is nearly there: little today, and sleep does the rest",
            Reach.TO_CEILING,
            SettleOvernight::under,
            SettleOvernight.CODEC),
    /** These go above the ceiling, as interval bursts do. */
    SWITCH_BURSTS(
            "switch-bursts",
            "Switch bursts",
            "one click: slow notes, a beat at full speed, and back",
            "for patterns on one click: the change between slow and fast is the exercise",
            Reach.ABOVE,
            SwitchBursts::over,
            SwitchBursts.CODEC),
    FREE_BURSTS(
            "free-bursts",
            "Free bursts",
            "no click: easy, as fast as is clean, easy until loose",
            "for a motion rather than a section: how fast is the hand when nobody counts?",
            Reach.ABOVE,
            FreeBursts::over,
            FreeBursts.CODEC),
    GROWING_BURSTS(
            "growing-bursts",
            "Growing bursts",
            "two notes at speed, then three, then four; the transition that fails is named",
            "for a place that breaks: it grows outward from the transition that fails",
            Reach.ABOVE,
            GrowingBursts::over,
            GrowingBursts.CODEC),
    CHANGE_COUNT(
            "change-count",
            "Change count",
            "one change for a minute, clean ones counted",
            "for one change between two chords, positions or strokes; short, and several times a day",
            Reach.TO_CEILING,
            ChangeCount::at,
            ChangeCount.CODEC),
    TEMPO_SWEEP(
            "tempo-sweep",
            "Tempo sweep",
            "the same at eight tempos in no order, to see where it works",
            "for finding where it works and where it does not; no tempo is an enemy",
            Reach.TO_CEILING,
            TempoSweep::over,
            TempoSweep.CODEC),
    REFERENCE_COMPARISON(
            "reference-comparison",
            "Reference comparison",
            "the sure way, then the new way, at the same tempo",
            "for a new sticking, tonguing or bowing that is to sound like the sure one",
            Reach.TO_CEILING,
            ReferenceComparison::over,
            ReferenceComparison.CODEC),
    PERFORMANCE_RUN(
            "performance-run",
            "Performance run",
            "once through without stopping; slips pass, breakdowns become work",
            "for a section that is ready: from cold, once, as it will be",
            Reach.TO_CEILING,
            PerformanceRun::at,
            PerformanceRun.CODEC),
    /** Nothing is played at all. */
    STUDY_CARD(
            "study-card",
            "Study card",
            "away from the instrument: read, hear, imagine",
            "for tired hands, trains and waiting rooms: the score without the instrument",
            Reach.EASY,
            StudyCard::usual,
            StudyCard.CODEC),
    /** A warm-up as the player has put it down; it makes no core. */
    WARM_UP_ROUTINE(
            "warm-up-routine",
            "Your warm-up",
            "your own lines, one after another",
            "for whoever warms up by a book of their own, put down in Settings",
            Reach.BEFORE,
            WarmUpRoutine::under,
            WarmUpRoutine.CODEC),
    /** What keeps a section that has reached its target; takes the place of bursts there. */
    UPKEEP(
            "upkeep",
            "Upkeep",
            "once through at the target, easy passes between",
            "for a section that has reached its target and is to stay there",
            Reach.TO_CEILING,
            Upkeep::at,
            Upkeep.CODEC),
    /** Whole passes that measure: a test of its own, and the probes of every other workout. */
    CEILING_TEST(
            "ceiling-test",
            "Ceiling test",
            "up to 14 whole passes, each at the tempo that says most",
            "for a ceiling that is old or vague; a rested hand says most",
            Reach.TO_CEILING,
            Probes::test,
            Probes.CODEC);

    /** How far a method goes. */
    private enum Reach {
        /** It comes before the practice. */
        BEFORE,
        /** Nowhere near the ceiling. */
        EASY,
        TO_CEILING,
        ABOVE
    }

    /** A method stands in a document as its settings, with the word of its school. */
    public static final Codec<Method> METHOD =
            Codec.family("method", method -> method.school().word, word -> of(word).codec);

    /** A school stands in a document as its word. */
    public static final Codec<School> CODEC = Codec.TEXT.as(School::of, School::word);

    private final String word;
    private final String title;
    private final String hint;
    private final String use;
    private final Reach reach;
    private final Function<Span, Method> core;
    private final Codec<? extends Method> codec;

    School(
            String word,
            String title,
            String hint,
            String use,
            Reach reach,
            Function<Span, Method> core,
            Codec<? extends Method> codec) {
        this.word = word;
        this.title = title;
        this.hint = hint;
        this.use = use;
        this.reach = reach;
        this.core = core;
        this.codec = codec;
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

    /** When to use it: what it is for, in a few words. */
    public String use() {
        return use;
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

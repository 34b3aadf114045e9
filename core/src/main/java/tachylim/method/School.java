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
            true,
            SteadyClimb::toCeiling,
            IntervalBursts::read),
    /** Small earned steps up to the ceiling; what takes the place of bursts, too, where there can be none. */
    STEADY_CLIMB(
            "steady-climb",
            "Steady climb",
            "small earned steps up to the ceiling",
            true,
            SteadyClimb::toCeiling,
            SteadyClimb::read),
    /** A climb in the smallest steps, across an awkward band where there is one. */
    NARROW_STEPS(
            "narrow-steps",
            "Narrow steps",
            "steps of 1%, across an awkward band where there is one",
            true,
            SteadyClimb::across,
            SteadyClimb::read),
    /** Nothing but easy passes: the least that keeps the hands in shape on a bad day. */
    EASY(
            "easy-passes",
            "Easy day",
            "nothing but loose playing, far below ease",
            false,
            EasyPasses::under,
            EasyPasses::read),
    /** What keeps a piece that has reached its target; takes the place of bursts there. */
    UPKEEP("upkeep", "Upkeep", "once through at the target, easy passes between", true, Upkeep::at, Upkeep::read),
    /** Whole passes that measure: a test of its own, and the probes of every other workout. */
    CEILING_TEST(
            "ceiling-test",
            "Ceiling test",
            "up to 14 whole passes, each at the tempo that says most",
            true,
            Probes::test,
            Probes::read);

    private final String word;
    private final String title;
    private final String hint;
    private final boolean fast;
    private final Function<Span, Method> core;
    private final Function<Settings, Method> reading;

    School(
            String word,
            String title,
            String hint,
            boolean fast,
            Function<Span, Method> core,
            Function<Settings, Method> reading) {
        this.word = word;
        this.title = title;
        this.hint = hint;
        this.fast = fast;
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
        return fast;
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

package tachylim.workout;

import tachylim.load.Caution;
import tachylim.method.IntervalBursts;
import tachylim.method.School;
import tachylim.method.SteadyClimb;
import tachylim.method.Strictness;
import tachylim.passage.InstrumentFamily;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * What the player may choose about a workout. This class is immutable.
 *
 * @param school the method of its core
 * @param bursts bursts at most, 1 to {@value #MOST_BURSTS}; how many there are follows their dose and the time there is
 * @param burstBeats beats of a burst, 1 to {@value #LONGEST_BURST}
 * @param controlledShare slow passes between bursts as a share of the ceiling, {@value #LEAST_CONTROLLED} to
 *     {@value #MOST_CONTROLLED}
 * @param firstBurstShare the first burst as a share of the ceiling, {@value #LEAST_FIRST} to {@value #MOST_FIRST}
 * @param cleanInARow clean passes that earn a step of a climb, 1 to {@value #MOST_CLEAN_IN_A_ROW}
 * @param caution the recovery wanted before a burst
 * @param focus what to attend to, one thing, up to {@value #LONGEST_FOCUS} characters
 * @param strictness how strict its methods are with slips and tension
 * @param restsAsPlayed whether every pass is followed by a rest as long as itself, as lips want it
 */
public record Choices(
        School school,
        int bursts,
        int burstBeats,
        double controlledShare,
        double firstBurstShare,
        int cleanInARow,
        Caution caution,
        String focus,
        Strictness strictness,
        boolean restsAsPlayed) {

    public static final int MOST_BURSTS = 30;
    public static final int LONGEST_BURST = 2;
    public static final double LEAST_CONTROLLED = 0.55;
    public static final double MOST_CONTROLLED = 0.70;
    public static final double LEAST_FIRST = 1.01;
    public static final double MOST_FIRST = 1.10;
    public static final int MOST_CLEAN_IN_A_ROW = 6;
    public static final int LONGEST_FOCUS = 60;

    /**
     * @throws IllegalArgumentException if a choice is outside its range
     */
    public Choices {
        check(
                bursts >= 1 && bursts <= MOST_BURSTS,
                Reason.of("refusal.choices.bursts", "most", MOST_BURSTS, "bursts", bursts));
        check(
                burstBeats >= 1 && burstBeats <= LONGEST_BURST,
                Reason.of("refusal.choices.burstBeats", "most", LONGEST_BURST, "beats", burstBeats));
        check(
                controlledShare >= LEAST_CONTROLLED && controlledShare <= MOST_CONTROLLED,
                share("refusal.choices.controlled", LEAST_CONTROLLED, MOST_CONTROLLED, controlledShare));
        check(
                firstBurstShare >= LEAST_FIRST && firstBurstShare <= MOST_FIRST,
                share("refusal.choices.firstBurst", LEAST_FIRST, MOST_FIRST, firstBurstShare));
        check(
                cleanInARow >= 1 && cleanInARow <= MOST_CLEAN_IN_A_ROW,
                Reason.of("refusal.choices.cleanInARow", "most", MOST_CLEAN_IN_A_ROW, "passes", cleanInARow));
        check(focus.length() <= LONGEST_FOCUS, Reason.of("refusal.choices.focus", "most", LONGEST_FOCUS));
    }

    /** Choices of a player who is as strict as usual. */
    public Choices(
            School school,
            int bursts,
            int burstBeats,
            double controlledShare,
            double firstBurstShare,
            int cleanInARow,
            Caution caution,
            String focus) {
        this(
                school,
                bursts,
                burstBeats,
                controlledShare,
                firstBurstShare,
                cleanInARow,
                caution,
                focus,
                Strictness.USUAL,
                false);
    }

    private static void check(boolean holds, Reason otherwise) {
        if (!holds) {
            throw Refusal.of(otherwise);
        }
    }

    private static Reason share(String code, double least, double most, double share) {
        return Reason.of(code, "least", percent(least), "most", percent(most), "share", percent(share));
    }

    private static long percent(double share) {
        return Math.round(share * 100);
    }

    /** The same by another method. */
    public Choices by(School other) {
        return new Choices(
                other,
                bursts,
                burstBeats,
                controlledShare,
                firstBurstShare,
                cleanInARow,
                caution,
                focus,
                strictness,
                restsAsPlayed);
    }

    /** The same, as strict as this. */
    public Choices with(Strictness other) {
        return new Choices(
                school,
                bursts,
                burstBeats,
                controlledShare,
                firstBurstShare,
                cleanInARow,
                caution,
                focus,
                other,
                restsAsPlayed);
    }

    /** The same, with a rest as long as every pass, or without. */
    public Choices resting(boolean asPlayed) {
        return new Choices(
                school,
                bursts,
                burstBeats,
                controlledShare,
                firstBurstShare,
                cleanInARow,
                caution,
                focus,
                strictness,
                asPlayed);
    }

    /** What is chosen when nothing is. */
    public static Choices usual() {
        return usual(School.INTERVAL_BURSTS);
    }

    /** What is chosen when nothing but the method is. */
    public static Choices usual(School school) {
        return new Choices(
                school,
                MOST_BURSTS,
                2,
                IntervalBursts.USUAL_CONTROLLED,
                IntervalBursts.USUAL_FIRST,
                SteadyClimb.USUAL_CLEAN_IN_A_ROW,
                Caution.USUAL,
                "");
    }

    /**
     * What is chosen on instruments of a family when nothing but the method is: a starting point, to be changed. Tongue and
     * lips tire before fingers do, and earn more by many slow repetitions; a bow needs its stroke's length at any speed.
     */
    public static Choices usual(School school, InstrumentFamily family) {
        Choices usual = usual(school);
        return switch (family) {
            case WIND -> usual.with(1, 0.60, 4);
            case BRASS -> usual.with(1, 0.58, 4).resting(true);
            case BOWED -> usual.with(2, 0.65, 3);
            case PLUCKED, MALLET -> usual.with(2, 0.62, 3);
            case KEYBOARD, FREE_REED, OTHER -> usual;
        };
    }

    private Choices with(int beats, double slow, int inARow) {
        return new Choices(
                school, bursts, beats, slow, firstBurstShare, inARow, caution, focus, strictness, restsAsPlayed);
    }
}

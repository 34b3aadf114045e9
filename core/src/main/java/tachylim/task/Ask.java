package tachylim.task;

import tachylim.words.Refusal;

/**
 * What is asked when something was played, beside its tension. This class is immutable.
 *
 * @param kind what
 * @param of of how many, where something is counted: the passes of a set, the count that is wanted, the least seconds of easy
 *     playing; 1 otherwise
 */
public record Ask(Kind kind, int of) {

    /** What can be asked. */
    public enum Kind {
        /** How it went. */
        VERDICT,
        /** Nothing, unless the player has something to say: silence is unjudged. */
        NOTHING,
        /** How many of a set of passes alike were clean. */
        SET,
        /** How many clean ones there were in a window of time. */
        COUNT,
        /** The tempo at which the hand reached its edge. */
        EDGE,
        /** How many small slips and how many breakdowns there were. */
        SLIPS,
        /** Whether it could be told from its reference. */
        MATCH,
        /** How many seconds it held before it got messy. */
        HELD,
        /** After how many seconds of easy playing it was loose again; silence when it took all of them. */
        LOOSE
    }

    /** The most that can be counted. */
    public static final int MOST = 600;

    public static final Ask VERDICT = new Ask(Kind.VERDICT, 1);
    public static final Ask NOTHING = new Ask(Kind.NOTHING, 1);
    public static final Ask EDGE = new Ask(Kind.EDGE, 1);
    public static final Ask SLIPS = new Ask(Kind.SLIPS, 1);
    public static final Ask MATCH = new Ask(Kind.MATCH, 1);
    public static final Ask HELD = new Ask(Kind.HELD, 1);

    /**
     * @throws IllegalArgumentException if it counts to less than one or more than {@value #MOST}
     */
    public Ask {
        if (of < 1 || of > MOST) {
            throw Refusal.of("refusal.ask.thereAre1ToToBeCountedNot", "most", MOST, "of", of);
        }
    }

    /** How many of {@code passes} alike were clean; of a single one, how it went. */
    public static Ask set(int passes) {
        return passes == 1 ? VERDICT : new Ask(Kind.SET, passes);
    }

    /** How many clean ones there were, where {@code wanted} are. */
    public static Ask count(int wanted) {
        return new Ask(Kind.COUNT, wanted);
    }

    /** After how many seconds it was loose, {@code least} of them at the least. */
    public static Ask loose(int least) {
        return new Ask(Kind.LOOSE, least);
    }

    /** The passes that are answered at once. */
    public int passes() {
        return kind == Kind.SET ? of : 1;
    }

    /** What a plan counts on: all clean, and nothing said of tension. */
    public Answer expected() {
        return kind == Kind.SET || kind == Kind.COUNT ? new Answer(Verdict.CLEAN, null, of) : Answer.expected();
    }

    /**
     * Refuses an answer to something else.
     *
     * @throws IllegalArgumentException if a figure is missing, or more of a set were clean than it has
     */
    public void check(Answer answer) {
        boolean counts = kind == Kind.SET || kind == Kind.COUNT;
        if (counts && !answer.tells()) {
            throw Refusal.of("refusal.ask.sayHowManyWereClean");
        }
        if (kind == Kind.LOOSE && answer.told() >= 0 && answer.told() < of) {
            throw Refusal.of("refusal.ask.looseAfter", "least", of, "told", Math.round(answer.told()));
        }
        if (kind == Kind.SET && answer.told() > of) {
            throw Refusal.of("refusal.ask.ofPassesNotCanBeClean", "of", of, "told", Math.round(answer.told()));
        }
    }

    /** The seconds of {@code all} that were played, where an answer says how many; all of them otherwise. */
    public double secondsOf(double all, Answer answer) {
        boolean told = (kind == Kind.HELD || kind == Kind.LOOSE) && answer.told() > 0;
        return told ? Math.min(all, answer.told()) : all;
    }

    /** How many of a count that is wanted make it a rough one; fewer broke it. */
    private static final double ROUGH_SHARE = 0.8;

    /**
     * The answer in full: where something is counted the figure says how it went, and where only that is said, the figure is
     * what it means at the least. All clean is all of them, rough half of them, broken none.
     *
     * @param verdict how it went; null where a figure says it
     * @param tension how tense it was; null where nothing was said of that
     * @param told the figure, or {@link Answer#NOTHING_TOLD}
     * @throws IllegalArgumentException if more of a set were clean than it has
     */
    public Answer answer(Verdict verdict, Tension tension, double told) {
        if (kind == Kind.SET) {
            return Answer.ofSet((int) (told < 0 ? meant(verdict) : told), of, tension);
        }
        if (kind == Kind.COUNT) {
            double count = told < 0 ? meant(verdict) : told;
            Verdict reached = count >= of ? Verdict.CLEAN : count >= ROUGH_SHARE * of ? Verdict.ROUGH : Verdict.BROKE;
            return new Answer(reached, tension, count);
        }
        return new Answer(verdict, tension, told);
    }

    private double meant(Verdict verdict) {
        return switch (verdict) {
            case CLEAN -> of;
            case ROUGH -> kind == Kind.SET ? (of + 1) / 2 : Math.ceil(ROUGH_SHARE * of);
            case BROKE -> 0;
        };
    }
}

package tachylim.passage;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import tachylim.words.Reason;

/** What makes a passage ready, in the order in which it is usually reached. */
public enum Readiness {
    FINGERING_DECIDED(true),
    ARTICULATION_DECIDED(true),
    BREATHS_FIXED(true),
    COUNTED(true),
    SLOW_AND_CLEAN(true),
    IN_PAIRS(false),
    WHOLE(false),
    FROM_MEMORY(false),
    FROM_COLD(false),
    IN_CONTEXT(false),
    WITH_DISTRACTION(false),
    PERFORMANCE_RUN(false);

    /** A pass this far under the comfortable tempo counts as slow. */
    private static final double SLOW = 0.9;

    /** With less than this share of its notes left, a passage is another one to prepare. */
    private static final double STILL_PREPARED = 0.75;

    /** What should be reached before a passage is made fast. */
    public static final List<Readiness> PREPARATIONS =
            Arrays.stream(values()).filter(Readiness::isPreparation).toList();

    private final boolean preparation;

    Readiness(boolean preparation) {
        this.preparation = preparation;
    }

    /** As the list says it. */
    public Reason title() {
        return Reason.of("readiness." + name());
    }

    /** Whether it should be reached before a passage is made fast. */
    public boolean isPreparation() {
        return preparation;
    }

    /**
     * What to say before a passage is made fast while its preparation is open; empty when nothing is.
     *
     * @param open what has not been reached
     */
    public static Reason warning(Collection<Readiness> open) {
        List<Reason> missing = open.stream()
                .filter(Readiness::isPreparation)
                .sorted()
                .map(item -> Reason.of("quoted", "words", item.title()))
                .toList();
        return missing.isEmpty() ? Reason.NONE : Reason.of("readiness.open", "missing", missing);
    }

    /**
     * Whether a pass that broke takes this away again.
     *
     * @param tempoOverComfortable its tempo over the comfortable tempo
     * @param wholePassage whether it was a pass of the whole passage
     */
    public boolean isLostByABreak(double tempoOverComfortable, boolean wholePassage) {
        return switch (this) {
            case SLOW_AND_CLEAN -> tempoOverComfortable <= SLOW;
            case WHOLE -> wholePassage && tempoOverComfortable <= 1;
            default -> false;
        };
    }

    /**
     * Whether changed notes take everything away that was reached.
     *
     * @param stayed the share of the notes that stayed, 0 to 1
     */
    public static boolean isLostByNewNotes(double stayed) {
        return stayed < STILL_PREPARED;
    }

    /** Whether a decided mark of {@code kind} that is changed takes this away again. */
    public boolean isLostByChanging(Mark.Kind kind) {
        return switch (this) {
            case FINGERING_DECIDED -> kind != Mark.Kind.BREATH;
            case BREATHS_FIXED -> kind == Mark.Kind.BREATH;
            default -> false;
        };
    }
}

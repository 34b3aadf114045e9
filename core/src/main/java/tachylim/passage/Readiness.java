package tachylim.passage;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;

/** What makes a passage ready, in the order in which it is usually reached. */
public enum Readiness {
    FINGERING_DECIDED("Fingering, sticking or bowing decided", true),
    ARTICULATION_DECIDED("Articulation decided, as wanted at speed", true),
    BREATHS_FIXED("Breaths or phrase ends fixed", true),
    COUNTED("Counted or sung in time", true),
    SLOW_AND_CLEAN("Slow and clean", true),
    IN_PAIRS("In pairs of sections", false),
    WHOLE("Whole", false),
    FROM_MEMORY("From memory", false),
    FROM_COLD("From cold", false),
    IN_CONTEXT("In context", false),
    WITH_DISTRACTION("With a distraction", false),
    PERFORMANCE_RUN("Performance run", false);

    /** A pass this far under the comfortable tempo counts as slow. */
    private static final double SLOW = 0.9;

    /** With less than this share of its notes left, a passage is another one to prepare. */
    private static final double STILL_PREPARED = 0.75;

    /** What should be reached before a passage is made fast. */
    public static final List<Readiness> PREPARATIONS =
            Arrays.stream(values()).filter(Readiness::isPreparation).toList();

    private final String sentence;
    private final boolean preparation;

    Readiness(String sentence, boolean preparation) {
        this.sentence = sentence;
        this.preparation = preparation;
    }

    /** As the list says it. */
    public String sentence() {
        return sentence;
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
    public static String warning(Collection<Readiness> open) {
        List<String> missing = open.stream()
                .filter(Readiness::isPreparation)
                .sorted()
                .map(item -> item.sentence.substring(0, 1).toLowerCase(Locale.ROOT) + item.sentence.substring(1))
                .toList();
        return missing.isEmpty()
                ? ""
                : "Still open before speed: " + String.join("; ", missing)
                        + ". What is made fast before it is decided has to be learned again when it changes.";
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

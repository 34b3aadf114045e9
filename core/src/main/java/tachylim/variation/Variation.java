package tachylim.variation;

import tachylim.passage.Passage;
import tachylim.words.Reason;

/** A way to alter a passage so that it stays interesting when slow and some of its transitions become quick. */
public sealed interface Variation
        permits CellVariation, Regroup, Subdivide, Figure, Backwards, OneNote, Drone, Loop, Grow {

    /** The kinds of alteration, in the order a sheet shows them. */
    enum Family {
        LONG_SHORT,
        TWO_AND_TWO,
        HOLD,
        OWN,
        REGROUP,
        SUBDIVIDE,
        FIGURE,
        BACKWARDS,
        RHYTHM,
        LOOP,
        GROW
    }

    /** Which kind it is. */
    Family family();

    /** Its name in transitions and records: stable, of letters, figures, {@code -} and {@code .}. */
    String key();

    /** Its name on the sheet. */
    Reason title();

    /**
     * What {@code passage} becomes.
     *
     * @throws IllegalArgumentException if it would be too long to be a passage
     */
    Rendering of(Passage passage);
}

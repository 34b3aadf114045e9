package tachylim.take;

import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * What was measured of a take. This class is immutable.
 *
 * @param verdict what it suggests
 * @param why in one word what speaks for that
 * @param where the note at which it shows, from 0; empty where it shows nowhere in particular
 * @param onsets where each note that was played began, in order
 * @param transitions the transitions that were measured, in order
 * @param missing the notes that were not heard
 * @param wrong the notes that sounded otherwise than asked
 * @param tempoRatio the tempo that was played over the one that was asked
 * @param evenness how much the intervals differ, as a share of them, without the measure's own error; empty where too few were
 *     measured
 * @param late how much later than it was sent the click was heard, in seconds; empty where it was not heard
 */
public record Measured(
        Suggested verdict,
        Why why,
        OptionalInt where,
        List<Onset> onsets,
        List<Transition> transitions,
        List<Integer> missing,
        List<Integer> wrong,
        double tempoRatio,
        OptionalDouble evenness,
        OptionalDouble late) {

    /** The verdicts that may be suggested. */
    public enum Suggested {
        CLEAN,
        ROUGH,
        BROKE,
        CANNOT_TELL
    }

    /** What speaks for a verdict. */
    public enum Why {
        EVEN(0.96),
        SLIPPED(0.85),
        UNEVEN(0.6),
        RUSHED(0.85),
        DRAGGED(0.85),
        MISSING(0.94),
        AGAIN(0.98),
        WRONG(0.95),
        STOPPED(0.7),
        WENT_BACK(0.97),
        LEFT_OFF(0.98),
        MANY_SLIPS(0.65),
        TOO_QUIET(0),
        NOT_THIS(0),
        TOO_COARSE(0);

        private final double sure;

        Why(double sure) {
            this.sure = sure;
        }
    }

    /**
     * From a note to the next.
     *
     * @param to the note it leads to, from 1
     * @param off the interval that was played less the one that was asked, at the tempo that was played, in seconds
     * @param sigma how far off that may be, in seconds
     * @param interval the interval that was asked at that tempo, in seconds
     * @param slipped whether it slipped
     */
    public record Transition(int to, double off, double sigma, double interval, boolean slipped) {}

    public Measured {
        onsets = List.copyOf(onsets);
        transitions = List.copyOf(transitions);
        missing = List.copyOf(missing);
        wrong = List.copyOf(wrong);
    }

    /**
     * How often a verdict that is suggested for this reason is right, 0 to 1: counted in 650 rendered takes whose truth is known
     * (docs/takes.md), not of this player, instrument or room. Keys tell when they were struck: then it is 1. It is 0 where no
     * verdict is suggested.
     */
    public double sure() {
        boolean exact = onsets.stream().allMatch(one -> one.sigma() <= Keys.SIGMA);
        return verdict == Suggested.CANNOT_TELL ? 0 : exact ? 1 : why.sure;
    }

    /** The same with its times on a clock that began earlier. */
    Measured later(double from) {
        List<Onset> moved = onsets.stream()
                .map(one -> new Onset(
                        one.note(), one.seconds() + from, one.sigma(), one.loudness(), one.again(), one.stopped()))
                .toList();
        return new Measured(verdict, why, where, moved, transitions, missing, wrong, tempoRatio, evenness, late);
    }
}

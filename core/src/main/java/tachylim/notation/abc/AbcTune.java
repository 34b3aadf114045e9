package tachylim.notation.abc;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.score.Line;
import tachylim.passage.Passage;
import tachylim.words.Reason;

/**
 * What was read from a tune in ABC. This class is immutable.
 *
 * @param line its notes
 * @param warnings what was odd but accepted, such as bars that do not add up; at
 *     most {@value #MOST_WARNINGS}
 * @param leftOut what it holds that a passage has no place for, counted
 */
public record AbcTune(Line line, List<Reason> warnings, List<Reason> leftOut) {

    static final int MOST_WARNINGS = 12;

    public AbcTune {
        warnings = List.copyOf(warnings);
        leftOut = List.copyOf(leftOut);
    }

    /**
     * All of it as a passage.
     *
     * @param beatUnit the beat as a fraction of a whole note; null for the meter's usual beat
     * @throws IllegalArgumentException if it is too long for a passage
     */
    public Passage passage(Fraction beatUnit) {
        return line.passage(beatUnit);
    }

    /** All of it as a passage in the meter's usual beat. */
    public Passage passage() {
        return passage(null);
    }
}

package tachylim.variation;

import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A passage in one of its variations. This class is immutable.
 *
 * @param music what is played
 * @param source for each of its notes the note of the passage it stands for, from 0; −1 for none
 * @param trained the transitions of the passage whose gap is a quick one here, from 0
 * @param matchingShare the tempo at which the quick notes match the passage at its target, over the target
 * @param remark what was left over or left out, a sentence; empty when nothing was
 */
public record Rendering(
        Passage music, List<Integer> source, Set<Integer> trained, Fraction matchingShare, Reason remark) {

    private static final int PASSES = 4;

    public Rendering {
        source = List.copyOf(source);
        trained = Set.copyOf(trained);
    }

    /** The tempo at which its quick notes are as fast as the plain passage at {@code target}. */
    public Tempo matching(Tempo target) {
        return target.times(matchingShare.doubleValue());
    }

    /** What it takes to practise it at {@code tempo}: {@value #PASSES} passes, with a bar counted before each. */
    public double minutes(Tempo tempo) {
        double beats = music.length().doubleValue() + music.barBeats().doubleValue();
        return PASSES * tempo.secondsFor(beats) / 60;
    }

    /** Notes a second in its quickest places at {@code tempo}. */
    public double rate(Tempo tempo) {
        return tempo.rate(music.quickestNotesPerBeat());
    }
}

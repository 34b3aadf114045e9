package tachylim.variation;

import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.words.Reason;

/**
 * Every value broken into repetitions of the smallest one, with an accent where each note was written.
 *
 * <p>What is left of a note that the smallest value does not divide is held on its last repetition. This
 * class is immutable.
 */
public record Subdivide() implements Variation {

    @Override
    public Family family() {
        return Family.SUBDIVIDE;
    }

    @Override
    public String key() {
        return VariationKind.SUBDIVIDE.key();
    }

    @Override
    public Reason title() {
        return Reason.of("variation.smallest");
    }

    @Override
    public Rendering of(Passage passage) {
        Fraction smallest = passage.smallestGap();
        Weaver weaver = Weaver.inPlace(passage);
        boolean uneven = false;
        for (int note = 0; note < passage.notes().size(); note++) {
            Fraction span = passage.span(note);
            int times = Math.max(1, (int) Math.floor(span.divide(smallest).doubleValue() + 1e-9));
            Fraction left = span.subtract(smallest.multiply(times));
            uneven |= !left.equals(Fraction.ZERO);
            for (int i = 0; i < times; i++) {
                boolean closing = i == times - 1;
                weaver.play(note, closing ? smallest.add(left) : smallest, i == 0);
            }
            if (note < passage.notes().size() - 1 && times > 1) {
                weaver.train(note);
            }
        }
        return weaver.renderingWithItsBars(Fraction.ONE, uneven ? Reason.of("variation.smallest.remark") : Reason.NONE);
    }
}

package tachylim.variation;

import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.words.Reason;

/** The notes from the last to the first, in the written rhythm. This class is immutable. */
public record Backwards() implements Variation {

    @Override
    public Family family() {
        return Family.BACKWARDS;
    }

    @Override
    public String key() {
        return VariationKind.BACKWARDS.key();
    }

    @Override
    public Reason title() {
        return Reason.of("variation.backwards");
    }

    @Override
    public Rendering of(Passage passage) {
        Weaver weaver = Weaver.inPlace(passage);
        int last = passage.notes().size() - 1;
        for (int note = 0; note <= last; note++) {
            weaver.play(last - note, passage.span(note), false);
        }
        return weaver.renderingWithItsBars(Fraction.ONE, Reason.NONE);
    }
}

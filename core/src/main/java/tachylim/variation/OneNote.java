package tachylim.variation;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

/** The rhythm alone, all on the first note. This class is immutable. */
public record OneNote() implements Variation {

    @Override
    public Family family() {
        return Family.RHYTHM;
    }

    @Override
    public String key() {
        return VariationKind.ONE_NOTE.key();
    }

    @Override
    public Reason title() {
        return Reason.of("variation.oneNote");
    }

    @Override
    public Rendering of(Passage passage) {
        List<Pitch> pitches = passage.notes().get(0).pitches();
        Weaver weaver = Weaver.inPlace(passage);
        for (int note = 0; note < passage.notes().size(); note++) {
            weaver.play(note, pitches, passage.span(note), false);
        }
        return weaver.renderingWithItsBars(Fraction.ONE, Reason.of("variation.oneNote.remark"));
    }
}

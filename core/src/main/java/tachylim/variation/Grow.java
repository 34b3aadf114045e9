package tachylim.variation;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.words.Reason;

/**
 * The passage built up by addition: a first try of its outermost pair, and every further try takes in what lies next to it,
 * until all is played. Each try fills whole bars, so that the next one starts on a beat that can be felt coming.
 *
 * <p>From {@value #BY_ONE} notes on a try takes in four at once, since a single one more is no longer felt. This class is
 * immutable.
 *
 * @param fromEnd whether notes are added in front, so that every try ends where the passage ends
 */
public record Grow(boolean fromEnd) implements Variation {

    private static final int BY_ONE = 16;

    @Override
    public Family family() {
        return Family.GROW;
    }

    @Override
    public String key() {
        return (fromEnd ? VariationKind.GROW_END : VariationKind.GROW).key();
    }

    @Override
    public Reason title() {
        return fromEnd ? Reason.of("variation.growEnd") : Reason.of("variation.grow");
    }

    @Override
    public Rendering of(Passage passage) {
        int all = passage.notes().size();
        Weaver weaver = Weaver.anew(passage);
        for (int size : sizes(all)) {
            int first = fromEnd ? all - size : 0;
            for (int note = first; note < first + size; note++) {
                weaver.play(note, passage.span(note), false);
                if (note < first + size - 1) {
                    weaver.train(note);
                }
            }
            weaver.restToBar();
        }
        return weaver.rendering(Fraction.ONE, Reason.NONE);
    }

    private static List<Integer> sizes(int all) {
        List<Integer> sizes = new ArrayList<>();
        for (int size = Math.min(2, all); size < all; size += size < BY_ONE ? 1 : 4) {
            sizes.add(size);
        }
        sizes.add(all);
        return sizes;
    }
}

package tachylim.variation;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * Some beats over and over, then the next ones. The last stretch may be shorter. This class is immutable.
 *
 * @param beats how many beats go round, 1 to 8
 */
public record Loop(int beats) implements Variation {

    private static final int ROUNDS = 4;
    private static final int MOST_BEATS = 8;

    /**
     * @throws IllegalArgumentException if the beats are not 1 to 8
     */
    public Loop {
        if (beats < 1 || beats > MOST_BEATS) {
            throw Refusal.of("refusal.loop.1To8BeatsGoRoundNot", "beats", beats);
        }
    }

    @Override
    public Family family() {
        return Family.LOOP;
    }

    @Override
    public String key() {
        return VariationKind.LOOP.key(beats);
    }

    @Override
    public Reason title() {
        return Reason.of("variation.loop", "beats", beats);
    }

    @Override
    public Rendering of(Passage passage) {
        Weaver weaver = Weaver.anew(passage);
        Fraction from = passage.notes().get(0).onset();
        int note = 0;
        while (note < passage.notes().size()) {
            Fraction to = from.add(beats);
            List<Integer> window = new ArrayList<>();
            while (note < passage.notes().size()
                    && passage.notes().get(note).onset().compareTo(to) < 0) {
                window.add(note++);
            }
            for (int round = 0; round < ROUNDS && !window.isEmpty(); round++) {
                for (int played : window) {
                    weaver.play(played, within(passage, played, to), played == window.get(0));
                }
            }
            from = to;
        }
        return weaver.rendering(Fraction.ONE, Reason.NONE);
    }

    /** A note that reaches beyond the stretch is cut at its end, so that it goes round in time. */
    private static Fraction within(Passage passage, int note, Fraction end) {
        Fraction room = end.subtract(passage.notes().get(note).onset());
        Fraction span = passage.span(note);
        return note < passage.notes().size() - 1 && span.compareTo(room) > 0 ? room : span;
    }
}

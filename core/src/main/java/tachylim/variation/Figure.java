package tachylim.variation;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * The rhythmic figure of the passage begun on another of its notes, or read backwards, under the same notes.
 *
 * <p>This class is immutable.
 *
 * @param start the note of the figure to start on, 1 up to its length less one; 0 for the rhythm of the whole
 *     passage read backwards
 */
public record Figure(int start) implements Variation {

    private static final int LONGEST = 12;

    @Override
    public Family family() {
        return Family.FIGURE;
    }

    @Override
    public String key() {
        return start == 0 ? VariationKind.MIRROR.key() : VariationKind.FIGURE.key(start);
    }

    @Override
    public Reason title() {
        return start == 0 ? Reason.of("variation.mirrored") : Reason.of("variation.begunOn", "note", start + 1);
    }

    /** The gaps of the figure that the passage repeats; empty where it repeats none, or all are alike. */
    static List<Fraction> figureOf(Passage passage) {
        List<Fraction> gaps = gaps(passage);
        for (int period = 2; period <= Math.min(LONGEST, gaps.size() / 2); period++) {
            int length = period;
            if (IntStream.range(period, gaps.size()).allMatch(i -> gaps.get(i).equals(gaps.get(i - length)))) {
                List<Fraction> figure = gaps.subList(0, period);
                return figure.stream().distinct().count() == 1 ? List.of() : List.copyOf(figure);
            }
        }
        return List.of();
    }

    private static List<Fraction> gaps(Passage passage) {
        return IntStream.range(0, passage.notes().size() - 1)
                .mapToObj(passage::gap)
                .toList();
    }

    @Override
    public Rendering of(Passage passage) {
        List<Fraction> gaps = new ArrayList<>(gaps(passage));
        if (start == 0) {
            Collections.reverse(gaps);
        } else {
            List<Fraction> figure = figureOf(passage);
            if (start >= figure.size()) {
                throw Refusal.of("refusal.figure.thePassageRepeatsNoFigure", "start", start);
            }
            gaps = IntStream.range(0, gaps.size())
                    .mapToObj(i -> figure.get((i + start) % figure.size()))
                    .toList();
        }
        Weaver weaver = Weaver.inPlace(passage);
        Fraction quick = passage.smallestGap();
        for (int note = 0; note < gaps.size(); note++) {
            weaver.play(note, gaps.get(note), false);
            if (gaps.get(note).equals(quick)) {
                weaver.train(note);
            }
        }
        weaver.play(gaps.size(), passage.span(gaps.size()), false);
        return weaver.renderingWithItsBars(Fraction.ONE, Reason.NONE);
    }
}

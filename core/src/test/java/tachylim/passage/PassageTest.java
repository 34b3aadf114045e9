package tachylim.passage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class PassageTest {

    private static final Fraction QUARTER = Fraction.of(1, 4);

    private static Passage paper(int bars, Integer... perBeat) {
        return new PaperPattern(new Meter(4, 4), QUARTER, bars, List.of(perBeat)).toPassage();
    }

    @Test
    void twoBarsOfFoursHaveThirtyTwoNotesAndALandingNote() {
        Passage passage = paper(2, 4);
        assertThat(passage.notes()).hasSize(33);
        assertThat(passage.bars()).isEqualTo(3);
        assertThat(passage.notes().get(32).onset()).isEqualTo(Fraction.of(8));
    }

    @Test
    void mixedBeatsKeepExactOnsets() {
        Passage passage = paper(1, 4, 3, 5, 0);
        List<Fraction> onsets = passage.notes().stream().map(Note::onset).toList();
        assertThat(onsets).contains(Fraction.of(4, 3), Fraction.of(5, 3), Fraction.of(11, 5));
        assertThat(onsets).last().isEqualTo(Fraction.of(4));
        assertThat(passage.quickestNotesPerBeat()).isEqualTo(5);
    }

    @Test
    void sectionsAtBarsOverlapByOneNote() {
        assertThat(Cut.atBars(paper(3, 4), 1))
                .containsExactly(new Section(0, 16), new Section(16, 32), new Section(32, 48));
    }

    @Test
    void sectionsByTwoBeatsOverlapByOneNote() {
        assertThat(Cut.byBeats(paper(1, 3), 2)).containsExactly(new Section(0, 6), new Section(6, 12));
    }

    @Property
    void everyNoteBelongsToAPieceAndNeighboursShareOne(
            @ForAll @IntRange(min = 1, max = 12) int bars,
            @ForAll @Size(min = 1, max = 5) List<@IntRange(min = 0, max = 7) Integer> perBeat,
            @ForAll @IntRange(min = 1, max = 5) int beats) {
        if (perBeat.stream().allMatch(n -> n == 0)) {
            return;
        }
        Passage passage = new PaperPattern(new Meter(4, 4), QUARTER, bars, perBeat).toPassage();
        for (List<Section> cut : List.of(Cut.byBeats(passage, beats), Cut.atBars(passage, beats), Cut.whole(passage))) {
            assertThat(cut.get(0).firstNote()).isZero();
            assertThat(cut.get(cut.size() - 1).lastNote())
                    .isEqualTo(passage.notes().size() - 1);
            for (int i = 1; i < cut.size(); i++) {
                assertThat(cut.get(i).firstNote()).isEqualTo(cut.get(i - 1).lastNote());
                assertThat(cut.get(i).size()).isGreaterThan(1);
            }
            assertThat(cut.stream()
                            .flatMap(section -> IntStream.rangeClosed(section.firstNote(), section.lastNote())
                                    .boxed())
                            .collect(Collectors.toSet()))
                    .hasSize(passage.notes().size());
        }
    }

    @Test
    void anExcerptStartsOnTheBeatOfItsFirstNote() {
        Passage passage = paper(2, 4);
        Passage excerpt = passage.excerpt(new Section(18, 24));
        assertThat(excerpt.notes().get(0).onset()).isEqualTo(Fraction.of(1, 2));
        assertThat(excerpt.length()).isEqualTo(Fraction.of(9, 4));
        assertThat(excerpt.barLines()).isEmpty();
    }

    @Test
    void anExcerptKeepsTheBarLineItCrosses() {
        Passage excerpt = paper(2, 4).excerpt(new Section(12, 20));
        assertThat(excerpt.barLines()).containsExactly(Fraction.ONE);
        assertThat(excerpt.pickup()).isEqualTo(Fraction.ONE);
    }

    @Test
    void whatCannotBeCountedIsRefused() {
        assertThatThrownBy(() -> paper(0, 4)).hasMessageContaining("bars");
        assertThatThrownBy(() -> paper(65, 4)).hasMessageContaining("65");
        assertThatThrownBy(() -> paper(1, 13)).hasMessageContaining("13");
        assertThatThrownBy(() -> paper(1, 0)).hasMessageContaining("refusal.paperPattern.aPassageNeedsAtLeastOne");
        assertThatThrownBy(() -> new PaperPattern(new Meter(5, 8), QUARTER, 1, List.of(4)))
                .hasMessageContaining("5/8");
    }

    @Test
    void compoundMetersAreCountedInDottedBeats() {
        assertThat(new Meter(6, 8).usualBeat()).isEqualTo(Fraction.of(3, 8));
        assertThat(new Meter(3, 8).usualBeat()).isEqualTo(Fraction.of(1, 8));
        assertThat(new Meter(3, 4).usualBeat()).isEqualTo(QUARTER);
    }
}

package tachylim.variation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;

/** Which transitions a variation trains: those whose gap is a quick one, found by playing it out. */
class TrainingTest {

    private static Passage even(int notesPerBeat, int bars) {
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, List.of(notesPerBeat)).toPassage();
    }

    /** How many notes are in whole cells; the landing note has a length of its own. */
    private static int inCells(Passage passage, Cell cell) {
        return (passage.notes().size() - 1) / cell.size() * cell.size();
    }

    @Provide
    Arbitrary<Cell> cells() {
        return Arbitraries.integers()
                .between(1, 5)
                .list()
                .ofMinSize(2)
                .ofMaxSize(7)
                .filter(weights -> weights.stream().distinct().count() > 1)
                .map(Cell::new);
    }

    @Property(tries = 300)
    void theQuickTransitionsOfACellAreThoseWithItsSmallestGap(@ForAll("cells") Cell cell) {
        Passage passage = even(4, 3);
        for (boolean stretched : new boolean[] {false, true}) {
            Rendering rendering = new CellVariation(Variation.Family.OWN, cell, stretched).of(passage);
            int whole = inCells(passage, cell);
            Fraction quick = IntStream.range(0, cell.size())
                    .mapToObj(note -> rendering.music().span(note))
                    .min(Fraction::compareTo)
                    .orElseThrow();
            Set<Integer> played = IntStream.range(0, whole)
                    .filter(transition -> rendering.music().gap(transition).equals(quick))
                    .boxed()
                    .collect(Collectors.toSet());
            assertThat(rendering.trained())
                    .as(cell + (stretched ? " stretched" : ""))
                    .isEqualTo(played);
        }
    }

    @Property(tries = 200)
    void theTurnsOfACellTrainEveryTransitionBetweenThem(@ForAll("cells") Cell cell) {
        Passage passage = even(4, 3);
        int whole = inCells(passage, cell);
        Set<Integer> trained = new HashSet<>();
        for (Cell turned : cell.rotations()) {
            trained.addAll(new CellVariation(Variation.Family.OWN, turned, false)
                    .of(passage)
                    .trained());
        }
        assertThat(trained).containsAll(IntStream.range(0, whole - 1).boxed().toList());
    }

    @Property(tries = 200)
    void inTheSameBeatACellTakesAsLongAsItsPlainNotesAndStretchedLonger(@ForAll("cells") Cell cell) {
        Passage passage = even(4, 3);
        int notes = cell.size();
        Passage same =
                new CellVariation(Variation.Family.OWN, cell, false).of(passage).music();
        assertThat(same.notes().get(notes).onset())
                .isEqualTo(passage.notes().get(notes).onset());
        Passage stretched =
                new CellVariation(Variation.Family.OWN, cell, true).of(passage).music();
        Fraction longer = Fraction.of(cell.sum(), cell.smallest() * notes);
        assertThat(stretched.notes().get(notes).onset())
                .isEqualTo(passage.notes().get(notes).onset().multiply(longer));
    }

    @ParameterizedTest
    @CsvSource({
        "3, same.2-1, 1 3 5 7",
        "3, same.1-2, 0 2 4 6",
        "5, same.2-1-1-1-1, 1 2 3 4 6",
        "3, same.2-1-1, 1 2 4 5",
        "4, same.2-2-1-1, 2 3 6 7"
    })
    void threesFivesAndFoursAreTrainedWhereTheirCellsAreQuick(int group, String key, String first) {
        Rendering rendering = Catalogue.parse(key).of(even(group, 2));
        List<Integer> expected =
                List.of(first.split(" ")).stream().map(Integer::valueOf).toList();
        assertThat(rendering.trained().stream().sorted().limit(expected.size()).toList())
                .isEqualTo(expected);
    }

    @Test
    void aCellStartsAnewWhereTheValueChanges() {
        Passage mixed = AbcReader.read("M:4/4\nL:1/8\nK:C\nCDEF G/A/B/c/ d2 |").passage();
        Rendering rendering = Catalogue.parse("same.1-2").of(mixed);
        assertThat(rendering.trained())
                .as("at the first of each pair, in eighths and in sixteenths")
                .contains(0, 2, 4, 6);
        assertThat(rendering.music().notes().get(4).onset()).isEqualTo(Fraction.of(2));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "same",
                "same.",
                "same.0-1",
                "same.2-1-x",
                "loop.x",
                "loop.999",
                "group.1",
                "stop.99",
                "figure.0x",
                "grow.3-",
                "nothing"
            })
    void aKeyThatNamesNoVariationIsRefused(String key) {
        Passage passage = even(4, 2);
        assertThatThrownBy(() -> Catalogue.parse(key).of(passage)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void everyVariationHasANameOfItsOwn() {
        for (int group = 2; group <= 8; group++) {
            Set<Variation> variations = Catalogue.of(even(group, 2)).keySet();
            assertThat(variations)
                    .extracting(Variation::title)
                    .as(group + " to the beat")
                    .doesNotHaveDuplicates();
            assertThat(variations).extracting(Variation::key).doesNotHaveDuplicates();
        }
    }
}

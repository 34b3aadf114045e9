package tachylim.variation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Articulation;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class VariationTest {

    private static Passage paper(int bars, Integer... notesPerBeat) {
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, List.of(notesPerBeat)).toPassage();
    }

    private static Passage abc(String text) {
        return AbcReader.read(text).passage();
    }

    @Provide
    Arbitrary<Passage> passages() {
        Arbitrary<List<Integer>> beats = Arbitraries.integers()
                .between(0, 7)
                .list()
                .ofMinSize(1)
                .ofMaxSize(6)
                .filter(list -> list.stream().anyMatch(notes -> notes > 0));
        return Combinators.combine(beats, Arbitraries.integers().between(1, 3))
                .as((list, bars) -> new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, list).toPassage());
    }

    @ParameterizedTest
    @CsvSource({
        "132, 2-1, 88",
        "132, 3-1, 66",
        "132, 2-2-1-1, 88",
        "132, 1-2-2-1, 88",
        "132, 3-1-1-1, 88",
        "108, 2-1-1, 81",
        "150, 2-1-1-1-1, 125",
        "126, 5-1-1-1-1-1, 75.6"
    })
    void theMatchingTempoIsAsWorkedByHand(double target, String cell, double matching) {
        assertThat(Cell.parse(cell).matchingShare().doubleValue() * target).isCloseTo(matching, within(1e-9));
    }

    @Property(tries = 300)
    void atTheMatchingTempoTheQuickGapsAreThoseOfThePassageAtItsTarget(@ForAll("passages") Passage passage) {
        Tempo target = Tempo.of(120);
        Catalogue.of(passage).forEach((variation, rendering) -> {
            if (!(variation instanceof CellVariation)) {
                return;
            }
            double beat = rendering.matching(target).secondsFor(1);
            for (int transition : rendering.trained()) {
                double quick = rendering.music().gap(transition).doubleValue() * beat;
                double plain = target.secondsFor(passage.gap(transition).doubleValue());
                assertThat(quick)
                        .as("%s, transition %d", variation.key(), transition)
                        .isCloseTo(plain, within(1e-9));
            }
        });
    }

    @Property(tries = 200)
    void noVariationLosesANoteUnlessItSaysSo(@ForAll("passages") Passage passage) {
        Set<Integer> all = IntStream.range(0, passage.notes().size()).boxed().collect(Collectors.toSet());
        Catalogue.of(passage).forEach((variation, rendering) -> {
            assertThat(new HashSet<>(rendering.source())).as(variation.key()).isEqualTo(all);
            assertThat(rendering.source()).hasSameSizeAs(rendering.music().notes());
        });
    }

    @Property(tries = 200)
    void aVariationIsWrittenAndReadAsTheSameNotes(@ForAll("passages") Passage passage) {
        Catalogue.of(passage).forEach((variation, rendering) -> {
            String written = AbcWriter.write(rendering.music());
            assertThat(AbcReader.read(written).passage(passage.beatUnit()).notes())
                    .as(variation.key() + "\n" + written)
                    .isEqualTo(rendering.music().notes());
        });
    }

    @Property(tries = 200)
    void everyVariationIsFoundAgainByItsKey(@ForAll("passages") Passage passage) {
        for (Variation variation : Catalogue.of(passage).keySet()) {
            assertThat(Catalogue.parse(variation.key())).isEqualTo(variation);
        }
    }

    @Test
    void inTheSameBeatTheCellFillsTheTimeOfItsPlainNotes() {
        Passage plain = paper(1, 4);
        Rendering rendering = new CellVariation(Variation.Family.LONG_SHORT, Cell.of(3, 1), false).of(plain);
        assertThat(gaps(rendering.music()).subList(0, 4))
                .containsExactly(Fraction.of(3, 8), Fraction.of(1, 8), Fraction.of(3, 8), Fraction.of(1, 8));
        assertThat(rendering.music().length()).isEqualTo(plain.length());
        assertThat(rendering.trained()).contains(1, 3, 5).doesNotContain(0, 2);
    }

    @Test
    void stretchedTheQuickNotesKeepTheirValueAndTheBarsGrow() {
        Rendering rendering = new CellVariation(Variation.Family.LONG_SHORT, Cell.of(3, 1), true).of(paper(2, 4));
        assertThat(gaps(rendering.music()).subList(0, 2)).containsExactly(Fraction.of(3, 4), Fraction.of(1, 4));
        assertThat(rendering.matchingShare()).isEqualTo(Fraction.ONE);
        assertThat(rendering.music().meter()).isEqualTo(new Meter(8, 4));
        assertThat(rendering.music().barLines().get(0)).isEqualTo(Fraction.of(8));
    }

    @Test
    void aStretchedCellOfADottedValueIsTheBeatOfACompoundMeter() {
        Passage music = new CellVariation(Variation.Family.HOLD, Cell.of(1, 3, 1, 1), true)
                .of(abc("M:4/4\nL:1/16\nK:C\nCDEF GABc CDEF GABc"))
                .music();
        assertThat(music.meter()).isEqualTo(new Meter(12, 8));
        assertThat(AbcWriter.write(music)).contains(" C/2D3/2E/2F/2 G/2A3/2B/2c/2 ");
    }

    @Test
    void beamsShowTheBeatWhereCellsOfThreeLieAcrossGroupsOfFour() {
        Passage music = new CellVariation(Variation.Family.HOLD, Cell.of(2, 1, 1), false)
                .of(abc("M:3/4\nL:1/16\nK:C\nCDEFGABcdefg"))
                .music();
        assertThat(AbcWriter.write(music)).contains(" C3/4D3/8E3/8F3/4 G3/8A3/8B3/4c3/8 d3/8e3/4f3/8g3/8");
    }

    @Test
    void whatMakesNoWholeCellStaysAsWrittenAndIsSaid() {
        Rendering rendering = new CellVariation(Variation.Family.HOLD, Cell.of(2, 1, 1), false)
                .of(abc("M:2/4\nL:1/16\nK:C\nCDEFGABc"));
        assertThat(gaps(rendering.music()).subList(6, 7)).containsExactly(Fraction.of(1, 4));
        assertThat(rendering.remark()).isEqualTo(Reason.of("variation.cell.remark", "notes", 2));
    }

    @Test
    void mixedValuesKeepTheirOwnCells() {
        Rendering rendering = new CellVariation(Variation.Family.LONG_SHORT, Cell.of(2, 1), false)
                .of(abc("M:4/4\nL:1/8\nK:C\nCDEF G/A/B/c/d2"));
        assertThat(gaps(rendering.music()))
                .startsWith(Fraction.of(2, 3), Fraction.of(1, 3))
                .endsWith(Fraction.of(1, 6));
    }

    @ParameterizedTest
    @CsvSource({"3", "4", "5", "6", "7"})
    void groupsCarryAnAccentEach(int size) {
        Rendering rendering = new Regroup(size, false).of(paper(2, 4));
        for (int i = 0; i < rendering.music().notes().size(); i++) {
            boolean accent = rendering
                    .music()
                    .notes()
                    .get(i)
                    .inflection()
                    .articulations()
                    .contains(Articulation.ACCENT);
            assertThat(accent).isEqualTo(i % size == 0);
        }
    }

    @Test
    void aStoppingGroupEndsOnTheFirstNoteOfTheNextAndStartsAgainFromIt() {
        Rendering rendering = new Regroup(3, true).of(abc("M:2/4\nL:1/16\nK:C\nCDEFGABc"));
        assertThat(rendering.source()).containsExactly(0, 1, 2, 3, 3, 4, 5, 6, 6, 7);
        List<Fraction> onsets =
                rendering.music().notes().stream().map(Note::onset).toList();
        assertThat(onsets.get(4).getDenominator()).as("starts on a beat").isEqualTo(1);
        assertThat(rendering.music().notes().get(3).duration()).isGreaterThanOrEqualTo(Fraction.ONE);
        assertThat(rendering.remark()).isEqualTo(Reason.of("variation.groups.remark", "notes", 1));
    }

    @Test
    void subdividingRepeatsEachNoteInTheSmallestValue() {
        Rendering rendering = new Subdivide().of(abc("M:2/4\nL:1/16\nK:C\nC2DE F3G"));
        assertThat(rendering.source()).containsExactly(0, 0, 1, 2, 3, 3, 3, 4);
        assertThat(accents(rendering)).containsExactly(0, 2, 3, 4, 7);
    }

    @Test
    void aFigureIsBegunOnEachOfItsNotesAndMirrored() {
        Passage figure = abc("M:2/4\nL:1/16\nK:C\nC2DE F2GA | B2cd e2fg");
        assertThat(Figure.figureOf(figure)).containsExactly(Fraction.of(1, 2), Fraction.of(1, 4), Fraction.of(1, 4));
        assertThat(gaps(new Figure(1).of(figure).music()))
                .startsWith(Fraction.of(1, 4), Fraction.of(1, 4), Fraction.of(1, 2));
        assertThat(gaps(new Figure(0).of(figure).music()))
                .startsWith(Fraction.of(1, 4), Fraction.of(1, 2), Fraction.of(1, 4));
        assertThat(Figure.figureOf(paper(1, 4))).isEmpty();
        assertThatThrownBy(() -> new Figure(5).of(figure)).hasMessageContaining("5");
    }

    @Test
    void loopsGoRoundFourTimesAndGrowingAddsANote() {
        Passage four = abc("M:2/4\nL:1/8\nK:C\nCDEF");
        assertThat(new Loop(1).of(four).source()).containsExactly(0, 1, 0, 1, 0, 1, 0, 1, 2, 3, 2, 3, 2, 3, 2, 3);
        assertThat(new Grow(false).of(four).source()).containsExactly(0, 1, 0, 1, 2, 0, 1, 2, 3);
        assertThat(new Grow(true).of(four).source()).containsExactly(2, 3, 1, 2, 3, 0, 1, 2, 3);
        assertThat(new Grow(false).of(four).music().notes().get(2).onset())
                .as("on a bar of its own")
                .isEqualTo(Fraction.of(2));
    }

    @Test
    void theRhythmIsPlayedOnOneNoteOrOnAScaleWithAFixedNoteBetween() {
        Passage tune = abc("M:2/4\nL:1/8\nK:F\nFGAB | c2A2");
        assertThat(new OneNote().of(tune).music().notes())
                .allMatch(note -> note.pitches().equals(tune.notes().get(0).pitches()));
        assertThat(AbcWriter.write(new Drone(false).of(tune).music())).contains("FF, GF, |  A2 F,2");
        assertThat(AbcWriter.write(new Drone(true).of(tune).music())).contains("Ff Gf");
        assertThat(new Backwards().of(tune).source()).containsExactly(5, 4, 3, 2, 1, 0);
    }

    @Test
    void aTappedCellIsReadInSmallNumbers() {
        assertThat(Cell.tapped(List.of(0.0, 0.41, 0.60, 0.80))).hasToString("2-1-1");
        assertThat(Cell.tapped(List.of(0.0, 0.6, 0.81))).hasToString("3-1");
        assertThat(Cell.tapped(List.of(0.0, 0.30, 0.505))).hasToString("3-2");
        assertThatThrownBy(() -> Cell.tapped(List.of(0.0, 0.3)))
                .hasMessageContaining("refusal.cell.tap3ToTimesOnceForEachNote");
        assertThatThrownBy(() -> Cell.tapped(List.of(0.0, 0.3, 0.6)))
                .hasMessageContaining("refusal.cell.allNotesOfThisCellAreAlike");
    }

    @ParameterizedTest
    @CsvSource({"''", "2", "1-1", "0-1", "2-x", "13-1", "2-1-1-1-1-1-1-1-1-1-1-1-1", "-1"})
    void aCellNobodyCanPlayIsRefused(String text) {
        assertThatThrownBy(() -> Cell.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aCellHasItsRotationsOnceEach() {
        assertThat(Cell.of(2, 2, 1, 1).rotations())
                .extracting(Cell::toString)
                .containsExactly("2-2-1-1", "2-1-1-2", "1-1-2-2", "1-2-2-1");
        assertThat(Cell.of(2, 1, 2, 1).rotations()).hasSize(2);
        assertThat(Cell.of(4, 2)).isEqualTo(Cell.of(2, 1));
    }

    @Test
    void theCatalogueOffersWhatChangesSomething() {
        Map<Variation, Rendering> fours = Catalogue.of(paper(4, 4));
        assertThat(fours.keySet())
                .extracting(Variation::key)
                .contains(
                        "same.2-1",
                        "stretched.1-3",
                        "same.1-2-2-1",
                        "same.3-1-1-1",
                        "same.2-1-1",
                        "group.3",
                        "stop.7",
                        "loop.4",
                        "grow-end")
                .doesNotContain("subdivide", "mirror", "figure.1", "drone-low");
        assertThat(Catalogue.of(paper(2, 5)).keySet())
                .extracting(Variation::key)
                .contains("same.1-1-2-1-1", "stretched.2-1-1-1-1");
        assertThat(Catalogue.of(paper(1, 6)).keySet())
                .extracting(Variation::key)
                .contains("same.5-1-1-1-1-1");
        assertThat(Catalogue.of(paper(1, 1)).keySet()).isNotEmpty();
    }

    private static List<Fraction> gaps(Passage music) {
        return IntStream.range(0, music.notes().size() - 1).mapToObj(music::gap).toList();
    }

    private static List<Integer> accents(Rendering rendering) {
        List<Integer> accents = new ArrayList<>();
        for (int i = 0; i < rendering.music().notes().size(); i++) {
            if (rendering.music().notes().get(i).inflection().articulations().contains(Articulation.ACCENT)) {
                accents.add(i);
            }
        }
        return accents;
    }
}

package tachylim.passage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.notation.abc.AbcReader;

class NoteMapTest {

    private static final String EIGHT = "M:4/4\nL:1/8\nK:C\nCDEF GABc|";

    private static Passage abc(String text) {
        return AbcReader.read(text).passage();
    }

    private static NoteMap map(String before, String after) {
        return NoteMap.between(abc(before), abc(after));
    }

    @Test
    void notesKeepTheirPlaceAroundWhatIsPutBetween() {
        NoteMap map = map(EIGHT, "M:5/4\nL:1/8\nK:C\nCDEF ee GABc|");
        assertThat(map.note(3)).contains(3);
        assertThat(map.note(4)).contains(6);
        assertThat(map.transition(3)).isEmpty();
        assertThat(map.transition(4)).contains(6);
        assertThat(map.gone()).isZero();
        assertThat(map.unchanged(new Section(0, 3))).contains(new Section(0, 3));
        assertThat(map.unchanged(new Section(2, 5))).isEmpty();
        assertThat(map.isSame()).isFalse();
    }

    @Test
    void aNoteThatIsGoneIsGone() {
        NoteMap map = map(EIGHT, "M:4/4\nL:1/8\nK:C\nCDE GABcd|");
        assertThat(map.note(3)).isEmpty();
        assertThat(map.gone()).isEqualTo(1);
        assertThat(map.fromNoteOn(3)).isEqualTo(3);
        assertThat(map.share(new Section(0, 7), new Section(0, 7))).isEqualTo(7 / 8.0);
    }

    @Test
    void aShorterBeatCountsHigherForTheSameSpeed() {
        Passage quarters = abc(EIGHT);
        Passage eighths = AbcReader.read(EIGHT).passage(Fraction.of(1, 8));
        NoteMap map = NoteMap.between(quarters, eighths);
        assertThat(map.tempoRatio(new Section(0, 7))).isEqualTo(2, within(1e-9));
        assertThat(map.isSame()).isFalse();
    }

    @Test
    void quickerNotesCountLower() {
        assertThat(map(EIGHT, "M:2/4\nL:1/16\nK:C\nCDEF GABc|").tempoRatio(new Section(0, 7)))
                .isEqualTo(0.5, within(1e-9));
    }

    @Test
    void aDottedRhythmCountsByItsQuickestNotesAndAnEvenOneByTheMean() {
        String dotted = "M:4/4\nL:1/8\nK:C\nC>DE>F G>AB>c|";
        assertThat(map(EIGHT, dotted).tempoRatio(new Section(0, 7))).isEqualTo(0.5, within(1e-9));
        assertThat(map(dotted, EIGHT).tempoRatio(new Section(0, 7))).isLessThan(1.2);
    }

    @Test
    void overlapsStayAtTheirNotes() {
        NoteMap map = map(EIGHT, "M:6/4\nL:1/8\nK:C\nccC DEF GABc ee|");
        List<Section> sections = List.of(new Section(0, 4), new Section(4, 7));
        assertThat(Recut.of(sections, map, 12))
                .extracting(Recut::notes)
                .containsExactly(new Section(0, 6), new Section(6, 11));
    }

    @Test
    void aSectionWithoutNotesIsGone() {
        NoteMap map = map(EIGHT, "M:2/4\nL:1/8\nK:C\nCDEF|");
        assertThat(Recut.of(List.of(new Section(0, 3), new Section(3, 7)), map, 4))
                .containsExactly(new Recut(0, new Section(0, 3)));
    }

    @Property(tries = 300)
    void sectionsGoOnCoveringThePassage(
            @ForAll @Size(min = 3, max = 40) List<@IntRange(min = 0, max = 6) Integer> before,
            @ForAll @Size(min = 2, max = 40) List<@IntRange(min = 0, max = 6) Integer> after) {
        Passage then = line(before);
        Passage now = line(after);
        NoteMap map = NoteMap.between(then, now);
        int middle = before.size() / 2;
        List<Section> recut =
                Recut.of(List.of(new Section(0, middle), new Section(middle, before.size() - 1)), map, after.size())
                        .stream()
                        .map(Recut::notes)
                        .toList();
        assertThat(recut.get(0).firstNote()).isZero();
        assertThat(recut.get(recut.size() - 1).lastNote()).isEqualTo(after.size() - 1);
        IntStream.range(1, recut.size())
                .forEach(i -> assertThat(recut.get(i).firstNote())
                        .isEqualTo(recut.get(i - 1).lastNote()));
        List<Integer> places = IntStream.range(0, before.size())
                .mapToObj(map::note)
                .flatMap(Optional::stream)
                .toList();
        assertThat(places).isSorted().doesNotHaveDuplicates();
        assertThat(map.tempoRatio(new Section(0, before.size() - 1))).isPositive();
    }

    private static Passage line(List<Integer> steps) {
        StringBuilder text = new StringBuilder("M:4/4\nL:1/8\nK:C\n");
        steps.forEach(step -> text.append("CDEFGAB".charAt(step)));
        return abc(text.toString());
    }
}

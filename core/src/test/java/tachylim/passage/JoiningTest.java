package tachylim.passage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Joining.Order;
import tachylim.passage.Joining.Stage;

/** Cutting, putting together again, and playing repeats out. */
class JoiningTest {

    private static final List<Section> FIVE =
            List.of(new Section(0, 4), new Section(4, 8), new Section(8, 12), new Section(12, 16), new Section(16, 20));
    private static final List<Integer> DIFFICULTY = List.of(1, 3, 2, 5, 3);

    private static Passage abc(String text) {
        return AbcReader.read(text).passage();
    }

    @Test
    void theOrderIsTheOneChosen() {
        assertThat(Joining.order(FIVE, DIFFICULTY, Order.FIRST_TO_LAST, 0)).containsExactly(0, 1, 2, 3, 4);
        assertThat(Joining.order(FIVE, DIFFICULTY, Order.LAST_TO_FIRST, 0)).containsExactly(4, 3, 2, 1, 0);
        assertThat(Joining.order(FIVE, DIFFICULTY, Order.HARDEST_FIRST, 0)).containsExactly(3, 1, 4, 2, 0);
        assertThat(Joining.order(FIVE, DIFFICULTY, Order.OUTWARD, 9)).containsExactly(2, 1, 3, 0, 4);
    }

    @Test
    void neighboursComeBeforeFoursAndFoursBeforeTheWhole() {
        List<Joining.Join> joins = Joining.joins(FIVE, List.of(0, 1, 2, 3, 4));
        assertThat(joins)
                .extracting(Joining.Join::stage)
                .containsExactly(
                        Stage.NEIGHBOURS,
                        Stage.NEIGHBOURS,
                        Stage.NEIGHBOURS,
                        Stage.NEIGHBOURS,
                        Stage.FOURS,
                        Stage.FOURS,
                        Stage.WHOLE);
        assertThat(joins.get(0).notes()).isEqualTo(new Section(0, 8));
        assertThat(joins.get(5).notes()).isEqualTo(new Section(4, 20));
        assertThat(joins.get(6).notes()).isEqualTo(new Section(0, 20));
    }

    @Test
    void aJoinWaitsForTheLastOfItsSections() {
        List<Joining.Join> joins = Joining.joins(FIVE, List.of(4, 3, 2, 1, 0));
        assertThat(joins.get(0).notes()).isEqualTo(new Section(12, 20));
        assertThat(Joining.joins(FIVE.subList(0, 1), List.of(0))).isEmpty();
        assertThat(Joining.joins(FIVE.subList(0, 2), List.of(0, 1))).hasSize(1);
    }

    @Test
    void aPassageIsCutAtPhrasesRestsAndBreaths() {
        Passage tune = abc("M:4/4\nL:1/8\nK:C\n(CDEF) G2z2 | !breath!ABcd e4 |");
        assertThat(Cut.atPhrases(tune)).containsExactly(new Section(0, 4), new Section(4, 9));
        assertThat(Cut.atRests(tune)).containsExactly(new Section(0, 5), new Section(5, 9));
        assertThat(Cut.atBreaths(tune)).containsExactly(new Section(0, 6), new Section(6, 9));
    }

    @Test
    void aPassageIsCutByHandAtTheNotesChosen() {
        Passage tune = abc("L:1/8\nK:C\nCDEFGABc");
        assertThat(Cut.atNotes(tune, List.of(5, 2, 0, 7)))
                .containsExactly(new Section(0, 2), new Section(2, 5), new Section(5, 7));
        assertThatThrownBy(() -> Cut.atNotes(tune, List.of(8)))
                .hasMessageContaining("refusal.cut.thereIsNoNoteToCutAtThe");
    }

    @Test
    void beatsAreCountedFromTheBarLineAlsoInAPickup() {
        Passage tune = abc("M:3/4\nL:1/8\nK:C\nG | C2DE F2 | G6");
        assertThat(tune.isOnBeat(0)).isFalse();
        assertThat(tune.isOnBeat(1)).isTrue();
        assertThat(tune.isOnBeat(3)).isFalse();
        assertThat(tune.isOnBeat(4)).isTrue();
    }

    @Test
    void repeatsAndEndingsArePlayedOut() {
        Passage written = abc("M:2/4\nL:1/4\nK:C\nCD |: EF |1 GA :|2 Bc | d2 |");
        Passage played = Unrolling.of(written);
        assertThat(letters(played)).isEqualTo("CDEFGAEFBCD");
        assertThat(played.length()).isEqualTo(Fraction.of(12));
        assertThat(played.barLines()).hasSize(5);
        assertThat(played.directions()).isEmpty();
    }

    @Test
    void aRepeatWithoutAStartGoesToTheOneBeforeAndThreeTimesIsThreeTimes() {
        assertThat(letters(Unrolling.of(abc("M:2/4\nL:1/4\nK:C\nCD :| EF :| GA"))))
                .isEqualTo("CDCDEFEFGA");
        assertThat(letters(Unrolling.of(abc("M:2/4\nL:1/4\nK:C\n|: CD |1,2 EF :|3 GA |"))))
                .isEqualTo("CDEFCDEFCDGA");
        assertThat(letters(Unrolling.of(abc("M:2/4\nL:1/4\nK:C\n|: CD ::| EF"))))
                .isEqualTo("CDCDCDEF");
    }

    @Test
    void changesOfMeterAndKeyComeBackInTheRepeat() {
        Passage played = Unrolling.of(abc("M:2/4\nL:1/4\nK:C\n|: CD | [M:3/4][K:G] EFG :| A3"));
        assertThat(played.meter()).isEqualTo(new Meter(2, 4));
        assertThat(played.directions()).hasSize(6);
        assertThat(AbcWriter.write(played)).contains("[M:2/4][K:C]");
    }

    @Test
    void marksAreCheckedAndReplaced() {
        Mark third = new Mark(Mark.Kind.FINGERING, "3");
        Inflection over = Inflection.PLAIN.with(third).with(Mark.BREATH).with(new Mark(Mark.Kind.FINGERING, "4"));
        assertThat(over.mark(Mark.Kind.FINGERING)).contains(new Mark(Mark.Kind.FINGERING, "4"));
        assertThat(over.decisions().marks()).hasSize(1);
        assertThat(over.without(Mark.Kind.BREATH).marks()).hasSize(1);
        assertThatThrownBy(() -> new Mark(Mark.Kind.STROKE, "sideways")).hasMessageContaining("sideways");
    }

    @Test
    void readinessIsLostByWhatContradictsIt() {
        assertThat(Readiness.SLOW_AND_CLEAN.isLostByABreak(0.6, false)).isTrue();
        assertThat(Readiness.SLOW_AND_CLEAN.isLostByABreak(1.1, true)).isFalse();
        assertThat(Readiness.WHOLE.isLostByABreak(0.95, false)).isFalse();
        assertThat(Readiness.WHOLE.isLostByABreak(0.95, true)).isTrue();
        assertThat(Readiness.FINGERING_DECIDED.isLostByChanging(Mark.Kind.STICKING))
                .isTrue();
        assertThat(Readiness.BREATHS_FIXED.isLostByChanging(Mark.Kind.STICKING)).isFalse();
    }

    private static String letters(Passage passage) {
        StringBuilder letters = new StringBuilder();
        passage.notes().forEach(note -> letters.append(note.pitches().get(0).letter()));
        return letters.toString();
    }
}

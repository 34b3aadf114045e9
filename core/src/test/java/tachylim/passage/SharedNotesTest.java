package tachylim.passage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.notation.abc.AbcReader;

class SharedNotesTest {

    private static Passage music(String notes) {
        return AbcReader.read("M:4/4\nL:1/16\nK:C\n" + notes).passage(null);
    }

    private static String shared(String wanted, String other) {
        StringBuilder marks = new StringBuilder();
        for (boolean one : SharedNotes.of(music(wanted), music(other))) {
            marks.append(one ? '+' : '-');
        }
        return marks.toString();
    }

    @Test
    void aCopyInAnotherRhythmIsTheSameNotes() {
        assertThat(shared("CDEFGABc", "C2D2E2F2G2A2B2c2")).isEqualTo("++++++++");
    }

    @Test
    void whatWasAddedInFrontOfThemHidesNothing() {
        assertThat(shared("cCDEFGABcG", "CDEFGABc")).isEqualTo("-++++++++-");
    }

    @Test
    void aFewPitchesInARowOccurAnywhere() {
        assertThat(shared("CDEFGABcdefg", "CDEFGABG")).isEqualTo("------------");
    }

    @Test
    void whatIsShorterThanThatIsComparedWhole() {
        assertThat(shared("GECDEF", "CDE")).isEqualTo("--+++-");
    }

    @Test
    void notesOnPaperHaveNoPitchesAndAreSharedByNone() {
        Passage paper =
                new PaperPattern(new Meter(4, 4), new Meter(4, 4).usualBeat(), 2, List.of(4, 4, 4, 4)).toPassage();
        assertThat(SharedNotes.of(paper, paper)).doesNotContain(true);
    }

    @Test
    void ofOnePassageTheirPlacesTell() {
        assertThat(SharedNotes.of(new Section(2, 5), new Section(4, 9))).containsExactly(false, false, true, true);
        assertThat(SharedNotes.of(new Section(2, 3), new Section(4, 9))).containsOnly(false);
    }
}

package tachylim.notation.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Section;

class AbcWriterTest {

    private static String music(String abc) {
        String written = AbcWriter.write(AbcReader.read(abc).passage());
        return written.substring(written.indexOf('\n', written.indexOf("K:")) + 1)
                .strip()
                .replaceAll(" +", " ");
    }

    @Test
    void beamsStopAtTheBeatOfTheMeterHoweverItIsCountedAndAfterAPickup() {
        Passage counted = AbcReader.read("M:6/8\nL:1/16\nK:C\nCDEFGABc | CDEFGA GFEDCD |]")
                .passage(Fraction.of(1, 8));
        assertThat(AbcWriter.write(counted).replaceAll(" +", " "))
                .contains("C/2D/2 E/2F/2G/2A/2B/2c/2 | C/2D/2E/2F/2G/2A/2 G/2F/2E/2D/2C/2D/2 |]");
    }

    @Test
    void beamsStopAtTheBeat() {
        assertThat(music("L:1/16\nK:C\nCDEFGABc")).isEqualTo("C/2D/2E/2F/2 G/2A/2B/2c/2 |]");
    }

    @Test
    void tripletsAndQuintupletsAreWrittenAsSuch() {
        assertThat(music("L:1/8\nK:C\n(3CDE (5CDEFG")).startsWith("(3:2:3CDE");
    }

    @Test
    void aNoteOverTheBarLineIsTied() {
        assertThat(music("M:2/4\nL:1/4\nK:C\nCD-|DC")).isEqualTo("C2 D2- | D2 C2 |]");
    }

    @Test
    void accidentalsAreWrittenOnceABar() {
        assertThat(music("M:2/4\nL:1/4\nK:F\n^FF|FB")).isEqualTo("^F2 F2 | F2 B2 |]");
    }

    @Test
    void notesOnPaperStandOnOneLine() {
        String abc =
                AbcWriter.write(new PaperPattern(new Meter(2, 4), Fraction.of(1, 4), 1, List.of(4, 3)).toPassage());
        assertThat(abc)
                .contains("stafflines=1")
                .contains("B/2B/2B/2B/2")
                .contains("(3:2:3BBB")
                .contains("|  B2");
    }

    @Test
    void anExcerptIsWrittenWithItsLeadingRest() {
        assertThat(AbcWriter.write(
                        AbcReader.read("L:1/16\nK:C\nCDEFGABc").passage().excerpt(new Section(2, 4))))
                .contains("zE/2F/2 G/2");
    }
}

package tachylim.notation.score;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.notation.Written;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Passage;
import tachylim.variation.Catalogue;
import tachylim.variation.Rendering;

/** How lengths become note heads, dots, ties and tuplets. */
class SpellingTest {

    @Provide
    Arbitrary<Passage> written() {
        return Written.passages();
    }

    /** Glyphs in short: their value, {@code z} for a rest, {@code ~} for a tie to the next, the ratio of a tuplet. */
    private static String spelled(String abc) {
        return Spelling.of(AbcReader.read(abc).passage()).stream()
                .map(bar -> bar.glyphs().stream().map(SpellingTest::inShort).collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    private static String inShort(Glyph glyph) {
        String ratio = glyph.tuplet() == null
                ? ""
                : "(" + glyph.tuplet().notes() + ":" + glyph.tuplet().time() + ")";
        return (glyph.note() == null ? "z" : "") + glyph.written().getNumerator() + "/"
                + glyph.written().getDenominator() + ratio + (glyph.isTiedOn() ? "~" : "");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "M:4/4\\nL:1/16\\nK:C\\nC5 D11; 1/4~ 1/16 1/2~ 3/16",
                "M:4/4\\nL:1/8\\nK:C\\nC7 D; 7/8 1/8",
                "M:4/4\\nL:1/8\\nK:C\\nC3 D3 E2; 3/8 3/8 1/4",
                "M:2/4\\nL:1/4\\nK:C\\nC D- | D2; 1/4 1/4~ | 1/2",
                "M:2/4\\nL:1/8\\nK:C\\nC2 (3DEF; 1/4 1/8(3:2) 1/8(3:2) 1/8(3:2)",
                "M:2/4\\nL:1/8\\nK:C\\nC2 (3:2:2D2E; 1/4 1/4(3:2) 1/8(3:2)",
                "M:2/4\\nL:1/16\\nK:C\\n(5:4:5CDEFG C4; 1/16(5:4) 1/16(5:4) 1/16(5:4) 1/16(5:4) 1/16(5:4) 1/4",
                "M:2/4\\nL:1/8\\nK:C\\nz2 C2; z1/4 1/4",
                "M:2/4\\nL:1/8\\nK:C\\nC (3zDE z; 1/8 z1/8(3:2) 1/8(3:2) 1/8(3:2) z1/8"
            })
    void aLengthIsWrittenInTheFewestSigns(String abc, String spelled) {
        assertThat(spelled(abc.replace("\\n", "\n"))).isEqualTo(spelled);
    }

    @Property(tries = 300)
    void everyBarIsFilledByItsGlyphsAndEveryNoteByItsOwn(@ForAll("written") Passage passage) {
        isWhole(passage);
    }

    @Property(tries = 40)
    void everyVariationIsSpelledWhole(@ForAll("written") Passage passage) {
        Catalogue.of(passage).values().stream().map(Rendering::music).forEach(SpellingTest::isWhole);
    }

    private static void isWhole(Passage passage) {
        List<Spelling.Bar> bars = Spelling.of(passage);
        Fraction at = Fraction.ZERO;
        Fraction[] sounding = new Fraction[passage.notes().size()];
        for (Spelling.Bar bar : bars) {
            assertThat(bar.start()).isEqualTo(at);
            for (Glyph glyph : bar.glyphs()) {
                assertThat(glyph.start()).as("glyphs follow each other").isEqualTo(at);
                at = at.add(glyph.sounding());
                isWritable(glyph);
                if (glyph.note() != null) {
                    Fraction before = sounding[glyph.index()];
                    assertThat(glyph.first()).as("the first of its note").isEqualTo(before == null);
                    sounding[glyph.index()] = before == null ? glyph.sounding() : before.add(glyph.sounding());
                    Fraction whole =
                            passage.notes().get(glyph.index()).duration().multiply(passage.beatUnit());
                    assertThat(glyph.last())
                            .as("the last of its note")
                            .isEqualTo(sounding[glyph.index()].equals(whole));
                }
            }
            assertThat(at).as("the end of the bar").isEqualTo(bar.end());
            tupletsAreComplete(bar.glyphs());
        }
        assertThat(sounding).doesNotContainNull();
    }

    private static void isWritable(Glyph glyph) {
        assertThat(Integer.bitCount(glyph.written().getDenominator()))
                .as(glyph.toString())
                .isEqualTo(1);
        int top = glyph.written().getNumerator();
        assertThat(top >> Integer.numberOfTrailingZeros(top))
                .as("no, one or two dots")
                .isIn(1, 3, 7);
    }

    private static void tupletsAreComplete(List<Glyph> glyphs) {
        int expected = 0;
        for (Glyph glyph : glyphs) {
            if (glyph.tuplet() == null) {
                assertThat(expected).as("a tuplet stops short").isZero();
            } else {
                assertThat(glyph.tuplet().place()).isEqualTo(expected);
                expected = (expected + 1) % glyph.tuplet().size();
            }
        }
        assertThat(expected).as("a tuplet ends with its bar").isZero();
    }
}

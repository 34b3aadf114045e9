package tachylim.notation.entry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.notation.score.Grid;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.tempo.Tempo;

/** Music entered without any syntax: by strokes, and by tapping. */
class EntryTest {

    private static final Meter TWO = new Meter(2, 4);

    private static String abc(int fifths, String strokes) {
        String written = AbcWriter.write(StepEntry.of(List.of(strokes.split(" ")), TWO, new Key(fifths)));
        return written.substring(written.indexOf('\n', written.indexOf("K:")) + 1)
                .strip();
    }

    @ParameterizedTest
    @CsvSource({
        "0, v8 c d e f g, cd ef |  g |]",
        "1, v8 f e d, FE D |]",
        "0, v16 c sharp d natural e flat, ^c/2d/2_e/2 |]",
        "0, v4 c +e +g v8 rest d, [Gce]2 zD |]",
        "0, v4 c dot d v4 e, c2 d2- |  de2 |]",
        "0, v4 c tie d, c4 |  d2 |]",
        "0, v8 triplet c d e triplet v4 f, (3:2:3cde f2 |]",
        "0, v4 b up c down, b2 c2 |]",
        "-3, v4 k63 k66 +k70, E2 [_GB]2 |]"
    })
    void strokesBecomeNotes(int fifths, String strokes, String expected) {
        assertThat(abc(fifths, strokes)).isEqualTo(expected);
    }

    @Test
    void strokesThatCannotBeAreNamed() {
        assertThatThrownBy(() -> abc(0, "c boom")).hasMessageContaining("boom");
        assertThatThrownBy(() -> abc(0, "tie")).hasMessageContaining("refusal.stepEntry.aTieNeedsANoteRightBefore");
        assertThatThrownBy(() -> abc(0, "sharp")).hasMessageContaining("refusal.stepEntry.thereIsNoNoteYetToChange");
        assertThatThrownBy(() -> abc(0, "v4 rest")).hasMessageContaining("refusal.stepEntry.thereIsNoNoteYet");
        assertThatThrownBy(() -> StepEntry.of(new ArrayList<>(Collections.nCopies(9_000, "c")), TWO, Key.NONE))
                .hasMessageContaining("8000");
    }

    @Test
    void tapsAreDrawnToTheGridThatFits() {
        Passage drawn = TappedRhythm.of(
                        List.of(10.0, 10.51, 10.74, 11.02, 11.5), Tempo.of(60), TWO, Key.NONE, null, List.of())
                .music();
        assertThat(drawn.notes())
                .extracting(Note::onset)
                .containsExactly(Fraction.ZERO, Fraction.of(1, 2), Fraction.of(3, 4), Fraction.ONE, Fraction.of(3, 2));
        assertThat(drawn.isPaper()).isTrue();
        assertThat(AbcReader.read(AbcWriter.write(drawn)).passage(drawn.beatUnit()))
                .isEqualTo(drawn);
    }

    @Test
    void tapsGiveTheirRhythmToNotesOfTheSameNumber() {
        List<List<Pitch>> pitches = List.of(List.of(new Pitch('C', 0, 5)), List.of(new Pitch('D', 0, 5)));
        assertThat(TappedRhythm.of(List.of(0.0, 0.9), Tempo.of(66), TWO, Key.NONE, new Grid(1), pitches)
                        .music()
                        .notes())
                .extracting(Note::pitches)
                .isEqualTo(pitches);
        assertThatThrownBy(() -> TappedRhythm.of(List.of(), Tempo.of(66), TWO, Key.NONE, null, List.of()))
                .hasMessageContaining("0");
    }
}

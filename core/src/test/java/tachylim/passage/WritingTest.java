package tachylim.passage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pitches, keys, meters and notes: what written music is made of. */
class WritingTest {

    @ParameterizedTest
    @CsvSource({"C, 0, 4, 60", "A, 0, 4, 69", "B, 1, 3, 60", "C, -1, 5, 71", "F, 2, 4, 67", "C, 0, -1, 0"})
    void aPitchHasItsKeyOnAKeyboard(char letter, int alter, int octave, int midi) {
        assertThat(new Pitch(letter, alter, octave).midi()).isEqualTo(midi);
    }

    @ParameterizedTest
    @CsvSource({"H, 0, 4", "C, 3, 4", "C, -3, 4", "C, 0, 10", "C, 0, -2"})
    void aPitchNobodyWritesIsRefused(char letter, int alter, int octave) {
        assertThatThrownBy(() -> new Pitch(letter, alter, octave)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({"1, F, 1", "1, C, 0", "2, C, 1", "-1, B, -1", "-1, E, 0", "-3, A, -1", "7, B, 1", "-7, F, -1", "0, F, 0"
    })
    void aKeyAltersTheLettersItShould(int fifths, char letter, int alter) {
        assertThat(new Key(fifths).alterOf(letter)).isEqualTo(alter);
    }

    @ParameterizedTest
    @CsvSource({"0, C", "1, G", "-1, F", "-3, Eb", "6, F#", "-6, Gb"})
    void aKeyIsNamedByItsMajor(int fifths, String name) {
        assertThat(new Key(fifths).majorName()).isEqualTo(name);
    }

    @Test
    void eightSharpsAreRefused() {
        assertThatThrownBy(() -> new Key(8)).hasMessageContaining("8");
    }

    @ParameterizedTest
    @CsvSource({"0, 4", "33, 4", "4, 0", "4, 3", "4, 64"})
    void aMeterThatCannotBeWrittenIsRefused(int count, int unit) {
        assertThatThrownBy(() -> new Meter(count, unit)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aBarHasItsLength() {
        assertThat(new Meter(6, 8).bar()).isEqualTo(Fraction.of(3, 4));
        assertThat(new Meter(5, 4)).hasToString("5/4");
    }

    @Test
    void aNoteNeedsAPlaceAndALength() {
        assertThatThrownBy(() -> new Note(Fraction.of(-1), Fraction.ONE, List.of()))
                .hasMessageContaining("-1");
        assertThatThrownBy(() -> new Note(Fraction.ZERO, Fraction.ZERO, List.of()))
                .hasMessageContaining("0");
        assertThat(new Note(Fraction.ONE, Fraction.of(1, 3), List.of())
                        .shifted(Fraction.ONE)
                        .end())
                .isEqualTo(Fraction.of(7, 3));
    }

    @Test
    void aPassageKeepsItsNotesInOrderAndWithinItsLength() {
        Note first = new Note(Fraction.ZERO, Fraction.ONE, List.of());
        assertThatThrownBy(() -> passage(List.of(), 4)).hasMessageContaining("refusal.passage.aPassageNeedsAtLeastOne");
        assertThatThrownBy(() -> passage(List.of(first, first), 4))
                .hasMessageContaining("refusal.passage.noteDoesNotStartAfterNote");
        assertThatThrownBy(() -> passage(List.of(first.shifted(Fraction.of(4))), 4))
                .hasMessageContaining("refusal.passage.theLastNoteSoundsBeyondThe");
        assertThatThrownBy(() -> passage(List.of(first), 2_001))
                .hasMessageContaining("refusal.passage.aPassageLastsUpToBeatsKeep");
    }

    private static Passage passage(List<Note> notes, int beats) {
        return new Passage(new Meter(4, 4), Fraction.of(1, 4), Key.NONE, List.of(), notes, Fraction.of(beats));
    }

    @Test
    void ratesFollowTheGaps() {
        Passage mixed = new PaperPattern(new Meter(2, 4), Fraction.of(1, 4), 1, List.of(2, 5)).toPassage();
        assertThat(mixed.gap(0)).isEqualTo(Fraction.of(1, 2));
        assertThat(mixed.gap(2)).isEqualTo(Fraction.of(1, 5));
        assertThat(mixed.notesPerBeat()).isEqualTo(3.5);
        assertThat(mixed.quickestNotesPerBeat()).isEqualTo(5);
    }

    @Test
    void aSectionRunsForward() {
        assertThat(new Section(3, 7).size()).isEqualTo(5);
        assertThatThrownBy(() -> new Section(5, 4)).hasMessageContaining("5");
        assertThatThrownBy(() -> passage(List.of(new Note(Fraction.ZERO, Fraction.ONE, List.of())), 4)
                        .excerpt(new Section(0, 1)))
                .hasMessageContaining("refusal.passage.theSectionEndsAtNoteOf");
    }

    @Test
    void cutsOfNothingAreRefused() {
        Passage one = passage(List.of(new Note(Fraction.ZERO, Fraction.ONE, List.of())), 4);
        assertThatThrownBy(() -> Cut.atBars(one, 0)).hasMessageContaining("0");
        assertThatThrownBy(() -> Cut.byBeats(one, -2)).hasMessageContaining("-2");
        assertThat(Cut.byBeats(one, 1)).containsExactly(new Section(0, 0));
    }
}

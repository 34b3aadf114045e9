package tachylim.notation.abc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.notation.Omitted;
import tachylim.passage.Articulation;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

class AbcReaderTest {

    private static Passage read(String abc) {
        return AbcReader.read(abc).passage();
    }

    private static List<Fraction> onsets(String abc) {
        return read(abc).notes().stream().map(Note::onset).toList();
    }

    private static List<Fraction> durations(String abc) {
        return read(abc).notes().stream().map(Note::duration).toList();
    }

    private static Pitch pitch(String abc, int note) {
        return read(abc).notes().get(note).pitches().get(0);
    }

    @Test
    void fourSixteenthsFillABeat() {
        assertThat(onsets("M:4/4\nL:1/16\nK:C\nCDEF"))
                .containsExactly(Fraction.ZERO, Fraction.of(1, 4), Fraction.of(1, 2), Fraction.of(3, 4));
    }

    @Test
    void theDefaultUnitFollowsTheMeter() {
        assertThat(durations("M:2/4\nK:C\nC")).containsExactly(Fraction.of(1, 4));
        assertThat(durations("M:3/4\nK:C\nC")).containsExactly(Fraction.of(1, 2));
    }

    @Test
    void restsAreGapsAndNotNotes() {
        assertThat(onsets("L:1/4\nK:C\nC z D2")).containsExactly(Fraction.ZERO, Fraction.of(2));
        assertThat(onsets("L:1/4\nK:C\nC3 z | Z2 | D")).containsExactly(Fraction.ZERO, Fraction.of(12));
    }

    @Test
    void aTieHoldsTheNoteOverTheBarLine() {
        Passage passage = read("M:2/4\nL:1/4\nK:C\nC ^D- | D C");
        assertThat(passage.notes()).hasSize(3);
        assertThat(passage.notes().get(1).duration()).isEqualTo(Fraction.of(2));
        assertThat(passage.notes().get(1).pitches().get(0).alter()).isEqualTo(1);
        assertThat(passage.notes().get(2).onset()).isEqualTo(Fraction.of(3));
    }

    @Test
    void aTieBetweenTwoPitchesIsOnlyASlur() {
        assertThat(read("L:1/4\nK:C\nC-D").notes()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource({"(3CDE, 1/3", "(5CDEFG, 1/5", "(2CD, 3/4", "(7:4:7CDEFGAB, 2/7", "(6CDEFGA, 1/6", "(9:8:9CDEFGABcd, 4/9"
    })
    void tupletsDivideTheirTime(String music, String seconds) {
        String[] parts = seconds.split("/");
        assertThat(durations("M:4/4\nL:1/8\nK:C\n" + music).get(0))
                .isEqualTo(
                        music.startsWith("(5")
                                ? Fraction.of(1, 5)
                                : Fraction.of(Integer.parseInt(parts[0]), Integer.parseInt(parts[1])));
    }

    @Test
    void brokenRhythmLengthensOneAndShortensTheOther() {
        assertThat(durations("L:1/8\nK:C\nC>D E<F G>>A"))
                .containsExactly(
                        Fraction.of(3, 4),
                        Fraction.of(1, 4),
                        Fraction.of(1, 4),
                        Fraction.of(3, 4),
                        Fraction.of(7, 8),
                        Fraction.of(1, 8));
    }

    @Test
    void dottedAndDividedLengths() {
        assertThat(durations("L:1/8\nK:C\nC3/2 C/ C// C/4 C2"))
                .containsExactly(
                        Fraction.of(3, 4), Fraction.of(1, 4), Fraction.of(1, 8), Fraction.of(1, 8), Fraction.ONE);
    }

    @Test
    void accidentalsLastThroughTheBarAndTheKeyBeyond() {
        assertThat(pitch("K:D\nF", 0).alter()).isEqualTo(1);
        assertThat(pitch("K:D\n=F F | F", 1).alter()).isZero();
        assertThat(pitch("L:1/4\nK:D\n=F F | F", 2).alter()).isEqualTo(1);
        assertThat(pitch("K:Bb\nB", 0).alter()).isEqualTo(-1);
        assertThat(pitch("K:F#m\nG", 0).alter()).isEqualTo(1);
        assertThat(pitch("K:D dorian\nF", 0).alter()).isZero();
        assertThat(pitch("K:C\n^^F", 0).midi()).isEqualTo(67);
    }

    @Test
    void octaveMarksMoveByOctaves() {
        assertThat(pitch("K:C\nC", 0).midi()).isEqualTo(60);
        assertThat(pitch("K:C\nc", 0).midi()).isEqualTo(72);
        assertThat(pitch("K:C\nC,,", 0).midi()).isEqualTo(36);
        assertThat(pitch("K:C\nc''", 0).midi()).isEqualTo(96);
    }

    @Test
    void aChordIsOneOnset() {
        Passage passage = read("L:1/8\nK:C\n[CEG]2 [C2E2] [CE]-[CE]");
        assertThat(passage.notes()).hasSize(3);
        assertThat(passage.notes().get(0).pitches()).hasSize(3);
        assertThat(durations("L:1/8\nK:C\n[CEG]2 [C2E2] [CE]-[CE]"))
                .containsExactly(Fraction.ONE, Fraction.ONE, Fraction.ONE);
    }

    @Test
    void whatIsNotNotesIsPassedOver() {
        String abc = "X:1\nT:Tin Roof\nM:4/4\nL:1/4\nK:G\n\"Em\"!f!(.C {cd}D) vE % comment\nw: la la la\n[K:D]F |]";
        assertThat(read(abc).notes()).hasSize(4);
        assertThat(pitch(abc, 3).alter()).isEqualTo(1);
    }

    @Test
    void inCompoundMetersTheBeatIsDotted() {
        assertThat(onsets("M:6/8\nL:1/8\nK:C\nCDE FGA")).element(3).isEqualTo(Fraction.ONE);
        assertThat(AbcReader.read("M:6/8\nL:1/8\nK:C\nCDE FGA")
                        .passage(Fraction.of(1, 8))
                        .length())
                .isEqualTo(Fraction.of(6));
    }

    @Test
    void aPickupIsNoFaultButALongBarIsNamed() {
        AbcTune tune = AbcReader.read("M:4/4\nL:1/4\nK:C\nG | CDEF | CDEFG | CDE | C");
        assertThat(tune.passage().pickup()).isEqualTo(Fraction.ONE);
        assertThat(tune.warnings())
                .containsExactly(
                        Reason.of("read.bar", "bar", 3, "counts", 5, "of", 4, "meter", "4/4"),
                        Reason.of("read.bar", "bar", 4, "counts", 3, "of", 4, "meter", "4/4"));
    }

    @Test
    void repeatsArePlayedOnceThrough() {
        assertThat(read("L:1/4\nK:C\n|: CDEF :|1 G4 :|2 A4 |]").notes()).hasSize(6);
    }

    @ParameterizedTest
    @CsvSource({
        "'K:C\nC ? # ?', 2, 3, ?",
        "'K:C\nC\uD83C\uDFB5*', 2, 2, \uD83C\uDFB5",
        "'K:C\nC/0', 2, 4, ''",
        "'K:C\nC,,,,,,,', 2, 9, ''",
        "'K:C\nCD\nV:2\nEF', 3, 4, ''",
    })
    void anErrorNamesLineColumnAndCharacter(String abc, int line, int column, String found) {
        AbcException error = catchThrowableOfType(AbcException.class, () -> AbcReader.read(abc));
        assertThat(error).isNotNull();
        assertThat(error.line()).isEqualTo(line);
        assertThat(error.column()).as(error.getMessage()).isEqualTo(column);
        if (!found.startsWith("\"\"")) {
            assertThat(error.found().trim()).isEqualTo(found);
        }
    }

    /** What other people write, with the notes it has and a word of what is said of the rest; * for nothing. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "CDEF ? G; 5; straySigns: 1",
                "CD EF[; 4; emptyBrackets: 1",
                "kC wD HE; 3; decorations {name=“k”}: 1",
                "RC QD; 2; decorations {name=“Q”}: 1",
                "C2 [|] D2; 2; *",
                "C>-D E; 3; *",
                "z-C D-z E; 3; tiesAlone: 1",
                "-C D; 2; tiesAlone: 1",
                "C D! E F!; 4; lineBreaks: 2",
                "CD!E2!F; 4; lineBreaks: 2",
                "!trill!C !D.C.!D; 2; decorations {name=trill}: 1",
                "+trill+C + D; 2; straySigns: 1",
                "C z>D E; 3; *",
                "C & D E | F; 2; overlays: 1",
                "(&C D & E F &) G; 3; overlays: 1",
                "C y20 D; 2; *",
                "+CEG+2 D; 2; *",
                "C2::D2; 2; *",
                "C .| D .(EF) G .- G; 5; *",
                "[!1!C!3!E]2 D; 2; *",
                "[\"^x\"CE] D; 2; *",
                "[z C] D; 2; *",
                "{gC D; 0; *",
                "C |: D :|[\"last\" E |]; 3; *",
                "(3CD; 2; *",
                "(1CD; 2; tuplets: 1",
                "C \"Am; 1; chordNames: 1",
            })
    void whatOthersWriteIsReadAndTheRestIsSaid(String music, int notes, String said) {
        if (notes == 0) {
            assertThatThrownBy(() -> AbcReader.read("K:C\n" + music))
                    .hasMessageContaining("refusal.abcReader.thereIsNoNoteYetType");
            return;
        }
        AbcTune tune = AbcReader.read("L:1/8\nK:C\n" + music);
        assertThat(tune.line().notes()).hasSize(notes);
        if (said.equals("*")) {
            assertThat(tune.leftOut()).isEmpty();
        } else {
            assertThat(Omitted.in(tune.leftOut())).anyMatch(one -> one.contains(said));
        }
    }

    @Test
    void aStraySignIsNamedWithItsPlace() {
        assertThat(AbcReader.read("L:1/4\nK:C\nCDE*F").warnings())
                .containsExactly(Reason.of("read.stray", "line", 3, "column", 4, "found", "*"));
    }

    @Test
    void lettersMeanWhatTheyAreDefinedAs() {
        AbcTune tune = AbcReader.read("U:k = !accent!\nU: W=!staccato!\nL:1/4\nK:C\nkC WD");
        assertThat(tune.leftOut()).isEmpty();
        assertThat(tune.line().notes())
                .extracting(note -> note.inflection().articulations())
                .containsExactly(Set.of(Articulation.ACCENT), Set.of(Articulation.STACCATO));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "; 61 73 60",
                "%%propagate-accidentals octave; 61 72 60",
                "%%propagate-accidentals not; 61 72 60",
                "I:propagate-accidentals pitch; 61 73 60",
            })
    void anAccidentalHoldsForItsLetterInTheBarUnlessTheFileSaysOtherwise(String directive, String keys) {
        Passage passage = read((directive == null ? "" : directive + "\n") + "L:1/4\nK:C\n^C c | C");
        assertThat(passage.notes().stream()
                        .map(note -> "" + note.pitches().get(0).midi()))
                .containsExactly(keys.split(" "));
    }

    @Test
    void withoutPropagationAnAccidentalIsItsNotesAlone() {
        Passage passage = read("%%propagate-accidentals not\nL:1/4\nK:C\n^C C");
        assertThat(passage.notes())
                .extracting(note -> note.pitches().get(0).midi())
                .containsExactly(61, 60);
    }

    @ParameterizedTest
    @CsvSource({
        "'K:C treble-8', 48",
        "'K:C clef=treble-8', 48",
        "'K:C clef=\"treble+8\"', 72",
        "'K:C bass', 60",
        "'K:C clef=bass', 60",
        "'K:bass', 60",
        "'K:C octave=-1', 48",
        "'K:C clef=bass octave=1', 72",
        "'K:none clef=treble-15', 36",
        "'K:C\nV:1 clef=treble-8', 48",
        "'K:C\n[K:treble-8]', 48",
        "'K:C\n[K:C bass-8]', 48",
    })
    void clefsThatSoundInAnotherOctaveCountEverywhere(String head, int key) {
        assertThat(pitch("L:1/4\n" + head + (head.contains("\n[") ? "" : "\n") + "C", 0)
                        .midi())
                .isEqualTo(key);
    }

    @ParameterizedTest
    @CsvSource({
        "D exp _b ^f, 66 70",
        "D Phr ^f, 66 70",
        "C ^f _b, 66 70",
        "HP, 65 71",
        "Gm, 65 70",
        "'A minor', 65 71",
        "Dmix, 66 71",
        "'G major % sharp', 66 71",
        "?, 65 71",
    })
    void keysOfEveryKind(String key, String keys) {
        Passage passage = read("L:1/4\nK:" + key + "\nF B");
        assertThat(passage.notes().stream()
                        .map(note -> "" + note.pitches().get(0).midi()))
                .containsExactly(keys.split(" "));
    }

    @ParameterizedTest
    @CsvSource({
        "C, 4/4",
        "C|, 2/2",
        "2+3/8, 5/8",
        "(2+2+3)/8, 7/8",
        "free, 4/4",
        "none, 4/4",
        "4/5, 4/4",
        "'6/8 slow', 6/8"
    })
    void metersOfEveryKind(String meter, String read) {
        assertThat(read("M:" + meter + "\nK:C\nCDE").meter()).hasToString(read);
    }

    @Test
    void emptyAndHugeTextsAreRefusedWithAReason() {
        assertThatThrownBy(() -> read("")).hasMessageContaining("refusal.abcReader.thereIsNoNoteYetType");
        assertThatThrownBy(() -> read("C".repeat(100_000)))
                .hasMessageContaining("refusal.abcReader.thisIsCharactersLongA");
        assertThatThrownBy(() -> read("K:C\n" + "C".repeat(5_000)))
                .hasMessageContaining("refusal.passage.aPassageHoldsUpToNotesThis");
        assertThatThrownBy(() -> read("K:C\nC999999"))
                .hasMessageContaining("refusal.passage.aPassageLastsUpToBeatsKeep");
        assertThatThrownBy(() -> read("K:C\nC/997 C/991 C/983 C/977"))
                .hasMessageContaining("refusal.abcReader.lengthsHereDivideTheBeat");
    }

    @Property(tries = 2_000)
    void anyTextIsReadOrRefusedWithAPlace(@ForAll("scribbles") String text) {
        AbcTune tune;
        try {
            tune = AbcReader.read("K:C\n" + text);
        } catch (AbcException refused) {
            assertThat(refused.line()).isPositive();
            assertThat(refused.column()).isPositive();
            assertThat(refused.getMessage()).isNotBlank();
            return;
        }
        // What can be read may still be more than one passage holds: a few digits make bars of rest.
        try {
            assertThat(tune.passage().notes()).isNotEmpty();
        } catch (IllegalArgumentException tooMuch) {
            assertThat(tooMuch).hasMessageStartingWith("refusal.passage.");
        }
    }

    @Provide
    Arbitrary<String> scribbles() {
        return Arbitraries.of(
                        "C",
                        "d",
                        "^",
                        "_",
                        "=",
                        "'",
                        ",",
                        "2",
                        "/",
                        "3",
                        "z",
                        "Z",
                        "(3",
                        "(",
                        ")",
                        "[",
                        "]",
                        "|",
                        ":",
                        "-",
                        ">",
                        "<",
                        "{",
                        "}",
                        "!",
                        "\"",
                        "\n",
                        " ",
                        "M:3/4\n",
                        "L:1/16\n",
                        "[K:G]",
                        "&",
                        "9",
                        "0")
                .list()
                .ofMaxSize(40)
                .map(parts -> String.join("", parts));
    }

    @Property
    void whatIsWrittenReadsBackTheSame(@ForAll("tunes") String abc) {
        Passage passage = read(abc);
        Passage again = AbcReader.read(AbcWriter.write(passage)).passage(passage.beatUnit());
        assertThat(again.notes()).isEqualTo(passage.notes());
        assertThat(again.barLines()).isEqualTo(passage.barLines());
    }

    @Test
    void notesOnPaperReadBackWithoutPitches() {
        Passage paper = new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4, 3, 5, 0)).toPassage();
        assertThat(AbcReader.read(AbcWriter.write(paper)).passage(paper.beatUnit()))
                .isEqualTo(paper);
    }

    @Provide
    Arbitrary<String> tunes() {
        Arbitrary<String> note = Arbitraries.of("C", "^F", "_B", "=B", "e", "g'", "A,,", "[CEG]", "z", "^^c", "__d");
        Arbitrary<String> length = Arbitraries.of("", "2", "3", "4", "/2", "3/2", "5", "7/2");
        Arbitrary<String> plain = note.flatMap(n -> length.map(l -> n + l));
        Arbitrary<String> tuplet =
                Arbitraries.of("(3CDE", "(5cdefg", "(3:2:2C2D", "(7:4:7CDEFGAB", "C-C", "^C-C2", " | ", " | ", " | ");
        return Arbitraries.oneOf(plain, plain, tuplet)
                .list()
                .ofMinSize(1)
                .ofMaxSize(24)
                .map(parts -> "M:4/4\nL:1/8\nK:Eb\nC " + String.join(" ", parts));
    }
}

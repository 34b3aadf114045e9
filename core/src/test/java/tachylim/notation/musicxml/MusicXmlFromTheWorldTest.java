package tachylim.notation.musicxml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.notation.Format;
import tachylim.notation.Omitted;
import tachylim.notation.score.Line;
import tachylim.notation.score.LineNote;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.Wishes;

/** MusicXML as other programs write it: rounded, with voices left out, tied across and with measures that are divided. */
class MusicXmlFromTheWorldTest {

    /** A score whose measures are written out, {@code divisions} to a quarter note. */
    private static Score read(int divisions, String... measures) {
        StringBuilder xml = new StringBuilder("<score-partwise version=\"4.0\"><part-list><score-part id=\"P1\">"
                + "<part-name>Oboe</part-name></score-part></part-list><part id=\"P1\">");
        for (int i = 0; i < measures.length; i++) {
            String measure = measures[i].startsWith("<measure")
                    ? measures[i]
                    : "<measure number=\"" + (i + 1) + "\">" + measures[i] + "</measure>";
            String attributes = "<attributes><divisions>" + divisions
                    + "</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>";
            xml.append(i == 0 ? measure.replaceFirst(">", ">" + attributes) : measure);
        }
        xml.append("</part></score-partwise>");
        return Format.read(xml.toString().getBytes(StandardCharsets.UTF_8), Wishes.NONE);
    }

    /** A note such as {@code C4}, of a type and of a duration that the file counts. */
    private static String note(String pitch, String duration, String type, String more) {
        return "<note>" + (more.contains("<chord/>") ? "<chord/>" : "") + "<pitch><step>" + pitch.charAt(0)
                + "</step><octave>" + pitch.charAt(1) + "</octave></pitch><duration>" + duration + "</duration>"
                + more.replace("<chord/>", "") + (type.isEmpty() ? "" : "<type>" + type + "</type>") + "</note>";
    }

    private static String tuplet(int actual, int normal) {
        return "<time-modification><actual-notes>" + actual + "</actual-notes><normal-notes>" + normal
                + "</normal-notes></time-modification>";
    }

    private static String in(String voice, String more) {
        return "<voice>" + voice + "</voice>" + more;
    }

    private static List<LineNote> notes(Score score) {
        return score.lines().get(0).notes();
    }

    private static String onsets(List<LineNote> notes) {
        return String.join(
                " ",
                notes.stream()
                        .map(note -> note.onset().toString().replace(" ", ""))
                        .toList());
    }

    @ParameterizedTest
    @CsvSource({
        // what the file counts in, the durations it gives, the type, the tuplet, and where the notes after the first
        // begin
        "1, '1 0 1', eighth, 3, 2, 1/12 1/6",
        "2, '1 1 0', eighth, 3, 2, 1/12 1/6",
        "4, '1 1 2', eighth, 3, 2, 1/12 1/6",
        "8, '3 2 3', eighth, 3, 2, 1/12 1/6",
        "480, '69 68 69 68 69 68 69', 16th, 7, 4, 1/28 1/14 3/28 1/7 5/28 3/14",
        "4, '1 1 1 1 0', 16th, 5, 4, 1/20 1/10 3/20 1/5",
        "3, '0.667 0.667 0.666', quarter, 9, 2, 1/18 1/9",
    })
    void aDurationThatWasRoundedIsTheWrittenValue(
            int divisions, String durations, String type, int actual, int normal, String onsets) {
        StringBuilder measure = new StringBuilder();
        for (String duration : durations.split(" ")) {
            measure.append(note("C4", duration, type, tuplet(actual, normal)));
        }
        List<LineNote> notes = notes(read(divisions, measure.toString()));
        assertThat(onsets(notes)).isEqualTo("0 " + onsets);
        assertThat(notes)
                .extracting(LineNote::duration)
                .containsOnly(notes.get(1).onset());
    }

    @Test
    void aDurationThatTheDivisionsCanCountStandsWhateverTheTypeSays() {
        String measure = note("C4", "3", "half", "") + note("D4", "1", "eighth", "") + note("E4", "4", "", "");
        assertThat(onsets(notes(read(2, measure)))).isEqualTo("0 3/8 1/2");
    }

    @Test
    void aSecondVoiceStartsWhereTheFirstBeganAlthoughDurationsWereRounded() {
        String triplet = note("C5", "3", "quarter", in("1", tuplet(3, 2))).repeat(2)
                + note("C5", "2", "quarter", in("1", tuplet(3, 2)))
                + note("D5", "8", "half", in("1", ""));
        String measure = triplet + "<backup><duration>8</duration></backup>" + note("E4", "8", "half", in("2", ""))
                + "<backup><duration>16</duration></backup>" + note("F3", "16", "whole", in("3", ""));
        Score score = read(4, measure, note("G4", "16", "whole", in("1", "")));
        assertThat(onsets(score.lines().get(0).notes())).isEqualTo("0 1/6 1/3 1/2 1");
        assertThat(onsets(score.lines().get(1).notes())).isEqualTo("1/2");
        assertThat(onsets(score.lines().get(2).notes())).isEqualTo("0");
    }

    @Test
    void laterNotesOfAChordBelongToItsVoice() {
        String measure = note("C5", "4", "whole", in("1", "")) + note("E5", "4", "whole", "<chord/>")
                + "<backup><duration>4</duration></backup>" + note("C3", "4", "whole", in("2", ""))
                + note("G3", "4", "whole", "<chord/>");
        Score score = read(1, measure);
        assertThat(score.leftOut()).isEmpty();
        assertThat(score.lines())
                .extracting(line -> line.notes().get(0).pitches().size())
                .containsExactly(2, 2);
    }

    private static final String STARTS = "<tie type=\"start\"/>";
    private static final String STOPS = "<tie type=\"stop\"/>";

    @Test
    void aTieGoesIntoAnotherVoice() {
        String first = note("C5", "2", "half", in("1", "")) + note("D5", "2", "half", in("1", STARTS))
                + "<backup><duration>4</duration></backup>" + note("E4", "4", "whole", in("2", ""));
        String second = note("A5", "4", "whole", in("1", "")) + "<backup><duration>4</duration></backup>"
                + note("D5", "2", "half", in("2", STOPS)) + note("F4", "2", "half", in("2", ""));
        Score score = read(1, first, second);
        assertThat(onsets(score.lines().get(0).notes())).isEqualTo("0 1/2 1");
        assertThat(onsets(score.lines().get(1).notes()))
                .as("the tied note is not struck")
                .isEqualTo("0 3/2");
    }

    @Test
    void aTieGoesIntoAVoiceThatTheFileWritesBefore() {
        String measure = note("C5", "2", "half", in("1", "")) + note("D4", "2", "half", in("1", STOPS))
                + "<backup><duration>4</duration></backup>" + note("D4", "2", "half", in("2", STARTS))
                + note("F4", "2", "half", in("2", ""));
        Score score = read(1, measure);
        assertThat(onsets(score.lines().get(0).notes())).isEqualTo("0");
        assertThat(onsets(score.lines().get(1).notes())).isEqualTo("0 1/2");
    }

    @Test
    void tiesOfAChordMayChangeTheirOrder() {
        String chord = note("C4", "2", "half", STARTS) + note("E4", "2", "half", "<chord/>" + STARTS);
        String turned = note("E4", "2", "half", STOPS) + note("C4", "2", "half", "<chord/>" + STOPS);
        assertThat(notes(read(1, chord + turned)))
                .singleElement()
                .satisfies(note -> assertThat(note.duration()).isEqualTo(Fraction.ONE));
        String newFirst = note("D4", "2", "half", "") + note("E4", "2", "half", "<chord/>" + STOPS);
        String heldFirst = note("E4", "2", "half", STOPS) + note("D4", "2", "half", "<chord/>");
        for (String second : List.of(newFirst, heldFirst)) {
            Score score = read(1, chord + second);
            assertThat(notes(score)).extracting(note -> note.pitches().size()).containsExactly(2, 2);
            assertThat(Omitted.in(score.leftOut())).containsExactly("chordTies: 1");
        }
    }

    private static String measure(String attributes, int quarters) {
        return "<measure " + attributes + ">" + note("C4", "1", "quarter", "").repeat(quarters) + "</measure>";
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "1 2 3; 1 2 3",
                "0i 1 2; 0 1 2",
                "X1i 1 2; 0 1 2",
                "1i 2 3; 1 2 3",
                "0 1 2; 0 1 2",
                "1 2 X1i 3; 1 2 2 3",
                "1 2 2i 3; 1 2 2 3",
                "1 2 2 3; 1 2 2 3",
                "12 13 14a; 12 13 14a",
                "1 2 1 2 3; 1 2 1(2) 2(2) 3(2)",
                "- - -; 1 2 3",
            })
    void barsHaveTheNumbersThatTheScorePrints(String written, String printed) {
        String[] measures = java.util.Arrays.stream(written.split(" "))
                .map(number -> measure(
                        (number.equals("-") ? "" : "number=\"" + number.replace("i", "") + "\"")
                                + (number.endsWith("i") ? " implicit=\"yes\"" : ""),
                        4))
                .toArray(String[]::new);
        assertThat(String.join(
                        " ",
                        read(1, measures).lines().get(0).barNumbers().stream()
                                .map(number -> number.replace(" ", ""))
                                .toList()))
                .isEqualTo(printed);
    }

    @Test
    void aStretchIsChosenByPrintedNumbersAndTakesBothHalvesOfADividedBar() {
        Line line = read(
                        1,
                        measure("number=\"1\"", 4),
                        measure("number=\"2\"", 3),
                        measure("number=\"X1\" implicit=\"yes\"", 1),
                        measure("number=\"3\"", 4))
                .lines()
                .get(0);
        assertThat(line.passage("2", "2", null).notes()).hasSize(4);
        assertThat(line.passage("2", "3", null).notes()).hasSize(8);
        assertThatThrownBy(() -> line.passage("3", "2", null))
                .hasMessageContaining("refusal.line.thisLineHasTheBarsToToIsNo");
        assertThatThrownBy(() -> line.passage("X1", "3", null)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void anArchiveWithANameThatIsNoneIsRefusedInASentence() {
        byte[] file = {
            'P',
            'K',
            3,
            4,
            20,
            0,
            0,
            8,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            0,
            2,
            0,
            0,
            0,
            (byte) 0xC3,
            0x28
        };
        assertThatThrownBy(() -> Format.read(file, Wishes.NONE))
                .isInstanceOf(ScoreException.class)
                .hasMessageContaining("refusal.container.thisCompressedFileIs");
    }

    /** The value of each type is half of the one before, so that none is missing or wrong. */
    @Test
    void everyNoteValueIsKnown() {
        List<String> names = List.of(
                "maxima", "long", "breve", "whole", "half", "quarter", "eighth", "16th", "32nd", "64th", "128th",
                "256th", "512th", "1024th");
        for (int i = 0; i + 1 < names.size(); i++) {
            assertThat(MusicXmlValues.of(names.get(i)))
                    .isEqualTo(MusicXmlValues.of(names.get(i + 1)).multiply(2));
        }
        assertThat(Map.of(0, Fraction.ONE, 1, Fraction.of(3, 2), 2, Fraction.of(7, 4), 3, Fraction.of(15, 8)))
                .allSatisfy((dots, value) ->
                        assertThat(MusicXmlValues.dotted(Fraction.ONE, dots)).isEqualTo(value));
    }
}

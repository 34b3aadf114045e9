package tachylim.notation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.notation.score.LineNote;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.Wishes;
import tachylim.passage.Direction;
import tachylim.passage.Direction.RepeatSign;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;

/** MusicXML with what is rare in it, left out of it, or wrong with it. */
class OddScoresTest {

    private static Score read(String attributes, String... measures) {
        StringBuilder xml = new StringBuilder("<?xml version=\"1.0\"?><score-partwise><part-list><score-part id=\"P1\">"
                + "<part-name>Bellows</part-name></score-part></part-list><part id=\"P1\">");
        for (int i = 0; i < measures.length; i++) {
            xml.append("<measure number=\"")
                    .append(i + 1)
                    .append("\">")
                    .append(i == 0 ? "<attributes><divisions>4</divisions>" + attributes + "</attributes>" : "")
                    .append(measures[i])
                    .append("</measure>");
        }
        return Format.read(
                xml.append("</part></score-partwise>").toString().getBytes(StandardCharsets.UTF_8), Wishes.NONE);
    }

    private static String note(char step, int octave, int duration, String more) {
        return "<note><pitch><step>" + step + "</step><octave>" + octave + "</octave></pitch><duration>" + duration
                + "</duration>" + more + "</note>";
    }

    private static String note(char step) {
        return note(step, 4, 4, "");
    }

    private static List<LineNote> notes(Score score) {
        return score.lines().get(0).notes();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "<harmony><root><root-step>C</root-step></root><kind>major</kind></harmony>; chordNames: 1",
                "<figured-bass><figure><figure-number>6</figure-number></figure></figured-bass>; figuredBasses: 1",
                "<print new-page=\"yes\"/>; breaks: 1",
                "<direction><direction-type><wedge type=\"crescendo\"/></direction-type></direction>; hairpins: 1",
                "<direction><direction-type><pedal type=\"start\"/></direction-type></direction>; pedalMarks: 1",
                "<direction><direction-type><octave-shift type=\"up\"/></direction-type></direction>; octaveLines: 1",
                "<direction><direction-type><rehearsal>A</rehearsal></direction-type></direction>; rehearsalMarks: 1",
                "<direction><direction-type><segno/></direction-type></direction>; jumps: 1",
                "<sound dacapo=\"yes\"/>; jumps: 1",
                "<listening><sync type=\"none\"/></listening>; items {name=listening}: 1",
                "<attributes><transpose><chromatic>-2</chromatic></transpose></attributes>; transpositions: 1"
            })
    void whatHasNoPlaceIsNamedAndTheNotesStay(String item, String leftOut) {
        Score score = read("", note('C') + item + note('D'));
        assertThat(Omitted.in(score.leftOut())).containsExactly(leftOut);
        assertThat(notes(score)).hasSize(2);
    }

    @Test
    void cueNotesAndFurtherVersesAreLeftOutAndCounted() {
        Score score = read(
                "",
                note('C', 4, 4, "<cue/>")
                        + note(
                                'D',
                                4,
                                4,
                                "<lyric number=\"1\"><syllabic>single</syllabic><text>quay</text></lyric>"
                                        + "<lyric number=\"2\"><syllabic>single</syllabic><text>tide</text></lyric>"));
        assertThat(Omitted.in(score.leftOut())).containsExactlyInAnyOrder("cueNotes: 1", "verses: 1");
        assertThat(notes(score))
                .singleElement()
                .satisfies(note -> assertThat(note.inflection().syllable()).isEqualTo("quay"));
    }

    @Test
    void aMicrotoneIsTakenToTheHalfTone() {
        Score score = read(
                "",
                "<note><pitch><step>C</step><alter>1.5</alter><octave>5</octave></pitch><duration>4</duration></note>");
        assertThat(notes(score).get(0).pitches()).containsExactly(new Pitch('C', 1, 5));
        assertThat(Omitted.in(score.leftOut())).containsExactly("microtones: 1");
    }

    @Test
    void aDrumOnOneLineIsOnlyRhythm() {
        String knock =
                "<note><unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched><duration>2</duration></note>";
        assertThat(notes(read("", knock + knock))).extracting(LineNote::pitches).containsExactly(List.of(), List.of());
        String other = knock.replace(">E<", ">G<");
        assertThat(notes(read("", knock + other)))
                .extracting(note -> note.pitches().size())
                .containsExactly(1, 1);
    }

    @Test
    void voicesGoBackAndForwardInTheirMeasure() {
        Score score = read(
                "<time><beats>4</beats><beat-type>4</beat-type></time>",
                note('C', 5, 8, "<voice>1</voice>") + note('D', 5, 8, "<voice>1</voice>")
                        + "<backup><duration>16</duration></backup>" + "<forward><duration>4</duration></forward>"
                        + note('E', 3, 4, "<voice>2</voice>"));
        assertThat(score.lines()).hasSize(2);
        assertThat(score.lines().get(1).notes()).extracting(LineNote::onset).containsExactly(Fraction.of(1, 4));
        assertThat(score.lines().get(1).length()).isEqualTo(Fraction.ONE);
    }

    @Test
    void aCompositeMeterIsCountedTogetherAndOneThatCannotBeReadIsSaid() {
        assertThat(read("<time><beats>3+2</beats><beat-type>8</beat-type></time>", note('C'))
                        .lines()
                        .get(0)
                        .meter())
                .isEqualTo(new Meter(5, 8));
        Score free = read("<time><senza-misura/></time>", note('C'));
        assertThat(free.lines().get(0).meter()).isEqualTo(new Meter(4, 4));
        assertThat(Omitted.in(free.leftOut())).containsExactly("meters {meter=4/4}: 1");
    }

    @Test
    void anEndingCountsForEachOfItsNumbersAndARepeatForItsTimes() {
        Score score = read(
                "",
                note('C'),
                "<barline location=\"left\"><ending number=\"1, 2\" type=\"start\"/></barline>" + note('D')
                        + "<barline location=\"right\"><ending number=\"1, 2\" type=\"stop\"/><repeat direction=\"backward\" times=\"3\"/></barline>",
                note('E'));
        Fraction second = score.lines().get(0).barLines().get(0);
        assertThat(score.lines().get(0).directions())
                .contains(
                        new RepeatSign(second, RepeatSign.Kind.ENDING, 1),
                        new RepeatSign(second, RepeatSign.Kind.ENDING, 2))
                .anySatisfy(sign -> assertThat(sign)
                        .isEqualTo(
                                new RepeatSign(score.lines().get(0).barLines().get(1), RepeatSign.Kind.END, 3)));
    }

    @Test
    void aTempoWithoutASignIsTakenFromTheSound() {
        Score score = read(
                "",
                "<direction><direction-type><words>lively</words></direction-type><sound tempo=\"132\"/></direction>"
                        + note('C'));
        assertThat(score.lines().get(0).directions())
                .contains(
                        new Direction.TempoMark(Fraction.ZERO, Fraction.of(1, 4), 132),
                        new Direction.Words(Fraction.ZERO, "lively"));
    }

    @Test
    void aDottedBeatKeepsItsDotAndAnUnreadableTempoIsSaid() {
        String mark =
                "<direction><direction-type><metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>%s</per-minute></metronome>"
                        + "</direction-type></direction>";
        assertThat(read("", mark.formatted("66") + note('C')).lines().get(0).directions())
                .containsExactly(new Direction.TempoMark(Fraction.ZERO, Fraction.of(3, 8), 66));
        assertThat(Omitted.in(read("", mark.formatted("as fast as you like") + note('C'))
                        .leftOut()))
                .containsExactly("tempoMarks: 1");
    }

    @Test
    void aTiedChordSoundsOnAndASingleTieInAChordIsStruckAgainAndSaid() {
        String chord = note('C', 4, 4, "<tie type=\"start\"/>")
                + "<note><chord/><pitch><step>E</step><octave>4</octave></pitch><duration>4</duration>"
                + "<tie type=\"start\"/></note>";
        String held = chord.replace("start", "stop");
        assertThat(notes(read("", chord + held))).singleElement().satisfies(note -> {
            assertThat(note.duration()).isEqualTo(Fraction.of(1, 2));
            assertThat(note.pitches()).hasSize(2);
        });
        Score half = read(
                "",
                note('C')
                        + "<note><chord/><pitch><step>E</step><octave>4</octave></pitch><duration>4</duration><tie type=\"start\"/></note>"
                        + note('D')
                        + "<note><chord/><pitch><step>E</step><octave>4</octave></pitch><duration>4</duration><tie type=\"stop\"/></note>");
        assertThat(notes(half)).extracting(note -> note.pitches().size()).containsExactly(2, 2);
    }

    @Test
    void aGraceChordAndRestsAreRead() {
        Score score = read(
                "",
                "<note><grace slash=\"yes\"/><pitch><step>B</step><octave>4</octave></pitch></note>" + note('C')
                        + "<note><rest/><duration>4</duration></note>" + note('D'));
        assertThat(notes(score)).extracting(LineNote::onset).containsExactly(Fraction.ZERO, Fraction.of(1, 2));
        assertThat(notes(score).get(0).inflection().grace()).containsExactly(new Pitch('B', 0, 4));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<note><pitch><step>H</step><octave>4</octave></pitch><duration>4</duration></note>",
                "<note><pitch><step>C</step><octave>four</octave></pitch><duration>4</duration></note>",
                "<note><pitch><step>C</step><octave>4</octave></pitch><duration>long</duration></note>",
                "<note><pitch><step>C</step><octave>19</octave></pitch><duration>4</duration></note>",
                "<note><pitch><step>C</step><octave>4</octave></pitch><duration>0.0000001</duration></note><note><rest/><duration>4</duration></note>",
                "<note><rest/><duration>16</duration></note>"
            })
    void aMeasureThatCannotBeReadGetsAReason(String measure) {
        assertThatThrownBy(() -> read("", measure))
                .isInstanceOf(ScoreException.class)
                .hasMessageStartingWith("refusal.musicXml");
    }

    @Test
    void valuesWithSpaceAroundThemAndUnknownElementsAreNoObstacle() {
        Score score = read(
                "",
                "<note><pitch><step> G </step><octave>\n4 </octave></pitch><duration> 4 </duration><colour><deep>red</deep></colour>"
                        + "<voice> 1 </voice></note>" + note('A'));
        assertThat(score.lines()).hasSize(1);
        assertThat(notes(score))
                .extracting(note -> note.pitches().get(0).letter())
                .containsExactly('G', 'A');
    }

    @Test
    void aPassageTakenFromTheMiddleStartsWhereItsBarDoes() {
        Score score = read(
                "<time><beats>1</beats><beat-type>4</beat-type></time>", note('C'), note('D'), note('E'), note('F'));
        Passage middle = score.lines().get(0).passage("2", "3", null);
        assertThat(middle.notes()).extracting(Note::onset).containsExactly(Fraction.ZERO, Fraction.ONE);
        assertThat(middle.notes())
                .extracting(note -> note.pitches().get(0).letter())
                .containsExactly('D', 'E');
        assertThatThrownBy(() -> score.lines().get(0).passage("3", "9", null))
                .hasMessageContaining("refusal.line.thisLineHasTheBarsToToIsNo");
    }
}

package tachylim.notation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.notation.score.Grid;
import tachylim.notation.score.Line;
import tachylim.notation.score.LineNote;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.Wishes;
import tachylim.passage.Articulation;
import tachylim.passage.Direction;
import tachylim.passage.Key;
import tachylim.passage.Mark;
import tachylim.passage.Meter;
import tachylim.passage.Passage;
import tachylim.passage.Unrolling;
import tachylim.words.Reason;

/** Files as other programs lay them out. */
class ForeignFilesTest {

    private static final String HEAD = """
            <?xml version="1.0" encoding="UTF-8" standalone="no"?>
            <!DOCTYPE score-partwise PUBLIC "-//Nobody//DTD Partwise//EN" "http://nowhere.invalid/partwise.dtd">
            <score-partwise version="3.1"><work><work-title>Nine Lanterns</work-title></work>
            <part-list><score-part id="P1"><part-name>Marimba</part-name></score-part>
            <score-part id="P2"><part-name>Concertina</part-name></score-part></part-list>
            """;

    private static Score read(String text) {
        return Format.read(text.getBytes(StandardCharsets.UTF_8), Wishes.NONE);
    }

    private static String note(String pitch, int duration, String more) {
        return "<note><pitch><step>" + pitch.charAt(0) + "</step><octave>" + pitch.charAt(1)
                + "</octave></pitch><duration>" + duration + "</duration>" + more + "</note>";
    }

    private static String part(String id, String... measures) {
        StringBuilder part = new StringBuilder("<part id=\"" + id + "\">");
        for (int i = 0; i < measures.length; i++) {
            part.append("<measure number=\"")
                    .append(i)
                    .append("\">")
                    .append(measures[i])
                    .append("</measure>");
        }
        return part.append("</part>").toString();
    }

    private static final String OPENING = "<attributes><divisions>12</divisions><key><fifths>-2</fifths></key>"
            + "<time><beats>2</beats><beat-type>4</beat-type></time></attributes>";

    @Test
    void partsAndVoicesAreLinesOfTheirOwn() {
        Score score = read(HEAD
                + part(
                        "P1",
                        OPENING + note("C5", 24, "<voice>1</voice>") + "<backup><duration>24</duration></backup>"
                                + note("E4", 12, "<voice>2</voice>") + note("F4", 12, "<voice>2</voice>"))
                + part("P2", OPENING + note("G4", 12, "") + note("A4", 12, "")) + "</score-partwise>");
        assertThat(score.title()).isEqualTo("Nine Lanterns");
        assertThat(score.lines())
                .extracting(line -> line.part() + "/" + line.voice())
                .containsExactly("Marimba/1", "Marimba/2", "Concertina/");
        assertThat(score.lines().get(1).notes())
                .extracting(LineNote::onset)
                .containsExactly(Fraction.ZERO, Fraction.of(1, 4));
        assertThat(score.lines().get(0).key()).isEqualTo(new Key(-2));
    }

    @Test
    void aPickupATieOverTheBarAndATripletKeepTheirTimes() {
        Score score = read(HEAD
                + part(
                        "P1",
                        OPENING + note("B4", 6, ""),
                        note("C5", 12, "") + note("D5", 12, "<tie type=\"start\"/>"),
                        note("D5", 12, "<tie type=\"stop\"/>")
                                + note("C5", 4, "")
                                + note("B4", 4, "")
                                + note("A4", 4, ""))
                + "</score-partwise>");
        Line line = score.lines().get(0);
        assertThat(line.firstBar()).isEqualTo("0");
        assertThat(line.notes())
                .extracting(LineNote::duration)
                .containsExactly(
                        Fraction.of(1, 8),
                        Fraction.of(1, 4),
                        Fraction.of(1, 2),
                        Fraction.of(1, 12),
                        Fraction.of(1, 12),
                        Fraction.of(1, 12));
        assertThat(line.passage("1", "2", null).notes()).hasSize(5);
        assertThat(line.passage(null).pickup()).isEqualTo(Fraction.of(1, 2));
    }

    @Test
    void aSlurThatEndsOnATiedNoteEnds() {
        Score score = read(HEAD
                + part(
                        "P1",
                        OPENING
                                + note("C5", 12, "<notations><slur type=\"start\" number=\"1\"/></notations>")
                                + note("D5", 12, "<tie type=\"start\"/>"),
                        note("D5", 24, "<tie type=\"stop\"/><notations><slur type=\"stop\" number=\"1\"/></notations>"))
                + "</score-partwise>");
        assertThat(score.lines().get(0).notes())
                .extracting(note -> note.inflection().slursClosed())
                .containsExactly(0, 1);
    }

    @Test
    void anOrchestraOfEightyPartsIsRead() {
        StringBuilder list = new StringBuilder("<?xml version=\"1.0\"?><score-partwise><part-list>");
        StringBuilder parts = new StringBuilder();
        for (int desk = 1; desk <= 80; desk++) {
            list.append("<score-part id=\"P")
                    .append(desk)
                    .append("\"><part-name>Desk ")
                    .append(desk)
                    .append("</part-name></score-part>");
            parts.append(part("P" + desk, OPENING + note("C5", 24, "")));
        }
        Score score = read(list + "</part-list>" + parts + "</score-partwise>");
        assertThat(score.lines()).hasSize(80);
        assertThat(score.lines().get(79).part()).isEqualTo("Desk 80");
    }

    @Test
    void nestedTupletsAreExact() {
        String five =
                "<time-modification><actual-notes>15</actual-notes><normal-notes>8</normal-notes></time-modification>";
        Score score = read(HEAD
                + part(
                        "P1",
                        "<attributes><divisions>15</divisions><time><beats>1</beats><beat-type>4</beat-type></time></attributes>"
                                + note("C5", 5, "") + note("D5", 1, five) + note("E5", 1, five) + note("F5", 1, five)
                                + note("G5", 1, five)
                                + note("A5", 1, five) + note("B5", 5, ""))
                + "</score-partwise>");
        Passage passage = score.lines().get(0).passage(null);
        assertThat(passage.notes().get(1).duration()).isEqualTo(Fraction.of(1, 15));
        assertThat(AbcReader.read(AbcWriter.write(passage)).passage(passage.beatUnit()))
                .isEqualTo(passage);
    }

    @Test
    void meterAndKeyChangeInMidSectionAndRepeatsAreKeptOrPlayedOut() {
        Score score = read(HEAD
                + part(
                        "P1",
                        OPENING + "<barline location=\"left\"><repeat direction=\"forward\"/></barline>"
                                + note("C5", 24, ""),
                        "<barline location=\"left\"><ending number=\"1\" type=\"start\"/></barline>"
                                + note("D5", 24, "")
                                + "<barline location=\"right\"><ending number=\"1\" type=\"stop\"/><repeat direction=\"backward\"/></barline>",
                        "<barline location=\"left\"><ending number=\"2\" type=\"start\"/></barline>"
                                + note("E5", 24, ""),
                        "<attributes><key><fifths>3</fifths></key><time><beats>3</beats><beat-type>8</beat-type></time></attributes>"
                                + note("F5", 18, ""))
                + "</score-partwise>");
        Passage written = score.lines().get(0).passage(null);
        assertThat(written.directions())
                .contains(
                        new Direction.MeterChange(Fraction.of(6), new Meter(3, 8)),
                        new Direction.KeyChange(Fraction.of(6), new Key(3)));
        assertThat(Unrolling.of(written).notes())
                .extracting(note -> note.pitches().get(0).letter())
                .containsExactly('C', 'D', 'C', 'E', 'F');
    }

    @Test
    void whatIsWrittenOverTheNotesSurvivesAndWhatHasNoPlaceIsListed() {
        Score score = read(HEAD
                + part(
                        "P1",
                        OPENING
                                + "<direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>96</per-minute></metronome></direction-type></direction>"
                                + "<direction><direction-type><dynamics><mf/></dynamics></direction-type></direction>"
                                + "<direction><direction-type><words>dolce</words></direction-type></direction>"
                                + "<note><grace/><pitch><step>B</step><octave>4</octave></pitch></note>"
                                + note(
                                        "C5",
                                        12,
                                        "<notations><slur type=\"start\" number=\"1\"/><technical><fingering>3</fingering></technical>"
                                                + "<articulations><staccato/></articulations><ornaments><trill-mark/></ornaments></notations>"
                                                + "<lyric number=\"1\"><syllabic>begin</syllabic><text>lan</text></lyric>")
                                + "<note><chord/><pitch><step>E</step><octave>5</octave></pitch><duration>12</duration></note>"
                                + note(
                                        "D5",
                                        12,
                                        "<notations><slur type=\"stop\" number=\"1\"/><articulations><breath-mark/></articulations></notations>"))
                + "</score-partwise>");
        Line line = score.lines().get(0);
        LineNote first = line.notes().get(0);
        assertThat(first.pitches()).hasSize(2);
        assertThat(first.inflection().grace()).hasSize(1);
        assertThat(first.inflection().slursOpened()).isEqualTo(1);
        assertThat(first.inflection().mark(Mark.Kind.FINGERING))
                .map(Mark::value)
                .contains("3");
        assertThat(first.inflection().articulations()).containsExactly(Articulation.STACCATO);
        assertThat(first.inflection().syllable()).isEqualTo("lan-");
        assertThat(line.notes().get(1).inflection().mark(Mark.Kind.BREATH)).isPresent();
        assertThat(line.directions())
                .contains(
                        new Direction.TempoMark(Fraction.ZERO, Fraction.of(1, 4), 96),
                        new Direction.Words(Fraction.ZERO, "dolce"));
        assertThat(Omitted.in(score.leftOut())).containsExactly("dynamics: 1", "ornaments: 1");
    }

    @Test
    void timewiseIsReadLikePartwise() {
        String timewise = HEAD.replace("score-partwise", "score-timewise")
                + "<measure number=\"1\"><part id=\"P1\">" + OPENING + note("C5", 24, "") + "</part><part id=\"P2\">"
                + OPENING
                + note("E4", 24, "") + "</part></measure><measure number=\"2\"><part id=\"P1\">" + note("D5", 24, "")
                + "</part><part id=\"P2\">" + note("F4", 24, "") + "</part></measure></score-timewise>";
        assertThat(read(timewise).lines())
                .extracting(line -> line.notes().size())
                .containsExactly(2, 2);
    }

    private static byte[] zip(String... namesAndTexts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < namesAndTexts.length; i += 2) {
                zip.putNextEntry(new ZipEntry(namesAndTexts[i]));
                zip.write(namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
            }
        }
        return out.toByteArray();
    }

    @Test
    void aCompressedScoreIsTheOneItsContainerNames() throws IOException {
        String score = HEAD + part("P1", OPENING + note("C5", 24, "")) + "</score-partwise>";
        String container = "<container><rootfiles><rootfile full-path=\"music/b.xml\"/></rootfiles></container>";
        byte[] file = zip("META-INF/container.xml", container, "a.xml", "<nothing/>", "music/b.xml", score);
        assertThat(Format.read(file, Wishes.NONE).lines()).hasSize(1);
        assertThatThrownBy(() -> Format.read(zip("readme.txt", "hello"), Wishes.NONE))
                .hasMessageContaining("refusal.container.thisCompressedFileHoldsNo");
    }

    @Test
    void aFileThatUnpacksToFarMoreIsRefused() throws IOException {
        byte[] bomb = zip("a.xml", " ".repeat(30_000_000));
        assertThatThrownBy(() -> Format.read(bomb, Wishes.NONE))
                .isInstanceOf(ScoreException.class)
                .hasMessageContaining("refusal.container.thisCompressedFileUnpacks");
    }

    @Test
    void entitiesAreNeitherFetchedNorExpanded() {
        String outside =
                "<?xml version=\"1.0\"?><!DOCTYPE s [<!ENTITY x SYSTEM \"file:///etc/hostname\">]><score-partwise><part-list>"
                        + "<score-part id=\"P1\"><part-name>&x;</part-name></score-part></part-list>"
                        + part("P1", OPENING + note("C5", 24, ""))
                        + "</score-partwise>";
        assertThatThrownBy(() -> read(outside)).isInstanceOf(ScoreException.class);
        StringBuilder laughs = new StringBuilder("<?xml version=\"1.0\"?><!DOCTYPE s [<!ENTITY a \"ha\">");
        for (char c = 'b'; c < 'n'; c++) {
            laughs.append("<!ENTITY ")
                    .append(c)
                    .append(" \"")
                    .append(("&" + (char) (c - 1) + ";").repeat(10))
                    .append("\">");
        }
        laughs.append("]><score-partwise><work><work-title>&m;</work-title></work></score-partwise>");
        assertThatThrownBy(() -> read(laughs.toString())).isInstanceOf(ScoreException.class);
        assertThatThrownBy(() -> read("<score-partwise>" + "<a>".repeat(5_000)))
                .isInstanceOf(ScoreException.class)
                .hasMessageContaining("deep");
    }

    private static byte[] midi(int resolution, int[]... notes) throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, resolution);
        Track track = sequence.createTrack();
        track.add(new MidiEvent(new MetaMessage(0x58, new byte[] {3, 2, 24, 8}, 4), 0));
        track.add(new MidiEvent(new MetaMessage(0x59, new byte[] {-3, 0}, 2), 0));
        track.add(new MidiEvent(new MetaMessage(0x51, new byte[] {7, (byte) 0xA1, 0x20}, 3), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 64, 127), 0));
        for (int[] note : notes) {
            track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, note[0], 80), note[1]));
            track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, note[0], 0), note[2]));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 1, out);
        return out.toByteArray();
    }

    @Test
    void midiIsDrawnToTheGridThatFits() throws Exception {
        byte[] played = midi(
                480,
                new int[] {63, 3, 118},
                new int[] {67, 122, 236},
                new int[] {70, 241, 350},
                new int[] {58, 239, 352},
                new int[] {72, 357, 474},
                new int[] {75, 481, 1430});
        Score score = Format.read(played, Wishes.NONE);
        Line line = score.lines().get(0);
        assertThat(score.warnings()).containsExactly(Reason.of("read.drawn", "grid", new Grid(4).title()));
        assertThat(line.notes())
                .extracting(LineNote::onset)
                .containsExactly(
                        Fraction.ZERO, Fraction.of(1, 16), Fraction.of(1, 8), Fraction.of(3, 16), Fraction.of(1, 4));
        assertThat(line.notes().get(2).pitches()).hasSize(2);
        assertThat(line.notes().get(0).pitches().get(0).letter())
                .as("an E flat in three flats")
                .isEqualTo('E');
        assertThat(line.meter()).isEqualTo(new Meter(3, 4));
        assertThat(Omitted.in(score.leftOut())).containsExactly("controllers: 1");
        assertThat(Format.read(played, Wishes.on(new Grid(3))).lines().get(0).notes())
                .hasSizeLessThan(6);
    }

    @Test
    void tripletsFindTheirGrid() {
        assertThat(Grid.fitting(List.of(0.0, 0.34, 0.66, 1.01, 1.33)).perQuarter())
                .isEqualTo(3);
        assertThat(Grid.fitting(List.of(0.0, 0.5, 1.0, 1.75)).perQuarter()).isEqualTo(4);
        assertThat(Grid.fitting(List.of(0.0, 1.0, 3.0)).perQuarter()).isEqualTo(1);
    }

    @Test
    void anAbcFileHoldsTunesAndVoices() {
        Score score = read("""
                L:1/8
                X:1
                T:One
                M:6/8
                K:D
                V:1 name=up
                V:2 name=low
                V:1
                "A7"d2e f2g | a6 |
                [V:2] D6 | A,6 |

                X:2
                T:Two
                M:2/4
                K:Am
                ABcd | e4 |

                X:3
                T:Broken
                K:C
                C/0
                """);
        assertThat(score.lines()).extracting(line -> line.part() + line.voice()).containsExactly("One1", "One2", "Two");
        assertThat(Omitted.in(score.leftOut())).containsExactly("chordNames: 1");
        assertThat(score.unread())
                .singleElement()
                .asString()
                .startsWith("refusal.abcBook.unread")
                .contains("Broken", "number=3", "refusal.abcRhythm.aNoteCannotBeDividedByZero");
    }

    @Test
    void wordsUnderTheNotesAreLaidOut() {
        Passage passage = AbcReader.read("M:2/4\nL:1/8\nK:C\nCDEF | G2 z2\nw: lan-tern * light | quay")
                .passage();
        assertThat(passage.notes())
                .extracting(note -> note.inflection().syllable())
                .containsExactly("lan-", "tern", "", "light", "quay");
    }
}

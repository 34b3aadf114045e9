package tachylim.notation;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.xml.XMLConstants;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.transform.stax.StAXSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.apache.commons.numbers.fraction.Fraction;
import org.audiveris.proxymusic.ScorePartwise;
import org.junit.jupiter.api.Test;
import org.w3c.dom.bootstrap.DOMImplementationRegistry;
import org.w3c.dom.ls.DOMImplementationLS;
import org.w3c.dom.ls.LSInput;
import org.xml.sax.SAXException;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.notation.midi.MidiWriter;
import tachylim.notation.musicxml.MusicXmlWriter;
import tachylim.notation.score.Grid;
import tachylim.notation.score.Line;
import tachylim.notation.score.Movement;
import tachylim.notation.score.Score;
import tachylim.notation.score.Wishes;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.tempo.Tempo;

/** What is written is read back as the same music. */
class RoundTripTest {

    private static final Schema SCHEMA = schema();

    @Provide
    Arbitrary<Passage> written() {
        return Written.passages();
    }

    @Property(tries = 400)
    void abcGivesTheSamePassage(@ForAll("written") Passage passage) {
        String abc = AbcWriter.write(passage);
        Passage again = AbcReader.read(abc).passage(passage.beatUnit());
        assertThat(again.notes()).as(abc).isEqualTo(passage.notes());
        assertThat(again.directions()).as(abc).isEqualTo(passage.directions());
        assertThat(again).as(abc).isEqualTo(passage);
    }

    /** Where the page finds each note: at its letter, its accidental, or the bracket of its chord. */
    @Property(tries = 200)
    void theTextOfTheEngravingKnowsWhereEachNoteStands(@ForAll("written") Passage passage) {
        AbcWriter.Written written = AbcWriter.engraving(passage);
        assertThat(written.places()).hasSameSizeAs(passage.notes()).isSorted().doesNotHaveDuplicates();
        for (int i = 0; i < passage.notes().size(); i++) {
            String from = written.abc().substring(written.places().get(i));
            Note note = passage.notes().get(i);
            assertThat(from)
                    .as(written.abc())
                    .matches(note.pitches().size() > 1 ? "(?s)\\[.*" : "(?s)[_^=]*[A-Ga-g].*");
        }
    }

    /** The file without its document type, which names a place on the network. */
    private static StAXSource source(byte[] file) throws XMLStreamException {
        XMLInputFactory factory = XMLInputFactory.newFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        return new StAXSource(factory.createXMLStreamReader(new ByteArrayInputStream(file)));
    }

    @Property(tries = 120)
    void musicXmlGivesTheSamePassageAndIsValid(@ForAll("written") Passage passage) throws Exception {
        byte[] file = MusicXmlWriter.write("A study", List.of(new Movement("", passage)));
        SCHEMA.newValidator().validate(source(file));
        Score score = Format.read(file, Wishes.NONE);
        assertThat(score.title()).isEqualTo("A study");
        assertThat(score.leftOut()).isEmpty();
        Passage again = score.lines().get(0).passage(passage.beatUnit());
        assertThat(again.notes()).isEqualTo(passage.notes());
        assertThat(again).isEqualTo(passage);
    }

    @Property(tries = 200)
    void midiGivesTheSameKeysAtTheSameTimes(@ForAll("written") Passage passage) {
        byte[] file = MidiWriter.write(List.of(new Movement("", passage)), Tempo.of(96));
        Passage again = Format.read(file, Wishes.on(new Grid(0))).lines().get(0).passage(passage.beatUnit());
        assertThat(again.notes()).hasSameSizeAs(passage.notes());
        for (int i = 0; i < passage.notes().size(); i++) {
            Note before = passage.notes().get(i);
            Note after = again.notes().get(i);
            assertThat(after.pitches())
                    .extracting(Pitch::midi)
                    .isEqualTo(before.pitches().stream().map(Pitch::midi).toList());
            assertThat(after.onset()).isEqualTo(before.onset());
            assertThat(after.duration()).isEqualTo(before.duration());
        }
    }

    @Test
    void paperStaysPaper() throws Exception {
        Passage paper = new PaperPattern(new Meter(6, 8), Fraction.of(3, 8), 2, List.of(3, 6, 5, 0)).toPassage();
        byte[] file = MusicXmlWriter.write("Paper", List.of(new Movement("", paper)));
        SCHEMA.newValidator().validate(source(file));
        assertThat(Format.read(file, Wishes.NONE).lines().get(0).passage(paper.beatUnit()))
                .isEqualTo(paper);
        assertThat(AbcReader.read(AbcWriter.write(paper)).passage(paper.beatUnit()))
                .isEqualTo(paper);
    }

    @Test
    void aSheetHoldsEverySectionOfIt() throws Exception {
        Passage one = AbcReader.read("M:3/4\nL:1/8\nK:G\nGABc d2 | e6").passage();
        Passage two = AbcReader.read("M:6/8\nL:1/8\nK:F\nFGA Bcd | f6").passage();
        List<Movement> sheet = List.of(new Movement("Plain", one), new Movement("Other", two));
        byte[] file = MusicXmlWriter.write("Sheet", sheet);
        SCHEMA.newValidator().validate(source(file));
        assertThat(Format.read(file, Wishes.NONE).lines().get(0).notes())
                .hasSize(one.notes().size() + two.notes().size());
        assertThat(Format.read(MidiWriter.write(sheet, Tempo.of(80)), Wishes.NONE)
                        .lines()
                        .get(0)
                        .notes())
                .hasSize(one.notes().size() + two.notes().size());
        String abc = AbcWriter.tune(one, 1, "Plain") + "\n" + AbcWriter.tune(two, 2, "Other");
        assertThat(Format.read(abc.getBytes(StandardCharsets.UTF_8), Wishes.NONE)
                        .lines())
                .extracting(Line::part)
                .containsExactly("Plain", "Other");
    }

    /** MusicXML's schema as the binding ships it; what it imports from elsewhere is given here. */
    private static Schema schema() {
        try {
            DOMImplementationLS ls = (DOMImplementationLS)
                    DOMImplementationRegistry.newInstance().getDOMImplementation("LS");
            SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
            factory.setResourceResolver((type, namespace, publicId, systemId, base) -> {
                LSInput input = ls.createLSInput();
                input.setSystemId(systemId);
                input.setCharacterStream(new StringReader(namespace.contains("xlink") ? XLINK : XML));
                return input;
            });
            return factory.newSchema(ScorePartwise.class.getResource("/META-INF/jaxb/xsd/musicxml.xsd"));
        } catch (ReflectiveOperationException | SAXException broken) {
            throw new IllegalStateException(broken);
        }
    }

    private static final String XML = """
            <xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" targetNamespace="http://www.w3.org/XML/1998/namespace">
              <xs:attribute name="lang" type="xs:language"/>
              <xs:attribute name="space" type="xs:NCName"/>
            </xs:schema>
            """;

    private static final String XLINK = """
            <xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" targetNamespace="http://www.w3.org/1999/xlink">
              <xs:attribute name="href" type="xs:anyURI"/>
              <xs:attribute name="type" type="xs:NMTOKEN"/>
              <xs:attribute name="role" type="xs:token"/>
              <xs:attribute name="title" type="xs:token"/>
              <xs:attribute name="show" type="xs:NMTOKEN"/>
              <xs:attribute name="actuate" type="xs:NMTOKEN"/>
            </xs:schema>
            """;
}

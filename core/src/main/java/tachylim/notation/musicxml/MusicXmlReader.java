package tachylim.notation.musicxml;

import jakarta.xml.bind.JAXBContext;
import jakarta.xml.bind.JAXBException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import javax.xml.stream.Location;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.util.Marshalling;
import tachylim.notation.score.Line;
import tachylim.notation.score.Omissions;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.words.Reason;

/**
 * Reads MusicXML, partwise and timewise, a measure at a time, so that a long score never stands in memory
 * as a whole tree. Follows MusicXML 4.0; older versions are read as far as they agree with it.
 */
final class MusicXmlReader {

    private static final int MOST_TITLE = 200;

    private final XMLStreamReader xml;
    private final MusicXmlMeasure measure;
    private final Omissions omissions = new Omissions();
    private final Map<String, String> partNames = new LinkedHashMap<>();
    private final Map<String, MusicXmlPart> parts = new LinkedHashMap<>();
    private String title = "";
    private String number = "";
    private boolean isImplicit;

    private MusicXmlReader(XMLStreamReader xml) throws JAXBException {
        this.xml = xml;
        this.measure = new MusicXmlMeasure(xml, Binding.CONTEXT.createUnmarshaller());
    }

    /** The binding of MusicXML's schema takes a second to build, so it is built once. */
    private static final class Binding {

        static final JAXBContext CONTEXT = context();

        private static JAXBContext context() {
            try {
                return Marshalling.getContext(ScorePartwise.class);
            } catch (JAXBException broken) {
                throw new IllegalStateException(broken);
            }
        }
    }

    static void prepare() {
        Objects.requireNonNull(Binding.CONTEXT);
    }

    static Score read(byte[] file) {
        try {
            return new MusicXmlReader(XmlGate.open(file)).score();
        } catch (XMLStreamException broken) {
            Location place = broken.getLocation();
            throw new ScoreException(
                    place == null
                            ? Reason.of("refusal.musicXmlReader.damaged")
                            : Reason.of(
                                    "refusal.musicXmlReader.damagedAt",
                                    "line",
                                    place.getLineNumber(),
                                    "column",
                                    place.getColumnNumber()));
        } catch (JAXBException | ArithmeticException | ClassCastException | IllegalArgumentException unreadable) {
            throw new ScoreException(Reason.of("refusal.musicXmlReader.thisMusicxmlHoldsAMeasure"));
        }
    }

    private Score score() throws XMLStreamException, JAXBException {
        while (xml.hasNext() && xml.getEventType() != XMLStreamReader.START_ELEMENT) {
            xml.next();
        }
        String root = xml.getEventType() == XMLStreamReader.START_ELEMENT ? xml.getLocalName() : "";
        switch (root) {
            case "score-partwise" -> inside("part", "measure");
            case "score-timewise" -> inside("measure", "part");
            default -> throw new ScoreException(Reason.of("refusal.musicXmlReader.thisIsXmlButNoMusicxml"));
        }
        List<Line> lines = new ArrayList<>();
        parts.values().forEach(part -> lines.addAll(part.lines()));
        if (lines.isEmpty()) {
            throw new ScoreException(Reason.of("refusal.musicXmlReader.thisScoreHoldsNoNote"));
        }
        return Score.of(title, lines, omissions.list());
    }

    /** Walks the score; {@code inner} elements inside {@code outer} ones hold the music either way. */
    private void inside(String outer, String inner) throws XMLStreamException, JAXBException {
        String around = "";
        String scorePart = "";
        xml.next();
        while (xml.hasNext()) {
            if (xml.getEventType() != XMLStreamReader.START_ELEMENT) {
                xml.next();
                continue;
            }
            String name = xml.getLocalName();
            if (name.equals(outer)) {
                around = attribute("id");
                if (outer.equals("measure")) {
                    number();
                }
            } else if (name.equals(inner)) {
                String part = inner.equals("part") ? attribute("id") : around;
                if (inner.equals("measure")) {
                    number();
                }
                part(part).take(number, isImplicit, measure.items());
            } else if (name.equals("score-part")) {
                scorePart = attribute("id");
            } else if (name.equals("part-name")) {
                partNames.put(scorePart, text());
            } else if (name.equals("work-title") || name.equals("movement-title")) {
                title = title.isEmpty() ? text() : title;
            }
            xml.next();
        }
    }

    /** The number of the measure the stream stands on, and whether it is printed. */
    private void number() {
        number = attribute("number").strip();
        isImplicit = attribute("implicit").equals("yes");
    }

    private MusicXmlPart part(String id) {
        return parts.computeIfAbsent(id, key -> {
            String name = partNames.getOrDefault(key, "");
            return new MusicXmlPart(name.isBlank() ? "Part " + (parts.size() + 1) : name, omissions);
        });
    }

    private String attribute(String name) {
        String value = xml.getAttributeValue(null, name);
        return value == null ? "" : value;
    }

    private String text() throws XMLStreamException {
        String text = xml.getElementText().strip();
        return text.length() > MOST_TITLE ? text.substring(0, MOST_TITLE) : text;
    }
}

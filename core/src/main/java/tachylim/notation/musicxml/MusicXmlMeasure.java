package tachylim.notation.musicxml;

import jakarta.xml.bind.JAXBException;
import jakarta.xml.bind.Unmarshaller;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.Backup;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.Empty;
import org.audiveris.proxymusic.EmptyPlacement;
import org.audiveris.proxymusic.Forward;
import org.audiveris.proxymusic.Grace;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.Pitch;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.Tie;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.Unpitched;

/**
 * Reads what is in a measure while it streams. A long score is nearly all notes, and a note's few figures are
 * taken from the stream as they pass; whatever has more to it is bound to its class by the schema's binding.
 */
final class MusicXmlMeasure {

    private static final Map<String, Class<?>> BOUND = Map.of(
            "attributes",
            Attributes.class,
            "backup",
            Backup.class,
            "forward",
            Forward.class,
            "direction",
            Direction.class,
            "sound",
            Sound.class,
            "barline",
            Barline.class);

    private final XMLStreamReader xml;
    private final Unmarshaller binding;

    MusicXmlMeasure(XMLStreamReader xml, Unmarshaller binding) {
        this.xml = xml;
        this.binding = binding;
    }

    /**
     * The items of the measure whose start the stream stands on, in order; it stands on the measure's end then.
     * An item that has no place in music of one line is only named, by a string.
     */
    List<Object> items() throws XMLStreamException, JAXBException {
        List<Object> items = new ArrayList<>();
        xml.next();
        while (xml.getEventType() != XMLStreamReader.END_ELEMENT) {
            if (xml.getEventType() != XMLStreamReader.START_ELEMENT) {
                xml.next();
                continue;
            }
            String name = xml.getLocalName();
            Class<?> type = BOUND.get(name);
            if (type != null) {
                items.add(bound(type));
            } else if (name.equals("note")) {
                items.add(note());
                xml.next();
            } else {
                items.add(name);
                passOver();
                xml.next();
            }
        }
        return items;
    }

    /** The element the stream stands on as an object; the stream stands behind its end then. */
    private <T> T bound(Class<T> type) throws JAXBException {
        return binding.unmarshal(xml, type).getValue();
    }

    private Note note() throws XMLStreamException, JAXBException {
        Note note = new Note();
        xml.next();
        while (xml.getEventType() != XMLStreamReader.END_ELEMENT) {
            if (xml.getEventType() == XMLStreamReader.START_ELEMENT) {
                switch (xml.getLocalName()) {
                    case "notations" -> {
                        note.getNotations().add(bound(Notations.class));
                        continue;
                    }
                    case "lyric" -> {
                        note.getLyric().add(bound(Lyric.class));
                        continue;
                    }
                    default -> figure(note, xml.getLocalName());
                }
            }
            xml.next();
        }
        return note;
    }

    /** One of a note's figures. Beams, stems and the like pass by: how a note looks follows from its length. */
    private void figure(Note note, String name) throws XMLStreamException {
        switch (name) {
            case "pitch" -> note.setPitch(pitch());
            case "unpitched" -> note.setUnpitched(unpitched());
            case "duration" -> note.setDuration(new BigDecimal(text()));
            case "voice" -> note.setVoice(text());
            case "type" -> {
                NoteType type = new NoteType();
                type.setValue(text());
                note.setType(type);
            }
            case "dot" -> {
                note.getDot().add(new EmptyPlacement());
                passOver();
            }
            case "time-modification" -> note.setTimeModification(tuplet());
            case "tie" -> {
                Tie tie = new Tie();
                tie.setType("start".equals(xml.getAttributeValue(null, "type")) ? StartStop.START : StartStop.STOP);
                note.getTie().add(tie);
                passOver();
            }
            case "chord" -> {
                note.setChord(new Empty());
                passOver();
            }
            case "grace" -> {
                note.setGrace(new Grace());
                passOver();
            }
            case "cue" -> {
                note.setCue(new Empty());
                passOver();
            }
            default -> passOver();
        }
    }

    private Pitch pitch() throws XMLStreamException {
        Pitch pitch = new Pitch();
        children((name, text) -> {
            switch (name) {
                case "step" -> pitch.setStep(Step.fromValue(text));
                case "alter" -> pitch.setAlter(new BigDecimal(text));
                case "octave" -> pitch.setOctave(Integer.parseInt(text));
                default -> {}
            }
        });
        return pitch;
    }

    private TimeModification tuplet() throws XMLStreamException {
        TimeModification tuplet = new TimeModification();
        children((name, text) -> {
            switch (name) {
                case "actual-notes" -> tuplet.setActualNotes(new BigInteger(text));
                case "normal-notes" -> tuplet.setNormalNotes(new BigInteger(text));
                default -> {}
            }
        });
        return tuplet;
    }

    private Unpitched unpitched() throws XMLStreamException {
        Unpitched place = new Unpitched();
        children((name, text) -> {
            switch (name) {
                case "display-step" -> place.setDisplayStep(Step.fromValue(text));
                case "display-octave" -> place.setDisplayOctave(Integer.parseInt(text));
                default -> {}
            }
        });
        return place;
    }

    /** Hands over the name and the text of each element in the one the stream stands on. */
    private void children(BiConsumer<String, String> each) throws XMLStreamException {
        while (xml.next() != XMLStreamReader.END_ELEMENT) {
            if (xml.getEventType() == XMLStreamReader.START_ELEMENT) {
                each.accept(xml.getLocalName(), text());
            }
        }
    }

    private String text() throws XMLStreamException {
        return xml.getElementText().strip();
    }

    /** Goes on to the end of the element the stream stands on. */
    private void passOver() throws XMLStreamException {
        for (int inside = 1; inside > 0; ) {
            int event = xml.next();
            inside += event == XMLStreamReader.START_ELEMENT ? 1 : event == XMLStreamReader.END_ELEMENT ? -1 : 0;
        }
    }
}

package tachylim.notation.musicxml;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.ByteArrayInputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.util.StreamReaderDelegate;
import tachylim.notation.score.ScoreException;
import tachylim.words.Reason;

/**
 * Opens XML from strangers: no document type is processed, nothing outside the file is read, and depth and
 * size of the tree are limited while it streams.
 */
final class XmlGate extends StreamReaderDelegate {

    private static final int DEEPEST = 64;
    private static final int MOST_ELEMENTS = 12_000_000;

    private int depth;
    private int elements;

    private XmlGate(XMLStreamReader reader) {
        super(reader);
    }

    static XMLStreamReader open(byte[] xml) throws XMLStreamException {
        XMLInputFactory factory = new WstxInputFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, true);
        // Damage is then found where it stands, and always as an XMLStreamException.
        factory.setProperty(WstxInputProperties.P_LAZY_PARSING, false);
        factory.setXMLResolver((publicId, systemId, base, namespace) -> new ByteArrayInputStream(new byte[0]));
        return new XmlGate(factory.createXMLStreamReader(new ByteArrayInputStream(xml)));
    }

    @Override
    public int next() throws XMLStreamException {
        int event = super.next();
        if (event == START_ELEMENT) {
            if (++depth > DEEPEST) {
                throw new ScoreException(Reason.of("refusal.xmlGate.thisFileNestsItsElements", "deepest", DEEPEST));
            }
            if (++elements > MOST_ELEMENTS) {
                throw new ScoreException(Reason.of("refusal.xmlGate.thisScoreIsTooLargeToBe"));
            }
        } else if (event == END_ELEMENT) {
            depth--;
        }
        return event;
    }

    @Override
    public String getElementText() throws XMLStreamException {
        String text = super.getElementText();
        depth--;
        return text;
    }
}

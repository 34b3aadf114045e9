package tachylim.notation;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Reads a file of music, whichever kind it is: MusicXML, plain or compressed, MIDI, or ABC. The kind is
 * told from the file's first bytes, not from its name.
 */
public final class ScoreReader {

    /** A larger file is refused. */
    public static final int MOST_BYTES = 48 * 1024 * 1024;

    private static final int MOST_RATIO = 200;
    private static final int MOST_ENTRIES = 500;
    private static final String CONTAINER = "META-INF/container.xml";

    private ScoreReader() {}

    /**
     * Reads {@code file}.
     *
     * @param file its bytes, up to {@value #MOST_BYTES}
     * @param grid what MIDI times are drawn to; null for the one that fits best
     * @throws ScoreException if it cannot be read, with a sentence for its owner
     */
    public static Score read(byte[] file, Grid grid) {
        if (file.length == 0) {
            throw new ScoreException("This file is empty");
        }
        if (file.length > MOST_BYTES) {
            throw tooLarge();
        }
        try {
            if (startsWith(file, "PK")) {
                return MusicXmlReader.read(unpacked(file));
            }
            if (startsWith(file, "MThd")) {
                return MidiReader.read(file, grid);
            }
            if (looksLikeXml(file)) {
                return MusicXmlReader.read(file);
            }
            return AbcBook.read(text(file));
        } catch (StackOverflowError tooDeep) {
            throw new ScoreException("This file nests too deep to be read");
        }
    }

    /** Builds what reading MusicXML needs, about a second's work, so that the first file does not wait for it. */
    public static void prepare() {
        MusicXmlReader.prepare();
    }

    private static ScoreException tooLarge() {
        return new ScoreException("This file is larger than " + MOST_BYTES / 1024 / 1024
                + " MB. Export the movement or the part you are working on");
    }

    private static boolean startsWith(byte[] file, String start) {
        return file.length >= start.length()
                && new String(file, 0, start.length(), StandardCharsets.ISO_8859_1).equals(start);
    }

    /** A bracket after at most a byte-order mark and space; every second byte may be empty. */
    private static boolean looksLikeXml(byte[] file) {
        for (int i = 0; i < Math.min(file.length, 64); i++) {
            int b = file[i] & 0xff;
            if (b == '<') {
                return true;
            }
            if (b > ' ' && b != 0xef && b != 0xbb && b != 0xbf && b != 0xfe && b != 0xff) {
                return false;
            }
        }
        return false;
    }

    private static String text(byte[] file) {
        for (Charset charset : new Charset[] {StandardCharsets.UTF_8, StandardCharsets.ISO_8859_1}) {
            try {
                String text = charset.newDecoder()
                        .onMalformedInput(CodingErrorAction.REPORT)
                        .decode(ByteBuffer.wrap(file))
                        .toString();
                if (text.indexOf('\0') < 0 && AbcBook.isAbc(text)) {
                    return text.startsWith("\uFEFF") ? text.substring(1) : text;
                }
            } catch (CharacterCodingException other) {
                // tried as the next one
            }
        }
        throw new ScoreException(
                "This is no file of music that can be read here. MusicXML, compressed MusicXML, MIDI and ABC can");
    }

    /** The score inside a compressed file: the one its container names, else the first one there is. */
    private static byte[] unpacked(byte[] file) {
        Map<String, byte[]> entries = new HashMap<>();
        String first = null;
        long total = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            int files = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (++files > MOST_ENTRIES) {
                    throw new ScoreException("This compressed file holds too many files to be a score");
                }
                String name = entry.getName();
                // What is passed over is unpacked on the way all the same, so it counts too.
                boolean wanted = !entry.isDirectory()
                        && (name.equals(CONTAINER) || name.endsWith(".xml") || name.endsWith(".musicxml"));
                byte[] content = bounded(zip, Math.min(MOST_BYTES, (long) MOST_RATIO * file.length) - total);
                total += content.length;
                if (!wanted) {
                    continue;
                }
                entries.put(name, content);
                first = first == null && !name.startsWith("META-INF/") ? name : first;
            }
        } catch (ZipException broken) {
            throw new ScoreException("This compressed file is damaged");
        } catch (IOException broken) {
            throw new ScoreException("This compressed file breaks off");
        }
        byte[] score = entries.get(rootOf(entries.get(CONTAINER), first));
        if (score == null) {
            throw new ScoreException("This compressed file holds no MusicXML score");
        }
        return score;
    }

    private static byte[] bounded(InputStream from, long most) throws IOException {
        ByteArrayOutputStream content = new ByteArrayOutputStream();
        byte[] buffer = new byte[16 * 1024];
        for (int read = from.read(buffer); read >= 0; read = from.read(buffer)) {
            Deadline.check();
            if (content.size() + read > most) {
                throw new ScoreException("This compressed file unpacks to far more than a score; it is not read");
            }
            content.write(buffer, 0, read);
        }
        return content.toByteArray();
    }

    private static String rootOf(byte[] container, String otherwise) {
        if (container == null) {
            return otherwise;
        }
        try {
            XMLStreamReader xml = XmlGate.open(container);
            while (xml.hasNext()) {
                if (xml.next() == XMLStreamReader.START_ELEMENT
                        && xml.getLocalName().equals("rootfile")) {
                    String path = xml.getAttributeValue(null, "full-path");
                    return path == null ? otherwise : path;
                }
            }
        } catch (XMLStreamException broken) {
            return otherwise;
        }
        return otherwise;
    }
}

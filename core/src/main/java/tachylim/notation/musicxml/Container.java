package tachylim.notation.musicxml;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import tachylim.notation.score.Deadline;
import tachylim.notation.score.ScoreException;
import tachylim.words.Reason;

/** A compressed score: an archive with the score, and a container that says which of its files that is. */
final class Container {

    /** Unpacked, no score is larger. */
    private static final int MOST_BYTES = 48 * 1024 * 1024;

    private static final int MOST_RATIO = 200;
    private static final int MOST_ENTRIES = 500;
    private static final String CONTAINER = "META-INF/container.xml";

    private Container() {}

    /** Whether {@code file} is an archive. */
    static boolean isOne(byte[] file) {
        return file.length >= 2 && file[0] == 'P' && file[1] == 'K';
    }

    /** The score inside a compressed file: the one its container names, else the first one there is. */
    static byte[] score(byte[] file) {
        Map<String, byte[]> entries = new HashMap<>();
        String first = null;
        long total = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            int files = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (++files > MOST_ENTRIES) {
                    throw new ScoreException(Reason.of("refusal.container.thisCompressedFileHoldsToo"));
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
        } catch (ZipException | IllegalArgumentException broken) {
            throw new ScoreException(Reason.of("refusal.container.thisCompressedFileIs"));
        } catch (IOException broken) {
            throw new ScoreException(Reason.of("refusal.container.thisCompressedFileBreaks"));
        }
        byte[] score = entries.get(rootOf(entries.get(CONTAINER), first));
        if (score == null) {
            throw new ScoreException(Reason.of("refusal.container.thisCompressedFileHoldsNo"));
        }
        return score;
    }

    private static byte[] bounded(InputStream from, long most) throws IOException {
        ByteArrayOutputStream content = new ByteArrayOutputStream();
        byte[] buffer = new byte[16 * 1024];
        for (int read = from.read(buffer); read >= 0; read = from.read(buffer)) {
            Deadline.check();
            if (content.size() + read > most) {
                throw new ScoreException(Reason.of("refusal.container.thisCompressedFileUnpacks"));
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

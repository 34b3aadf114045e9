package tachylim.server.backup;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.GZIPInputStream;

/**
 * A file that holds a copy of everything that is kept.
 *
 * @param file where it lies
 * @param rows how many rows of each table are in it
 */
record Copy(Path file, Map<String, Integer> rows) {

    /** What the dump ends with when it was written to its end. */
    private static final String END = "-- Dump completed";

    /** One row a line, as the launcher has it written. */
    private static final Pattern ROW = Pattern.compile("INSERT INTO `(\\w+)` VALUES");

    private static final int LONGEST_NAME = 100;

    /** @throws Flaw if it is none, or not whole */
    static Copy read(Path file) throws Flaw, IOException {
        if (!Files.isRegularFile(file) || Files.size(file) == 0) {
            throw new Flaw(file + " is empty");
        }
        Map<String, Integer> rows = new HashMap<>();
        String last = "";
        try (InputStream packed = Files.newInputStream(file);
                BufferedReader lines = new BufferedReader(
                        new InputStreamReader(new GZIPInputStream(packed), StandardCharsets.ISO_8859_1))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                last = line;
                Matcher row = ROW.matcher(line).region(0, Math.min(line.length(), LONGEST_NAME));
                if (row.lookingAt()) {
                    rows.merge(row.group(1), 1, Integer::sum);
                }
            }
        } catch (IOException broken) {
            throw new Flaw(file + " is no backup of Tachylim, or breaks off");
        }
        if (!last.startsWith(END)) {
            throw new Flaw(file + " is no backup of Tachylim, or breaks off before its end");
        }
        return new Copy(file, rows);
    }

    /** What is wrong with a copy, in a sentence for whoever wants to rely on it. */
    static final class Flaw extends Exception {

        private static final long serialVersionUID = 1;

        Flaw(String what) {
            super(what);
        }
    }
}

package tachylim.server.exchange;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import tachylim.server.words.Words;

/** How tables of ours are written as CSV: RFC 4180, with a first row of names, and no cell that a spreadsheet would run. */
final class Csv {

    private static final Set<Character> RUN = Set.of('=', '+', '-', '@', '\t', '\r');
    private static final Map<String, Set<String>> NAMES = new ConcurrentHashMap<>();
    private static final char QUOTED = '\'';

    private Csv() {}

    /** A table with a first row of names, in the language that is asked for. */
    static CSVFormat with(String... columns) {
        return CSVFormat.RFC4180
                .builder()
                .setHeader(Stream.of(columns)
                        .map(column -> name(column, Words.spoken()))
                        .toArray(String[]::new))
                .get();
    }

    /** What a column is called in a language. */
    private static String name(String column, Words words) {
        return words.say("column." + column);
    }

    /** Whether a name in a file is that of a column, in whichever language it was written. */
    static boolean isNamed(String name, String column) {
        return NAMES.computeIfAbsent(
                        column,
                        one -> Words.all().map(words -> name(one, words)).collect(Collectors.toSet()))
                .contains(name.toLowerCase(Locale.ROOT));
    }

    /** A text as a cell: where a spreadsheet would take it for a formula, with a quote before it. */
    static String cell(String text) {
        return !text.isEmpty() && RUN.contains(text.charAt(0)) ? QUOTED + text : text;
    }

    /** The text of a cell that was written so. */
    static String text(String cell) {
        return cell.length() > 1 && cell.charAt(0) == QUOTED && RUN.contains(cell.charAt(1)) ? cell.substring(1) : cell;
    }
}

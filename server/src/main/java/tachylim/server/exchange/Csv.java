package tachylim.server.exchange;

import java.util.Set;
import org.apache.commons.csv.CSVFormat;

/** How tables of ours are written as CSV: RFC 4180, with a first row of names, and no cell that a spreadsheet would run. */
final class Csv {

    private static final Set<Character> RUN = Set.of('=', '+', '-', '@', '\t', '\r');
    private static final char QUOTED = '\'';

    private Csv() {}

    static CSVFormat with(String... columns) {
        return CSVFormat.RFC4180.builder().setHeader(columns).get();
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

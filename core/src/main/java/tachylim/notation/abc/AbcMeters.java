package tachylim.notation.abc;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tachylim.passage.Meter;

/** Reads the meter field of ABC: figures, figures that are sums such as 2+3/8, and the two signs that are letters. */
final class AbcMeters {

    private static final Pattern FIGURES =
            Pattern.compile("^\\(?\\s*(\\d{1,2}(?:\\s*[+ ]\\s*\\d{1,2})*)\\s*\\)?\\s*/\\s*(\\d{1,2})");

    private AbcMeters() {}

    /** The meter of a field, sums counted together; null where it is words, or none. */
    static Meter read(String field) {
        String text = field.strip();
        if (text.startsWith("C|")) {
            return new Meter(2, 2);
        }
        if (text.matches("C\\b.*")) {
            return new Meter(4, 4);
        }
        Matcher figures = FIGURES.matcher(text);
        if (!figures.find()) {
            return null;
        }
        int count = 0;
        for (String part : figures.group(1).split("[+\\s]+")) {
            count += Integer.parseInt(part);
        }
        try {
            return new Meter(count, Integer.parseInt(figures.group(2)));
        } catch (IllegalArgumentException unusual) {
            return null;
        }
    }
}

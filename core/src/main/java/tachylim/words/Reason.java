package tachylim.words;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;

/**
 * Why, as data: a code of the catalogues, and the values that its message asks for. The words themselves stand in one
 * catalogue a language ({@code words/}), in ICU message format, and are put together where they are shown. This class is
 * immutable.
 *
 * @param code the code of the message, such as {@code refusal.brief.giveToMinutesNot}
 * @param values what the message asks for, by name: numbers, texts, days, times, or reasons that are part of this one
 */
public record Reason(String code, Map<String, Object> values) {

    private static final int LONGEST = 30;

    public Reason {
        Objects.requireNonNull(code, "code");
        values = Map.copyOf(values);
    }

    /**
     * A reason with its values.
     *
     * @param namesAndValues the name of each value, followed by the value: a number, a day, a time or another reason; of anything else
     *     how it is written
     */
    public static Reason of(String code, Object... namesAndValues) {
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            Object value = namesAndValues[i + 1];
            boolean plain = value instanceof Number
                    || value instanceof Reason
                    || value instanceof LocalDate
                    || value instanceof LocalDateTime;
            values.put((String) namesAndValues[i], plain ? value : String.valueOf(value));
        }
        return new Reason(code, values);
    }

    /**
     * A reason written as {@code code name=value name=value}, as in a constraint's message, which can only be a text.
     * Values there are numbers or words without blanks.
     */
    public static Reason parse(String written) {
        String[] parts = written.split(" ");
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 1; i < parts.length; i++) {
            int at = parts[i].indexOf('=');
            values.put(parts[i].substring(0, at), parts[i].substring(at + 1));
        }
        return new Reason(parts[0], values);
    }

    /** What a player gave, as far as it need be repeated: its first letters. */
    public static String shortened(String given) {
        return given.length() > LONGEST ? given.substring(0, LONGEST) + "…" : given;
    }

    /** For engineers. */
    @Override
    public String toString() {
        return values.isEmpty() ? code : code + " " + values;
    }
}

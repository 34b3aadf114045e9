package tachylim.words;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import tachylim.codec.Codec;

/**
 * Why, as data: a code of the catalogues, and the values that its message asks for. The words themselves stand in one
 * catalogue a language ({@code words/}), in ICU message format, and are put together where they are shown. This class is
 * immutable.
 *
 * @param code the code of the message, such as {@code climb.up}; empty when there is nothing to say
 * @param values what the message asks for, by name: numbers, texts, days, times, reasons that are part of this one, or a list of
 *     reasons
 */
public record Reason(String code, Map<String, Object> values) {

    /** Nothing to say. */
    public static final Reason NONE = new Reason("", Map.of());

    /** How a reason stands in a document: its code and its values. */
    public static final Codec<Reason> CODEC = Codec.of(Reason::written, Reason::read);

    private static final int LONGEST = 30;

    /** Below it every whole number is one as a double, too. */
    private static final double LONGEST_WHOLE = 1e15;

    /** A value that knows the number by which a message shows it. */
    public interface Figure {
        Number figure();
    }

    public Reason {
        Objects.requireNonNull(code, "code");
        Map<String, Object> plain = new LinkedHashMap<>();
        values.forEach((name, value) -> plain.put(name, plain(value)));
        values = Collections.unmodifiableMap(plain);
    }

    /**
     * A reason with its values.
     *
     * @param namesAndValues the name of each value, followed by the value: a number, a figure, a day, a time, another reason or a list
     *     of reasons; of anything else how it is written
     */
    public static Reason of(String code, Object... namesAndValues) {
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            values.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return new Reason(code, values);
    }

    private static Object plain(Object value) {
        if (value instanceof Figure figure) {
            return plain(figure.figure());
        }
        if (value instanceof Number number) {
            double figure = number.doubleValue();
            return Math.abs(figure) < LONGEST_WHOLE && figure == Math.rint(figure)
                    ? (Object) number.longValue()
                    : (Object) figure;
        }
        if (value instanceof List<?> reasons) {
            return reasons.stream().map(Reason::plain).toList();
        }
        if (value instanceof Map<?, ?> tree) {
            return value(tree);
        }
        boolean kept = value instanceof Reason || value instanceof LocalDate || value instanceof LocalDateTime;
        return kept ? value : String.valueOf(value);
    }

    /** What a player wrote, or what was said before reasons were stored as data: said as it is. */
    public static Reason text(String words) {
        return words.isEmpty() ? NONE : of("text", "words", words);
    }

    /** Whether there is nothing to say. */
    public boolean saysNothing() {
        return code.isEmpty();
    }

    /** This and what follows it, a sentence after the other. */
    public Reason then(Reason next) {
        return saysNothing() ? next : next.saysNothing() ? this : of("then", "first", this, "next", next);
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

    private static Object written(Object value) {
        if (value instanceof Reason reason) {
            Map<String, Object> values = new LinkedHashMap<>();
            reason.values.forEach((name, one) -> values.put(name, written(one)));
            Map<String, Object> tree = new LinkedHashMap<>();
            tree.put("code", reason.code);
            tree.put("values", values);
            return tree;
        }
        return value instanceof List<?> reasons
                ? reasons.stream().map(Reason::written).toList()
                : value;
    }

    /** Sentences stood in documents before reasons did: they are said as they are. */
    private static Reason read(Object node) {
        return node instanceof Map<?, ?> ? (Reason) value(node) : node == null ? NONE : text(Codec.TEXT.read(node));
    }

    private static Object value(Object node) {
        if (node instanceof Map<?, ?> tree) {
            if (!(tree.get("code") instanceof String code) || !(tree.get("values") instanceof Map<?, ?> nodes)) {
                throw new IllegalArgumentException("is no reason: " + tree);
            }
            Map<String, Object> values = new LinkedHashMap<>();
            nodes.forEach((name, one) -> values.put((String) name, value(one)));
            return new Reason(code, values);
        }
        return node instanceof List<?> items ? items.stream().map(Reason::value).toList() : node;
    }

    /** For engineers. */
    @Override
    public String toString() {
        return values.isEmpty() ? code : code + " " + values;
    }
}

package tachylim.browser;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/** Documents as JSON texts, by the browser's own reader. */
final class Json {

    private Json() {}

    /** The tree of a text, as codecs read it. */
    static Object read(String text) {
        return tree(parsed(text));
    }

    private static Object tree(JSObject value) {
        if (isNull(value)) {
            return null;
        }
        return switch (kindOf(value)) {
            case "string" -> textOf(value);
            case "number" -> numberOf(value);
            case "boolean" -> flagOf(value);
            case "array" -> items(value);
            default -> fields(value);
        };
    }

    private static List<Object> items(JSObject value) {
        List<Object> items = new ArrayList<>();
        for (int i = 0; i < length(value); i++) {
            items.add(tree(item(value, i)));
        }
        return items;
    }

    private static Map<String, Object> fields(JSObject value) {
        Map<String, Object> fields = new LinkedHashMap<>();
        for (String name : namesOf(value)) {
            fields.put(name, tree(member(value, name)));
        }
        return fields;
    }

    /** The text of a tree that a codec has written. */
    static String write(Object tree) {
        StringBuilder text = new StringBuilder();
        write(tree, text);
        return text.toString();
    }

    private static void write(Object tree, StringBuilder text) {
        if (tree instanceof String words) {
            text.append(quoted(words));
        } else if (tree instanceof Map<?, ?> fields) {
            char before = '{';
            for (Map.Entry<?, ?> field : fields.entrySet()) {
                text.append(before).append(quoted((String) field.getKey())).append(':');
                write(field.getValue(), text);
                before = ',';
            }
            text.append(fields.isEmpty() ? "{}" : "}");
        } else if (tree instanceof List<?> items) {
            char before = '[';
            for (Object item : items) {
                text.append(before);
                write(item, text);
                before = ',';
            }
            text.append(items.isEmpty() ? "[]" : "]");
        } else {
            text.append(tree);
        }
    }

    @JSBody(params = "json", script = "return JSON.parse(json);")
    private static native JSObject parsed(String json);

    @JSBody(params = "value", script = "return value === undefined || value === null;")
    private static native boolean isNull(JSObject value);

    @JSBody(params = "value", script = "return Array.isArray(value) ? 'array' : typeof value;")
    private static native String kindOf(JSObject value);

    @JSBody(params = "value", script = "return value;")
    private static native String textOf(JSObject value);

    @JSBody(params = "value", script = "return value;")
    private static native double numberOf(JSObject value);

    @JSBody(params = "value", script = "return value;")
    private static native boolean flagOf(JSObject value);

    @JSBody(params = "value", script = "return value.length;")
    private static native int length(JSObject value);

    @JSBody(
            params = {"value", "place"},
            script = "return value[place];")
    private static native JSObject item(JSObject value, int place);

    @JSBody(params = "value", script = "return Object.keys(value);")
    private static native String[] namesOf(JSObject value);

    @JSBody(
            params = {"value", "name"},
            script = "return value[name];")
    private static native JSObject member(JSObject value, String name);

    @JSBody(params = "words", script = "return JSON.stringify(words);")
    private static native String quoted(String words);
}

package tachylim.browser;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/** A value of a JSON text, read by the browser's own reader. What is missing is as what is null. */
final class Doc {

    private final JSObject value;

    private Doc(JSObject value) {
        this.value = value;
    }

    static Doc parse(String json) {
        return new Doc(parsed(json));
    }

    Doc at(String name) {
        return new Doc(isThere() ? member(value, name) : null);
    }

    boolean isThere() {
        return value != null && !missing(value);
    }

    String text() {
        return isThere() ? textOf(value) : "";
    }

    double number() {
        return numberOf(value);
    }

    double number(double otherwise) {
        return isThere() ? number() : otherwise;
    }

    int whole() {
        return (int) number();
    }

    /** What is missing does not hold. */
    boolean flag() {
        return isThere() && text().equals("true");
    }

    List<Doc> items() {
        return isThere()
                ? IntStream.range(0, length(value))
                        .mapToObj(i -> new Doc(item(value, i)))
                        .toList()
                : List.of();
    }

    List<String> names() {
        return isThere() ? Stream.of(namesOf(value)).toList() : List.of();
    }

    /** A word, a number or some numbers, as methods keep their settings. */
    Object setting() {
        return switch (kindOf(value)) {
            case "string" -> text();
            case "number" -> number();
            default -> items().stream().map(Doc::number).toList();
        };
    }

    @JSBody(params = "json", script = "return JSON.parse(json);")
    private static native JSObject parsed(String json);

    @JSBody(
            params = {"value", "name"},
            script = "return value[name];")
    private static native JSObject member(JSObject value, String name);

    @JSBody(params = "value", script = "return value === undefined || value === null;")
    private static native boolean missing(JSObject value);

    @JSBody(params = "value", script = "return String(value);")
    private static native String textOf(JSObject value);

    @JSBody(params = "value", script = "return Number(value);")
    private static native double numberOf(JSObject value);

    @JSBody(params = "value", script = "return typeof value;")
    private static native String kindOf(JSObject value);

    @JSBody(params = "value", script = "return value.length;")
    private static native int length(JSObject value);

    @JSBody(
            params = {"value", "place"},
            script = "return value[place];")
    private static native JSObject item(JSObject value, int place);

    @JSBody(params = "value", script = "return Object.keys(value);")
    private static native String[] namesOf(JSObject value);
}

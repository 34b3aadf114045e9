package tachylim.browser;

import java.util.List;
import java.util.function.Function;
import org.teavm.jso.JSBody;

/** A JSON text as it is written, one object at a time. */
final class Out {

    private final StringBuilder text = new StringBuilder("{");

    Out put(String name, String value) {
        return raw(name, value == null ? "null" : quoted(value));
    }

    Out put(String name, Enum<?> value) {
        return put(name, value == null ? null : value.name());
    }

    Out put(String name, double value) {
        return raw(name, Double.toString(value));
    }

    Out put(String name, int value) {
        return raw(name, Integer.toString(value));
    }

    Out put(String name, Number value) {
        return raw(name, String.valueOf(value));
    }

    Out put(String name, boolean value) {
        return raw(name, value ? "true" : "false");
    }

    Out put(String name, Out value) {
        return raw(name, value == null ? "null" : value.toString());
    }

    <T> Out put(String name, List<T> values, Function<T, ?> written) {
        StringBuilder list = new StringBuilder("[");
        for (T value : values) {
            list.append(list.length() > 1 ? "," : "").append(written.apply(value));
        }
        return raw(name, list.append("]").toString());
    }

    private Out raw(String name, String value) {
        text.append(text.length() > 1 ? "," : "")
                .append('"')
                .append(name)
                .append("\":")
                .append(value);
        return this;
    }

    @JSBody(params = "word", script = "return JSON.stringify(word);")
    static native String quoted(String word);

    @Override
    public String toString() {
        return text + "}";
    }
}

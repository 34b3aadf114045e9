package tachylim.e2e;

import com.google.gson.Gson;
import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/** What the pages say, by its code: a better sentence breaks no story. */
final class Words {

    private static final Map<?, ?> ENGLISH = catalogue("en");

    private Words() {}

    /**
     * A catalogue as the pages take it, with every message marked and a third longer, as other languages are. A message with
     * values is a list of its parts.
     */
    static String marked(String catalogue) {
        JsonObject marked = new JsonObject();
        JsonParser.parseString(catalogue).getAsJsonObject().asMap().forEach((code, message) -> {
            JsonArray parts = new JsonArray();
            parts.add(text("⟦"));
            if (message.isJsonArray()) {
                parts.addAll(message.getAsJsonArray());
            } else {
                parts.add(text(message.getAsString()));
            }
            int letters =
                    ((String) ENGLISH.get(code)).replaceAll("\\{[^{}]*}", "").length();
            parts.add(text(" lo".repeat(letters / 9) + "⟧"));
            marked.add(code, parts);
        });
        return marked.toString();
    }

    private static JsonObject text(String words) {
        JsonObject literal = new JsonObject();
        literal.addProperty("type", 0);
        literal.addProperty("value", words);
        return literal;
    }

    private static Map<?, ?> catalogue(String language) {
        try {
            return new Gson().fromJson(Files.readString(Path.of("../words", language + ".json")), Map.class);
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    /** A message in English, with the name of each of its values followed by the value. */
    static String say(String code, Object... namesAndValues) {
        Object message = ENGLISH.get(code);
        if (message == null) {
            throw new IllegalArgumentException("There are no words for " + code);
        }
        Map<String, Object> values = new HashMap<>(Map.of("instrument", "OTHER"));
        for (int i = 0; i < namesAndValues.length; i += 2) {
            values.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return new MessageFormat((String) message, Locale.ENGLISH).format(values);
    }
}

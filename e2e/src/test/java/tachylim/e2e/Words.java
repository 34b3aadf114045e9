package tachylim.e2e;

import com.google.gson.Gson;
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

    /** The English catalogue with every message marked and a third longer, as other languages are. */
    static String marked() {
        Map<String, String> marked = new HashMap<>();
        ENGLISH.forEach((code, message) -> {
            String text = (String) message;
            int letters = text.replaceAll("\\{[^{}]*}", "").length();
            marked.put((String) code, "⟦" + text + " lo".repeat(letters / 9) + "⟧");
        });
        return new Gson().toJson(marked);
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
        Map<String, Object> values = new HashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            values.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return new MessageFormat((String) message, Locale.ENGLISH).format(values);
    }
}

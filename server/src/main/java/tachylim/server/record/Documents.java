package tachylim.server.record;

import tachylim.codec.Codec;
import tools.jackson.databind.json.JsonMapper;

/** Documents as JSON texts. */
public final class Documents {

    private static final JsonMapper JSON = new JsonMapper();

    private Documents() {}

    public static <T> String write(Codec<T> codec, T value) {
        return JSON.writeValueAsString(codec.write(value));
    }

    /**
     * @throws IllegalArgumentException if the text holds no such value
     */
    public static <T> T read(Codec<T> codec, String text) {
        return codec.read(tree(text));
    }

    /** The tree of a document, as codecs read it. */
    public static Object tree(String text) {
        return JSON.readValue(text, Object.class);
    }
}

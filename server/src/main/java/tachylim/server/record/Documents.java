package tachylim.server.record;

import tachylim.codec.Codec;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.json.JsonMapper;

/** Documents as JSON texts. */
public final class Documents {

    /** No document of ours is longer, deeper or in more sections: what is none of ours is refused before it is laid out. */
    private static final JsonMapper JSON = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxDocumentLength(4 * 1024 * 1024)
                            .maxNestingDepth(60)
                            .maxTokenCount(400_000)
                            .build())
                    .build())
            .build();

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

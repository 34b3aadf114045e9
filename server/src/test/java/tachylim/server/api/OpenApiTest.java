package tachylim.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tachylim.server.ServerTest;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The pages' types are generated from this document, so it has to be the one that is committed. */
class OpenApiTest extends ServerTest {

    private static final Path COMMITTED = Path.of("..", "web", "src", "api", "openapi.json");

    private static final JsonMapper SORTED = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    /** Set to write the document anew instead of comparing it; nothing else may change what is compared. */
    private static final boolean WRITE = Boolean.getBoolean("tachylim.openapi.write");

    @Test
    void theCommittedDocumentIsWhatTheServerSays() throws IOException {
        stranger().get("/api/openapi").ok();
        String now = SORTED.writeValueAsString(
                        SORTED.treeToValue(stranger().get("/api/openapi").ok(), Map.class))
                + "\n";
        if (WRITE) {
            Files.writeString(COMMITTED, now);
        }
        assertThat(Files.readString(COMMITTED))
                .as("openapi.json is not what the server says: './tachylim types' writes it and its types anew")
                .isEqualTo(now);
    }
}

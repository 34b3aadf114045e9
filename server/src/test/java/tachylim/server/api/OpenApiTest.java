package tachylim.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The pages' types are generated from this document, so it has to be the one that is committed. */
class OpenApiTest extends ServerTest {

    private static final Path COMMITTED = Path.of("..", "web", "src", "api", "openapi.json");

    private static final JsonMapper SORTED = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    @Test
    void theCommittedDocumentIsWhatTheServerSays() throws IOException {
        stranger().get("/api/openapi").ok();
        JsonNode now = stranger().get("/api/openapi").ok();
        JsonNode committed = SORTED.readTree(Files.readString(COMMITTED));
        if (!now.equals(committed)) {
            Files.writeString(COMMITTED, SORTED.writeValueAsString(SORTED.treeToValue(now, java.util.Map.class)) + "\n");
        }
        assertThat(now.equals(committed))
                .as("openapi.json has been written anew: run 'npm run types' in web/ and commit both")
                .isTrue();
    }
}

package tachylim.server.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

class LogTest extends ServerTest {

    private final UUID window = UUID.randomUUID();

    private JsonNode begun(Player player, long piece, int events) {
        return Practice.playOn(player, Practice.begin(player, piece, window).ok(), window, events);
    }

    private void stop(Player player, JsonNode run) {
        Practice.send(player, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
    }

    @Test
    void aSessionThatIsStillOpenIsInTheLogToo() {
        Player odile = player();
        JsonNode run = begun(odile, Practice.firstPiece(odile, Practice.newPassage(odile)), 3);
        JsonNode entry = odile.get("/api/log").ok().path("entries").path(0);
        assertThat(entry.path("runId").asLong()).isEqualTo(run.path("id").asLong());
        assertThat(entry.path("outcome").isNull()).isTrue();
        assertThat(entry.path("focus").asString()).isEqualTo("evenness");
    }

    @Test
    void theNewestComesFirstAndOlderOnesArePagedTo() {
        Player odile = player();
        long piece = Practice.firstPiece(odile, Practice.newPassage(odile));
        for (int i = 0; i < 32; i++) {
            stop(odile, begun(odile, piece, 0));
        }
        JsonNode first = odile.get("/api/log").ok();
        assertThat(first.path("entries")).hasSize(30);
        assertThat(first.path("entries").path(0).path("runId").asLong())
                .isGreaterThan(first.path("entries").path(29).path("runId").asLong());
        JsonNode older =
                odile.get("/api/log?before=" + first.path("olderThan").asLong()).ok();
        assertThat(older.path("entries")).hasSize(2);
        assertThat(older.path("olderThan").isNull()).isTrue();
    }

    @Test
    void aSessionIsComparedWithItsPlanEvenWhenThePassageHasChangedSince() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        JsonNode run = begun(odile, Practice.firstPiece(odile, passage), 5);
        stop(odile, run);
        String path = "/api/log/" + run.path("id").asLong();
        JsonNode before = odile.get(path).ok();
        odile.put(
                        "/api/passages/" + passage,
                        Practice.passage(Map.of("music", Practice.abc("K:C\nCDEF"), "targetBpm", 200)))
                .ok();
        JsonNode after = odile.get(path).ok();
        assertThat(after.path("planned")).isEqualTo(before.path("planned"));
        assertThat(after.path("played")).isEqualTo(before.path("played"));
        assertThat(after.path("planned").path("stretches").size())
                .isGreaterThan(after.path("played").path("stretches").size());
    }

    @Test
    void aNoteIsKeptWithItsSession() {
        Player odile = player();
        JsonNode run = begun(odile, Practice.firstPiece(odile, Practice.newPassage(odile)), 2);
        String path = "/api/runs/" + run.path("id").asLong() + "/note";
        assertThat(odile.put(path, Map.of("note", "  The crossing at note 9. <b>"))
                        .status())
                .isEqualTo(204);
        assertThat(odile.get("/api/log")
                        .ok()
                        .path("entries")
                        .path(0)
                        .path("note")
                        .asString())
                .isEqualTo("The crossing at note 9. <b>");
        assertThat(odile.put(path, Map.of("note", "x".repeat(2_001))).status()).isEqualTo(422);
    }

    @Test
    void whatIsPutAwayStaysInTheLogAndCountsForTheDay() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        stop(odile, begun(odile, Practice.firstPiece(odile, passage), 5));
        odile.delete("/api/passages/" + passage);
        assertThat(odile.get("/api/log")
                        .ok()
                        .path("entries")
                        .path(0)
                        .path("passage")
                        .asString())
                .isEqualTo("Kestrel Weather");
        assertThat(odile.get("/api/load")
                        .ok()
                        .path("days")
                        .path(0)
                        .path("effort")
                        .asDouble())
                .isPositive();
    }
}

package tachylim.server.count;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Clean changes are counted, several times a day and without a plan. */
class CountsTest extends ServerTest {

    private static Map<String, Object> change(String name, double beats) {
        return Map.of("name", name, "song", "Nine Lanterns", "target", 112, "beats", beats);
    }

    private static Map<String, Object> count(int clean) {
        return Map.of("clientId", UUID.randomUUID().toString(), "seconds", 60, "clean", clean);
    }

    private static String counts(JsonNode view, int change) {
        return "/api/changes/" + view.path("changes").path(change).path("id").asLong() + "/counts";
    }

    @Test
    void aChangeKnowsWhatItsTargetNeedsAndItsBest() {
        Player odile = player();
        JsonNode view = odile.post("/api/changes", change("G to C", 2)).ok();
        JsonNode one = view.path("changes").path(0);
        assertThat(one.path("needed").asInt()).isEqualTo(56);
        assertThat(one.path("best").isNull()).isTrue();
        odile.post(counts(view, 0), count(40)).ok();
        clock.pass(60);
        JsonNode after =
                odile.post(counts(view, 0), count(36)).ok().path("changes").path(0);
        assertThat(after.path("best").asDouble()).isEqualTo(40);
        assertThat(after.path("counts")).hasSize(2);
        assertThat(after.path("tempo").asDouble()).isEqualTo(76);
        assertThat(after.path("trend").toString()).contains("count.lately", "\"now\":38");
    }

    @Test
    void aSongGoesNoFasterThanItsSlowestChange() {
        Player odile = player();
        odile.post("/api/changes", change("G to C", 2)).ok();
        JsonNode view = odile.post("/api/changes", change("C to F", 2)).ok();
        odile.post(counts(view, 0), count(50)).ok();
        clock.pass(60);
        JsonNode both = odile.post(counts(view, 1), count(30)).ok();
        assertThat(both.path("songs").path(0).toString()).contains("count.song", "\"tempo\":60", "C to F");
    }

    @Test
    void aCountIsPracticeOfItsDayAndCountsOnce() {
        Player odile = player();
        JsonNode view = odile.post("/api/changes", change("G to C", 2)).ok();
        Map<String, Object> count = count(40);
        odile.post(counts(view, 0), count).ok();
        JsonNode again = odile.post(counts(view, 0), count).ok();
        assertThat(again.path("changes").path(0).path("counts")).hasSize(1);
        JsonNode day = odile.get("/api/load").ok().path("days").path(0);
        assertThat(day.path("playedSeconds").asDouble()).isEqualTo(60);
        assertThat(day.path("effort").asDouble()).isCloseTo(3.32, within(0.01));
    }

    @Test
    void nothingIsCountedInTheRestAfterASymptom() {
        Player odile = player();
        JsonNode view = odile.post("/api/changes", change("G to C", 2)).ok();
        odile.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        Reply refused = odile.post(counts(view, 0), count(40));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(odile.get("/api/changes").ok().path("caution").asString()).contains("don’t play until");
    }

    @Test
    void aChangeThatIsTakenAwayLeavesWhatItCostWithItsDay() {
        Player odile = player();
        JsonNode view = odile.post("/api/changes", change("G to C", 2)).ok();
        odile.post(counts(view, 0), count(40)).ok();
        assertThat(odile.delete("/api/changes/"
                                + view.path("changes").path(0).path("id").asLong())
                        .status())
                .isEqualTo(204);
        assertThat(odile.get("/api/changes").ok().path("changes")).isEmpty();
        assertThat(odile.get("/api/load")
                        .ok()
                        .path("days")
                        .path(0)
                        .path("effort")
                        .asDouble())
                .isPositive();
    }

    @ParameterizedTest
    @CsvSource({"beats, 0", "beats, 17", "target, 10", "target, 401"})
    void aChangeOutOfRangeIsRefusedWithAReason(String field, double value) {
        Map<String, Object> wish = new HashMap<>(change("G to C", 2));
        wish.put(field, value);
        Reply reply = player().post("/api/changes", wish);
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.detail()).containsPattern("\\d").endsWith(".");
    }

    @Test
    void aCountOfAnotherLengthIsRefused() {
        Player odile = player();
        JsonNode view = odile.post("/api/changes", change("G to C", 2)).ok();
        Map<String, Object> odd = new HashMap<>(count(40));
        odd.put("seconds", 45);
        assertThat(odile.post(counts(view, 0), odd).status()).isEqualTo(422);
    }
}

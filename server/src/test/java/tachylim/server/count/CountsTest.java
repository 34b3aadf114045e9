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
import tachylim.server.Practice;
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
        assertThat(Practice.effortOfTheLastDay(odile)).isPositive();
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

    /** A count belongs to a transition of a passage: its plan goes no faster than the slowest, and says so. */
    @Test
    void aPlanFollowsTheSlowestChangeOfItsPassage() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long section = Practice.firstSection(odile, passage);
        String address = "/api/passages/" + passage + "/transitions/3/changes";
        JsonNode made = odile.post(address, Map.of()).ok().path("changes");
        assertThat(odile.post(address, Map.of()).ok().path("changes"))
                .isEqualTo(made)
                .hasSize(1);
        assertThat(made.path(0).path("passageId").asLong()).isEqualTo(passage);
        assertThat(made.path(0).path("transition").asInt()).isEqualTo(3);
        assertThat(made.path(0).path("beats").asDouble()).isEqualTo(0.25);
        assertThat(odile.post("/api/passages/" + passage + "/transitions/999/changes", Map.of())
                        .status())
                .isEqualTo(404);
        Map<String, Object> wish = Practice.plan(section, Map.of("school", "STEADY_CLIMB"));
        assertThat(fastestSlow(odile.post("/api/plans", wish).ok())).isGreaterThan(50);
        odile.post("/api/changes/" + made.path(0).path("id").asLong() + "/counts", count(200))
                .ok();
        JsonNode view = odile.post("/api/plans", wish).ok();
        assertThat(fastestSlow(view)).isBetween(35.0, 50.0);
        assertThat(view.toString()).contains("slow.change");
    }

    private static double fastestSlow(JsonNode view) {
        double fastest = 0;
        for (JsonNode stretch : view.path("timeline").path("stretches")) {
            boolean core = view.path("timeline")
                    .path("blocks")
                    .path(stretch.path("block").asInt())
                    .path("part")
                    .asString()
                    .equals("CORE");
            if (stretch.path("form").asString().equals("CONTROLLED") && !core) {
                fastest = Math.max(fastest, stretch.path("tempo").asDouble());
            }
        }
        return fastest;
    }

    /** What is counted in a workout stands with the counts of its transition, and costs once. */
    @Test
    void aCountInAWorkoutBelongsToItsTransition() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long section = Practice.firstSection(odile, passage);
        UUID window = UUID.randomUUID();
        Map<String, Object> block = new HashMap<>(Map.of(
                "part", "CORE", "theme", 0, "variation", "", "seconds", 300, "school", "CHANGE_COUNT", "own", true));
        Map<String, Object> warm = new HashMap<>(
                Map.of("part", "WARM_UP", "theme", 0, "variation", "", "seconds", 120, "school", "EASY", "own", false));
        JsonNode run = odile.post(
                        "/api/runs",
                        Map.of(
                                "plan",
                                Practice.plan(section, Map.of("blocks", java.util.List.of(warm, block))),
                                "holder",
                                window.toString()))
                .ok();
        int counted = 0;
        for (int step = 0; step < 12 && run.path("step").path("ended").isNull(); step++) {
            JsonNode pass = run.path("step").path("pass");
            Map<String, Object> event = Practice.answer(run, window);
            if (pass.path("ask").asString().equals("COUNT")) {
                event.put("verdict", null);
                event.put("told", 41 + counted++);
            }
            run = Practice.send(odile, run, event).ok();
        }
        assertThat(counted).isEqualTo(2);
        JsonNode change = odile.get("/api/changes").ok().path("changes").path(0);
        assertThat(change.path("passageId").asLong()).isEqualTo(passage);
        assertThat(change.path("counts")).hasSize(2);
        assertThat(change.path("best").asDouble()).isEqualTo(42);
    }
}

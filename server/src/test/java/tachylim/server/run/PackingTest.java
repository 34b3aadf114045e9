package tachylim.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** A workout that is taken along, begun where there is no network, and sent when there is one again. */
class PackingTest extends ServerTest {

    private final UUID window = UUID.randomUUID();
    private final UUID phone = UUID.randomUUID();

    private static Map<String, Object> plan(Player player) {
        long section = Practice.firstSection(player, Practice.newPassage(player));
        return Practice.plan(section, Map.of());
    }

    private static JsonNode pack(Player player, Map<String, Object> plan) {
        return player.post("/api/packed", plan).ok();
    }

    private Player.Reply begun(Player player, JsonNode packed, Duration ago) {
        return player.post(
                "/api/packed/" + packed.path("id").asLong() + "/run",
                Map.of("holder", phone.toString(), "secondsAgo", ago.toSeconds()));
    }

    private static String outcome(Player player, JsonNode run) {
        return player.get("/api/log/" + run.path("id").asLong())
                .ok()
                .path("entry")
                .path("outcome")
                .asString();
    }

    @Test
    void itIsPlayedAsItWasPackedAndBegunOnceAtItsOwnTime() {
        Player odile = player();
        JsonNode packed = pack(odile, plan(odile));
        clock.pass(Duration.ofHours(2));
        JsonNode run = begun(odile, packed, Duration.ofHours(1)).ok();
        assertThat(odile.get("/api/runs/" + run.path("id").asLong() + "/score")
                        .ok()
                        .path("workout"))
                .as("the page and the server play the same")
                .isEqualTo(packed.path("basis").path("workout"));
        assertThat(begun(odile, packed, Duration.ofHours(1)).ok().path("id")).isEqualTo(run.path("id"));
        assertThat(sql.sql(
                                "select timestampdiff(second, started_at, packed_at) from run join packed_workout p on p.run_id = run.id where run.id = ?")
                        .param(run.path("id").asLong())
                        .query(Long.class)
                        .single())
                .isEqualTo(-3600);
        JsonNode played = Practice.playOn(odile, run, phone, 200);
        assertThat(played.path("step").path("ended").asString()).isEqualTo("PLAYED");
        assertThat(Practice.effortOfTheLastDay(odile)).isPositive();
    }

    @Test
    void nothingIsBegunBeforeItWasPackedNorInTheFuture() {
        Player odile = player();
        JsonNode packed = pack(odile, plan(odile));
        clock.pass(Duration.ofMinutes(10));
        JsonNode run = begun(odile, packed, Duration.ofDays(3)).ok();
        assertThat(sql.sql(
                                "select timestampdiff(second, packed_at, started_at) from run join packed_workout p on p.run_id = run.id where run.id = ?")
                        .param(run.path("id").asLong())
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(begun(odile, packed, Duration.ofDays(-1)).status()).isEqualTo(422);
    }

    @Test
    void whatWasLeftOpenBeforeEndsWithWhatWasPlayedOfIt() {
        Player odile = player();
        Map<String, Object> plan = plan(odile);
        JsonNode earlier = odile.post("/api/runs", Map.of("plan", plan, "holder", window.toString()))
                .ok();
        Practice.playOn(odile, earlier, window, 3);
        JsonNode packed = pack(odile, plan);
        clock.pass(Duration.ofMinutes(20));
        JsonNode run = begun(odile, packed, Duration.ofMinutes(10)).ok();
        assertThat(outcome(odile, earlier)).isEqualTo("STOPPED");
        assertThat(Practice.playOn(odile, run, phone, 3)
                        .path("step")
                        .path("ended")
                        .isNull())
                .isTrue();
    }

    @Test
    void whatIsPlayedElsewhereByNowGoesOnAndWhatWasPlayedAwayIsKeptBesides() {
        Player odile = player();
        Map<String, Object> plan = plan(odile);
        JsonNode packed = pack(odile, plan);
        clock.pass(Duration.ofMinutes(30));
        JsonNode here = odile.post("/api/runs", Map.of("plan", plan, "holder", window.toString()))
                .ok();
        here = Practice.playOn(odile, here, window, 2);
        JsonNode away = begun(odile, packed, Duration.ofMinutes(30)).ok();
        Map<String, Object> answer = new HashMap<>(
                Practice.event(away, phone, "JUDGED", Map.of("verdict", "CLEAN", "tension", 1, "secondsAgo", 29 * 60)));
        odile.post("/api/runs/" + away.path("id").asLong() + "/events", answer).ok();
        assertThat(sql.sql("select count(*) from run_event where run_id = ?")
                        .param(away.path("id").asLong())
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
        assertThat(outcome(odile, away)).isEqualTo("LEFT");
        assertThat(Practice.playOn(odile, here, window, 2)
                        .path("step")
                        .path("ended")
                        .isNull())
                .as("nobody is thrown out of what they play")
                .isTrue();
    }

    @Test
    void onlyTheLastOnesAreKept() {
        Player odile = player();
        Map<String, Object> plan = plan(odile);
        JsonNode first = pack(odile, plan);
        for (int i = 0; i < 40; i++) {
            pack(odile, plan);
        }
        assertThat(begun(odile, first, Duration.ZERO).status()).isEqualTo(404);
        assertThat(sql.sql(
                                "select count(*) from packed_workout where account_id = (select id from account where name = ?)")
                        .param(odile.name())
                        .query(Long.class)
                        .single())
                .isEqualTo(40);
    }

    @Test
    void nobodyBeginsWhatSomebodyElseHasPacked() {
        Player odile = player();
        JsonNode packed = pack(odile, plan(odile));
        assertThat(begun(player(), packed, Duration.ZERO).status()).isEqualTo(404);
    }
}

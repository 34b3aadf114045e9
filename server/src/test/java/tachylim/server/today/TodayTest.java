package tachylim.server.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

class TodayTest extends ServerTest {

    private static String prepared(Player player) {
        return player.get("/api/today").ok().path("plan").path("passage").asString();
    }

    @Test
    void aFirstDayHasNothingPreparedAndAWholeDayLeft() {
        JsonNode today = player().get("/api/today").ok();
        assertThat(today.path("plan").isNull()).isTrue();
        assertThat(today.path("load").path("limits")).hasSize(3);
        assertThat(today.path("load").path("limits").path(0).path("used").asDouble())
                .isZero();
    }

    @Test
    void whatIsFurthestFromItsTargetIsPrepared() {
        Player odile = player();
        odile.post("/api/passages", Practice.passage(Map.of("title", "Near", "targetBpm", 115)))
                .ok();
        odile.post("/api/passages", Practice.passage(Map.of("title", "Far", "targetBpm", 180)))
                .ok();
        assertThat(prepared(odile)).isEqualTo("Far");
    }

    @Test
    void aDateThatIsNearIsMorePressing() {
        Player odile = player();
        odile.post("/api/passages", Practice.passage(Map.of("title", "Some day", "targetBpm", 138)))
                .ok();
        String today = odile.get("/api/today").ok().path("day").asString();
        String inTenDays = LocalDate.parse(today).plusDays(10).toString();
        odile.post("/api/passages", Practice.passage(Map.of("title", "Soon", "targetBpm", 130, "neededOn", inTenDays)))
                .ok();
        JsonNode view = odile.get("/api/today").ok();
        assertThat(view.path("plan").path("passage").asString()).isEqualTo("Soon");
        assertThat(view.path("sections").path(0).path("why").toString()).contains("\"days\":10");
    }

    @Test
    void theMinutesThatThereAreShapeTheWorkout() {
        Player odile = player();
        Practice.newPassage(odile);
        double ten = odile.get("/api/today?minutes=10")
                .ok()
                .path("plan")
                .path("timeline")
                .path("seconds")
                .asDouble();
        double thirty = odile.get("/api/today?minutes=30")
                .ok()
                .path("plan")
                .path("timeline")
                .path("seconds")
                .asDouble();
        assertThat(ten).isLessThan(thirty).isLessThan(15 * 60);
        assertThat(odile.get("/api/today?minutes=1").status()).isEqualTo(400);
        assertThat(odile.get("/api/today?minutes=many").status()).isEqualTo(400);
    }

    @Test
    void aSessionIsOfSeveralPassagesEachWithItsReason() {
        Player odile = player();
        for (int target : new int[] {180, 150, 126, 118}) {
            odile.post("/api/passages", Practice.passage(Map.of("title", "At " + target, "targetBpm", target)))
                    .ok();
        }
        JsonNode forty = odile.get("/api/today?minutes=40").ok();
        // Thirty effort minutes a day are for three, however much time there is.
        assertThat(forty.path("sections")).hasSize(3);
        assertThat(forty.path("plan").path("sections")).hasSize(3);
        // What is out of reach for anybody in a season is not what minutes are worth most on.
        assertThat(forty.path("sections").findValuesAsString("passage")).containsExactly("At 150", "At 126", "At 118");
        for (JsonNode section : forty.path("sections")) {
            assertThat(section.path("why").toString())
                    .contains(section.path("passage").asString().substring(3));
        }
        assertThat(odile.get("/api/today?minutes=12").ok().path("sections")).hasSize(1);
        assertThat(odile.get("/api/today?easy=true").ok().path("sections")).hasSize(1);
    }

    @Test
    void aBadDayAndAForgottenDayHaveTheirOwnWords() {
        Player odile = player();
        Practice.played(odile, 4);
        assertThat(odile.get("/api/today").ok().path("word").path("code").asString())
                .isEmpty();
        assertThat(odile.get("/api/today?easy=true")
                        .ok()
                        .path("word")
                        .path("code")
                        .asString())
                .isEqualTo("day.easy");
        sql.sql("update played_pass set day = day - interval 3 day where account_id = ?")
                .param(signedIn(odile).accountId())
                .update();
        assertThat(odile.get("/api/today")
                        .ok()
                        .path("word")
                        .path("values")
                        .path("days")
                        .asInt())
                .isEqualTo(2);
    }

    @Test
    void aBadDayHasEightEasyMinutes() {
        Player odile = player();
        Practice.newPassage(odile);
        JsonNode plan = odile.get("/api/today?easy=true").ok().path("plan");
        assertThat(plan.path("wish").path("school").asString()).isEqualTo("EASY");
        assertThat(plan.path("wish").path("minutes").asInt()).isEqualTo(8);
        assertThat(plan.path("timeline").path("totals").path("bursts").asInt()).isZero();
    }

    @Test
    void whatChangedSinceLastTimeIsSaid() {
        Player odile = player();
        Practice.played(odile, 8);
        assertThat(odile.get("/api/today")
                        .ok()
                        .path("sections")
                        .path(0)
                        .path("sinceLastTime")
                        .toString())
                .contains("since.climb")
                .contains("\"days\":0");
    }

    @Test
    void tomorrowKnowsYesterdaysCeiling() {
        Player odile = player();
        Practice.played(odile, 8);
        long account = signedIn(odile).accountId();
        sql.sql("update ceiling_day set day = day - interval 1 day, ceiling = ceiling - 5 where account_id = ?")
                .param(account)
                .update();
        sql.sql("update ceiling_belief set day = day - interval 1 day where account_id = ?")
                .param(account)
                .update();
        sql.sql("update played_pass set day = day - interval 1 day where account_id = ?")
                .param(account)
                .update();
        JsonNode today = odile.get("/api/today").ok();
        assertThat(today.path("sections").path(0).path("sinceLastTime").toString())
                .contains("since.ceiling")
                .contains("\"days\":1");
        assertThat(today.path("load").path("limits").path(0).path("used").asDouble())
                .isZero();
    }

    /** Each instrument has its own warm-up and minutes; rests and words go by the instrument of the passage. */
    @Test
    void aSecondInstrumentHasItsOwnHabits() {
        Player odile = player();
        long horn = odile.post("/api/passages", Practice.passage(Map.of("title", "Tin Lantern", "instrument", "BRASS")))
                .ok()
                .path("passage")
                .path("id")
                .asLong();
        String address = "/api/account/instruments/BRASS";
        assertThat(odile.put(address, Map.of("minutes", 4, "warmUp", Map.of("lines", List.of())))
                        .status())
                .isEqualTo(422);
        odile.put(
                        address,
                        Map.of(
                                "minutes",
                                18,
                                "warmUp",
                                Map.of(
                                        "lines",
                                        List.of(Map.of("what", "long tones", "seconds", 200, "playing", true)))))
                .ok();
        JsonNode plan = odile.get("/api/sections/" + Practice.firstSection(odile, horn) + "/plan")
                .ok();
        assertThat(plan.path("wish").path("minutes").asInt()).isEqualTo(18);
        assertThat(plan.path("wish").path("restsAsPlayed").asBoolean()).isTrue();
        assertThat(plan.path("timeline").path("blocks").path(0).toString()).contains("block.ownWarmUp");
        long bars = Practice.newPassage(odile);
        JsonNode first = odile.get("/api/sections/" + Practice.firstSection(odile, bars) + "/plan")
                .ok();
        assertThat(first.path("wish").path("minutes").asInt()).isNotEqualTo(18);
        assertThat(first.path("wish").path("restsAsPlayed").asBoolean()).isFalse();
        assertThat(first.path("timeline").path("blocks").path(0).toString()).doesNotContain("block.ownWarmUp");
    }
}

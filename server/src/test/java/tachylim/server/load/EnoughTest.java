package tachylim.server.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** What a day may have by the weeks before it, by what lies ahead, and by what somebody who knows said. */
class EnoughTest extends ServerTest {

    @Autowired
    private JdbcClient sql;

    private static Map<String, Object> elsewhere(String kind, int minutes) {
        return Map.of("clientId", UUID.randomUUID().toString(), "kind", kind, "minutes", minutes);
    }

    private static JsonNode limit(JsonNode load, String kind) {
        for (JsonNode limit : load.path("today").path("limits")) {
            if (limit.path("kind").asString().equals(kind)) {
                return limit;
            }
        }
        throw new AssertionError("No limit of " + kind);
    }

    private LocalDate today(Player player) {
        return LocalDate.parse(
                player.get("/api/load").ok().path("today").path("day").asString());
    }

    /** Practice of a day that is over, so many days ago. */
    private void practised(Player player, int daysAgo, double effort) {
        sql.sql("""
                        insert into bench_practice (account_id, client_id, day, at, tempo, play_seconds, effort, elsewhere)
                        select id, uuid(), ?, timestamp(?), 0, 600, ?, 'PRACTICE' from account where name = ?""")
                .params(today(player).minusDays(daysAgo), today(player).minusDays(daysAgo), effort, player.name())
                .update();
    }

    @Test
    void whatWasPlayedElsewhereCountsInTwoTaps() {
        Player odile = player();
        Map<String, Object> rehearsal = elsewhere("REHEARSAL", 10);
        JsonNode load = odile.post("/api/load/elsewhere", rehearsal).ok();
        assertThat(limit(load, "EFFORT").path("used").asDouble()).isCloseTo(12, within(1e-9));
        assertThat(limit(load, "PLAYING_MINUTES").path("used").asDouble()).isCloseTo(10, within(1e-9));
        assertThat(odile.post("/api/load/elsewhere", rehearsal).ok().path("elsewhere"))
                .as("sent twice it counts once")
                .hasSize(1);
        long entry = load.path("elsewhere").path(0).path("id").asLong();
        assertThat(odile.delete("/api/load/elsewhere/" + entry).status()).isEqualTo(204);
        assertThat(limit(odile.get("/api/load").ok(), "EFFORT").path("used").asDouble())
                .isZero();
    }

    /** Practice away from the page is counted whatever it is; the pages warn at the cap and close a tenth above it. */
    @ParameterizedTest
    @CsvSource({"0.5, false, false", "1.04, true, false", "1.2, true, true"})
    void thePagesWarnAtACapAndCloseATenthAboveIt(double ofTheCap, boolean warned, boolean closed) {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        double cap = limit(odile.get("/api/load").ok(), "EFFORT").path("cap").asDouble();
        // A minute of rehearsal is 1.2 effort minutes.
        int minutes = (int) Math.round(ofTheCap * cap / 1.2);
        odile.post("/api/load/elsewhere", elsewhere("REHEARSAL", minutes)).ok();
        for (String page : new String[] {"/api/changes", "/api/passages/" + passage + "/practice-sheet"}) {
            JsonNode view = odile.get(page).ok();
            assertThat(!view.path("caution").asString().isEmpty()).as(page).isEqualTo(warned);
            assertThat(view.path("closed").asBoolean()).as(page).isEqualTo(closed);
        }
    }

    @Test
    void whatIsTakenBackOfYesterdayStillCountsForToday() {
        Player odile = player();
        for (int ago = 1; ago <= 6; ago++) {
            practised(odile, ago, 10);
        }
        practised(odile, 1, 60);
        JsonNode before = odile.get("/api/load").ok();
        long entry = before.path("elsewhere").path(0).path("id").asLong();
        assertThat(odile.delete("/api/load/elsewhere/" + entry).status()).isEqualTo(204);
        JsonNode after = odile.get("/api/load").ok();
        assertThat(after.path("elsewhere")).hasSize(6);
        assertThat(after.path("caps")).isEqualTo(before.path("caps"));
        assertThat(odile.delete("/api/load/elsewhere/" + entry).status()).isEqualTo(404);
    }

    @Test
    void aUsualDayCapsTheNextAndItsArithmeticIsTold() {
        Player odile = player();
        for (int ago = 1; ago <= 6; ago++) {
            practised(odile, ago, 10);
        }
        JsonNode load = odile.get("/api/load").ok();
        assertThat(limit(load, "EFFORT").path("cap").asDouble()).isEqualTo(15);
        assertThat(limit(load, "EFFORT")
                        .path("why")
                        .path("values")
                        .path("usual")
                        .asDouble())
                .isEqualTo(10);
        assertThat(load.path("caps").path(0).path("rule").asString()).isEqualTo("USUAL_DAY");
        assertThat(load.path("caps")).hasSizeGreaterThan(1);
    }

    @Test
    void afterALayoffADayHasLessAndNoBursts() {
        Player odile = player();
        for (int ago = 11; ago <= 18; ago++) {
            practised(odile, ago, 20);
        }
        JsonNode load = odile.get("/api/load").ok();
        assertThat(limit(load, "EFFORT").path("cap").asDouble()).isCloseTo(8, within(1e-9));
        assertThat(limit(load, "EFFORT").path("why").toString()).contains("cap.return", "\"day\":1", "\"length\":10");
        assertThat(limit(load, "BURST_SECONDS").path("cap").asDouble()).isZero();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode timeline =
                odile.post("/api/plans", Practice.plan(section, Map.of())).ok().path("timeline");
        assertThat(timeline.path("totals").path("burstSeconds").asDouble()).isZero();
        assertThat(timeline.path("totals").path("effort").asDouble()).isLessThanOrEqualTo(8);
    }

    @Test
    void beforeAPerformanceThereIsLessToDo() {
        Player odile = player();
        long usual = Math.round(
                limit(odile.get("/api/load").ok(), "EFFORT").path("cap").asDouble());
        odile.post(
                        "/api/passages",
                        Practice.passage(
                                Map.of("neededOn", today(odile).plusDays(2).toString())))
                .ok();
        JsonNode load = odile.get("/api/load").ok();
        assertThat(limit(load, "EFFORT").path("cap").asDouble()).isCloseTo(usual * (0.4 + 0.6 * 2 / 7), within(1e-6));
        assertThat(limit(load, "BURST_SECONDS").path("cap").asDouble()).isZero();
    }

    @Test
    void aLimitThatSomebodyGaveHoldsAtOnceAndIsLiftedTomorrow() {
        Player odile = player();
        JsonNode load = odile.post("/api/load/given", Map.of("kind", "EFFORT", "cap", 7, "by", "Dr Pell"))
                .ok();
        assertThat(limit(load, "EFFORT").path("cap").asDouble()).isEqualTo(7);
        assertThat(limit(load, "EFFORT").path("why").path("values").path("by").asString())
                .isEqualTo("Dr Pell");
        long id = load.path("given").path(0).path("id").asLong();
        assertThat(odile.delete("/api/load/given/" + id).status()).isEqualTo(204);
        JsonNode lifted = odile.get("/api/load").ok();
        assertThat(limit(lifted, "EFFORT").path("cap").asDouble())
                .as("not today")
                .isEqualTo(7);
        assertThat(lifted.path("given").path(0).path("ending").asBoolean()).isTrue();
        odile.post("/api/load/given", Map.of("kind", "EFFORT", "cap", 500, "by", "me"))
                .ok();
        assertThat(limit(odile.get("/api/load").ok(), "EFFORT").path("cap").asDouble())
                .as("a higher one is no way past it")
                .isEqualTo(7);
        clock.nextMorning();
        assertThat(limit(odile.get("/api/load").ok(), "EFFORT").path("cap").asDouble())
                .isGreaterThan(7);
    }

    @Test
    void aStricterLimitIsTakenThoughThereAreTwelve() {
        Player odile = player();
        for (int cap = 12; cap > 0; cap--) {
            odile.post("/api/load/given", Map.of("kind", "EFFORT", "cap", 40 + cap, "by", "Dr Pell"))
                    .ok();
        }
        JsonNode load = odile.post("/api/load/given", Map.of("kind", "EFFORT", "cap", 9, "by", "Dr Amsel"))
                .ok();
        assertThat(limit(load, "EFFORT").path("cap").asDouble()).isEqualTo(9);
        assertThat(load.path("given")).hasSize(12);
        assertThat(load.path("given").toString()).as("the weakest has gone").doesNotContain("52.0");
        JsonNode seconds = odile.post("/api/load/given", Map.of("kind", "BURST_SECONDS", "cap", 0, "by", "Dr Amsel"))
                .ok();
        assertThat(limit(seconds, "BURST_SECONDS").path("cap").asDouble()).isZero();
        assertThat(limit(seconds, "EFFORT").path("cap").asDouble()).isEqualTo(9);
        assertThat(odile.post("/api/load/given", Map.of("kind", "EFFORT", "cap", 30, "by", "me"))
                        .detail())
                .contains("this strict");
    }

    @Test
    void theFiftyFirstReportOfADayClosesAsTheFirstDid() {
        Player odile = player();
        for (int i = 0; i < 50; i++) {
            odile.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        }
        odile.get("/api/load")
                .ok()
                .path("symptoms")
                .forEach(one -> odile.delete("/api/symptoms/" + one.path("id").asLong()));
        sql.sql("update symptom set withdrawn_at = at where account_id = (select id from account where name = ?)")
                .param(odile.name())
                .update();
        assertThat(odile.get("/api/load")
                        .ok()
                        .path("today")
                        .path("restSentence")
                        .asString())
                .isEmpty();
        clock.pass(60);
        odile.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        assertThat(odile.get("/api/load")
                        .ok()
                        .path("today")
                        .path("restSentence")
                        .asString())
                .isNotEmpty();
    }

    @Test
    void aSecondReportClosesBurstsUntilThereWasAdvice() {
        Player odile = player();
        odile.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        odile.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        assertThat(odile.get("/api/load").ok().path("adviceWanted").asBoolean())
                .as("told twice is told once")
                .isFalse();
        sql.sql("""
                        update symptom set at = at - interval 5 day
                        where account_id = (select id from account where name = ?)""").param(odile.name()).update();
        odile.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        JsonNode load = odile.get("/api/load").ok();
        assertThat(load.path("adviceWanted").asBoolean()).isTrue();
        assertThat(limit(load, "BURST_SECONDS").path("why").path("code").asString())
                .isEqualTo("bursts.twoSymptoms");
        assertThat(odile.post("/api/symptoms/advised", Map.of()).status()).isEqualTo(204);
        assertThat(odile.get("/api/load").ok().path("adviceWanted").asBoolean()).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"minutes, 0", "minutes, 601"})
    void elsewhereOutOfRangeIsRefused(String field, int value) {
        Map<String, Object> wish = new HashMap<>(elsewhere("TEACHING", 60));
        wish.put(field, value);
        Reply refused = player().post("/api/load/elsewhere", wish);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.detail()).contains("600");
    }

    @Test
    void aLimitIsSomebodys() {
        assertThat(player().post("/api/load/given", Map.of("kind", "EFFORT", "cap", 7, "by", " "))
                        .status())
                .isEqualTo(422);
        assertThat(player().post("/api/load/given", Map.of("kind", "EFFORT", "cap", -1, "by", "me"))
                        .status())
                .isEqualTo(422);
    }

    // How hard it felt

    private void counts(Player player, boolean felt) {
        player.put(
                        "/api/account/habits",
                        Map.of(
                                "instrument",
                                "MALLET",
                                "usualMinutes",
                                30,
                                "roughCounts",
                                false,
                                "looseOnly",
                                false,
                                "felt",
                                felt))
                .ok();
    }

    private double used(Player player) {
        return limit(player.get("/api/load").ok(), "EFFORT").path("used").asDouble();
    }

    @Test
    void effortIsCountedByWhatWasFeltFromTheDayAfterItWasChosen() {
        Player odile = player();
        counts(odile, true);
        UUID window = UUID.randomUUID();
        JsonNode run = Practice.playOn(odile, Practice.newRun(odile, window), window, 10);
        String rating = "/api/runs/" + run.path("id").asLong() + "/rating";
        assertThat(odile.put(rating, Map.of("rating", 9)).status()).isEqualTo(422);
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
        double counted = used(odile);
        assertThat(odile.put(rating, Map.of("rating", 10)).status()).isEqualTo(204);
        assertThat(used(odile)).as("not on the day it was chosen").isEqualTo(counted);
        sql.sql("update account set felt_from = null where id = ?")
                .param(signedIn(odile).accountId())
                .update();
        assertThat(used(odile)).isGreaterThan(counted);
        odile.put(rating, Map.of("rating", 0));
        assertThat(used(odile)).as("easy is no more room today").isEqualTo(counted);
        assertThat(odile.put(rating, Map.of("rating", 11)).status()).isEqualTo(422);
        sql.sql("update run set day = day - interval 1 day where id = ?")
                .param(run.path("id").asLong())
                .update();
        assertThat(odile.put(rating, Map.of("rating", 3)).status()).isEqualTo(422);
    }

    @Test
    void whoChangesTheirMindTheSameDayHasWhatTheyHad() {
        Player odile = player();
        counts(odile, true);
        assertThat(odile.get("/api/greeting").ok().path("me").path("felt").asBoolean())
                .isTrue();
        counts(odile, false);
        assertThat(sql.sql("select felt_from is null from account where id = ?")
                        .param(signedIn(odile).accountId())
                        .query(Boolean.class)
                        .single())
                .isTrue();
    }
}

package tachylim.server.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

class LogTest extends ServerTest {

    private final UUID window = UUID.randomUUID();

    private JsonNode begun(Player player, long section, int events) {
        return Practice.playOn(player, Practice.begin(player, section, window).ok(), window, events);
    }

    private void stop(Player player, JsonNode run) {
        Practice.send(player, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
    }

    @Test
    void aSessionThatIsStillOpenIsInTheLogToo() {
        Player odile = player();
        JsonNode run = begun(odile, Practice.firstSection(odile, Practice.newPassage(odile)), 3);
        JsonNode entry = odile.get("/api/log").ok().path("entries").path(0);
        assertThat(entry.path("runId").asLong()).isEqualTo(run.path("id").asLong());
        assertThat(entry.path("outcome").isNull()).isTrue();
        assertThat(entry.path("focus").asString()).isEqualTo("evenness");
    }

    @Test
    void theNewestComesFirstAndOlderOnesArePagedTo() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        for (int i = 0; i < 32; i++) {
            stop(odile, begun(odile, section, 0));
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
        JsonNode run = begun(odile, Practice.firstSection(odile, passage), 5);
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
        JsonNode run = begun(odile, Practice.firstSection(odile, Practice.newPassage(odile)), 2);
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
        stop(odile, begun(odile, Practice.firstSection(odile, passage), 5));
        odile.delete("/api/passages/" + passage);
        assertThat(odile.get("/api/log")
                        .ok()
                        .path("entries")
                        .path(0)
                        .path("passage")
                        .asString())
                .isEqualTo("Kestrel Weather");
        assertThat(Practice.effortOfTheLastDay(odile)).isPositive();
    }

    // Looking for workouts

    private long passage(Player player, String title) {
        return player.post("/api/passages", Practice.passage(Map.of("title", title)))
                .ok()
                .path("passage")
                .path("id")
                .asLong();
    }

    private JsonNode entries(Player player, String query) {
        return player.get("/api/log?" + query).ok().path("entries");
    }

    @Test
    void sessionsAreFoundByTheirWordsTheirMusicTheirDaysAndHowTheyEnded() {
        Player odile = player();
        long tin = passage(odile, "Tin Roof 100%");
        long kestrel = passage(odile, "Kestrel Weather");
        JsonNode first = begun(odile, Practice.firstSection(odile, tin), 4);
        stop(odile, first);
        odile.put("/api/runs/" + first.path("id").asLong() + "/note", Map.of("note", "Left hand late at the turn"))
                .ok();
        stop(odile, begun(odile, Practice.firstSection(odile, kestrel), 0));

        assertThat(entries(odile, "text=LATE")).hasSize(1);
        assertThat(entries(odile, "text=kestrel")).hasSize(1);
        assertThat(entries(odile, "text=100%25")).hasSize(1);
        assertThat(entries(odile, "text=100_")).isEmpty();
        assertThat(entries(odile, "text=evenness")).hasSize(2);
        assertThat(entries(odile, "passageId=" + tin)).hasSize(1);
        assertThat(entries(odile, "outcome=STOPPED")).hasSize(2);
        assertThat(entries(odile, "outcome=SYMPTOM")).isEmpty();
        String today = odile.get("/api/today").ok().path("day").asString();
        assertThat(entries(odile, "from=" + today + "&to=" + today)).hasSize(2);
        assertThat(entries(odile, "to=2001-01-01")).isEmpty();
        assertThat(odile.get("/api/log?from=yesterday").status()).isEqualTo(400);
        assertThat(player().get("/api/log?text=kestrel").ok().path("entries")).isEmpty();
    }

    // Putting right

    private double ceiling(Player player, long section) {
        return player.get("/api/sections/" + section + "/ceiling")
                .ok()
                .path("estimate")
                .path("ceiling")
                .path("middle")
                .asDouble();
    }

    private JsonNode told(JsonNode session) {
        for (JsonNode pass : session.path("passes")) {
            if (!pass.path("verdict").isNull() && pass.path("kind").asString().equals("CONTROLLED")) {
                return pass;
            }
        }
        throw new AssertionError("Nothing was told: " + session.path("passes"));
    }

    @Test
    void aVerdictThatIsPutRightIsLearnedAnewThroughAllThatCameAfter() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode run = begun(odile, section, 10);
        stop(odile, run);
        stop(odile, begun(odile, section, 12));
        double before = ceiling(odile, section);
        String session = "/api/log/" + run.path("id").asLong();
        JsonNode pass = told(odile.get(session).ok());
        String path = session + "/passes/" + pass.path("place").asInt();

        // Saying the same again changes nothing: what is learned anew is what had been learned.
        JsonNode same = odile.put(
                        path,
                        Map.of(
                                "verdict",
                                pass.path("verdict").asString(),
                                "tension",
                                pass.path("tension").asInt()))
                .ok();
        assertThat(same.path("learnedAnew").asBoolean()).isTrue();
        assertThat(ceiling(odile, section)).isCloseTo(before, within(0.01));

        odile.put(
                        path,
                        Map.of(
                                "verdict",
                                "BROKE",
                                "tension",
                                pass.path("tension").asInt()))
                .ok();
        double broken = ceiling(odile, section);
        assertThat(broken).isLessThan(before - 0.2);
        JsonNode entry = odile.get(session).ok().path("entry");
        int failed = entry.path("rough").asInt() + entry.path("broke").asInt();
        assertThat(failed).isPositive();

        JsonNode withdrawn =
                odile.put(path, Map.of("tension", pass.path("tension").asInt())).ok();
        assertThat(ceiling(odile, section)).isGreaterThan(broken);
        assertThat(withdrawn.path("passes").toString()).contains("correctedAt");
        JsonNode now = odile.get(session).ok().path("entry");
        assertThat(now.path("rough").asInt() + now.path("broke").asInt()).isLessThan(failed);
    }

    @Test
    void whatWasPlayedStaysPlayedWhateverIsSaidOfIt() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode run = begun(odile, section, 10);
        stop(odile, run);
        double used = used(odile);
        String session = "/api/log/" + run.path("id").asLong();
        JsonNode pass = told(odile.get(session).ok());
        String path = session + "/passes/" + pass.path("place").asInt();
        odile.put(path, Map.of("tension", pass.path("tension").asInt())).ok();
        assertThat(used(odile)).isCloseTo(used, within(1e-9));
        assertThat(odile.put(path, Map.of("verdict", "CLEAN", "tension", 0)).status())
                .isEqualTo(422);
        odile.put(path, Map.of("verdict", "ROUGH", "tension", 4)).ok();
        assertThat(used(odile)).isGreaterThan(used);
        assertThat(odile.put(session + "/passes/999", Map.of("verdict", "CLEAN", "tension", 1))
                        .status())
                .isEqualTo(404);
        assertThat(odile.put(path, Map.of("verdict", "CLEAN", "tension", 9)).status())
                .isEqualTo(422);
    }

    @Test
    void anOpenSessionIsNotCorrected() {
        Player odile = player();
        JsonNode run = begun(odile, Practice.firstSection(odile, Practice.newPassage(odile)), 4);
        assertThat(odile.put(
                                "/api/log/" + run.path("id").asLong() + "/passes/0",
                                Map.of("verdict", "CLEAN", "tension", 1))
                        .status())
                .isEqualTo(422);
    }

    private double used(Player player) {
        for (JsonNode limit : player.get("/api/load").ok().path("today").path("limits")) {
            if (limit.path("kind").asString().equals("EFFORT")) {
                return limit.path("used").asDouble();
            }
        }
        throw new AssertionError("No effort");
    }

    // Away from the screen

    private int away(Player player, LocalDate day, int minutes) {
        return player.post(
                        "/api/log/away",
                        Map.of(
                                "clientId",
                                UUID.randomUUID().toString(),
                                "day",
                                day.toString(),
                                "kind",
                                "PRACTICE",
                                "minutes",
                                minutes,
                                "note",
                                "slow, by the window"))
                .status();
    }

    @Test
    void practiceAwayIsPutDownPutRightAndTakenBack() {
        Player odile = player();
        LocalDate today =
                LocalDate.parse(odile.get("/api/today").ok().path("day").asString());
        assertThat(away(odile, today, 10)).isEqualTo(204);
        assertThat(used(odile)).isEqualTo(12);
        JsonNode month = odile.get("/api/log/month").ok();
        JsonNode entry =
                month.path("days").path(today.getDayOfMonth() - 1).path("away").path(0);
        assertThat(entry.path("note").asString()).isEqualTo("slow, by the window");
        String path = "/api/log/away/" + entry.path("id").asLong();
        odile.put(path, Map.of("kind", "TEACHING", "minutes", 20, "note", "")).ok();
        assertThat(used(odile)).isEqualTo(10);
        assertThat(odile.delete(path).status()).isEqualTo(204);
        assertThat(used(odile)).isZero();
        assertThat(away(odile, today.plusDays(1), 10)).isEqualTo(422);
        assertThat(away(odile, today.minusDays(60), 10)).isEqualTo(422);
        assertThat(away(odile, today, 0)).isEqualTo(422);
    }

    @Test
    void whatIsToldOfDaysGoneByRaisesNothingToday() {
        Player odile = player();
        LocalDate today =
                LocalDate.parse(odile.get("/api/today").ok().path("day").asString());
        for (int ago = 1; ago <= 20; ago++) {
            // As if it had been told each day.
            assertThat(away(odile, today.minusDays(ago), 10)).isEqualTo(204);
        }
        sql.sql("update bench_practice set at = at - interval 1 day where account_id = ?")
                .param(signedIn(odile).accountId())
                .update();
        double cap = cap(odile);
        for (int ago = 1; ago <= 20; ago++) {
            assertThat(away(odile, today.minusDays(ago), 60)).isEqualTo(204);
        }
        assertThat(cap(odile)).isLessThanOrEqualTo(cap);
        clock.nextMorning();
        assertThat(cap(odile)).isGreaterThan(cap);
    }

    private double cap(Player player) {
        return player.get("/api/load").ok().path("caps").path(0).path("effort").asDouble();
    }

    @Test
    void aMonthHasEachOfItsDays() {
        Player odile = player();
        stop(odile, begun(odile, Practice.firstSection(odile, Practice.newPassage(odile)), 4));
        JsonNode month = odile.get("/api/log/month").ok();
        LocalDate first = LocalDate.parse(month.path("first").asString());
        assertThat(month.path("days")).hasSize(first.lengthOfMonth());
        JsonNode today = month.path("days")
                .path(LocalDate.parse(month.path("today").asString()).getDayOfMonth() - 1);
        assertThat(today.path("workouts")).hasSize(1);
        assertThat(today.path("workouts").path(0).path("sketch")).isNotEmpty();
        assertThat(odile.get("/api/log/month?of=2024-02-29").ok().path("days")).hasSize(29);
    }
}

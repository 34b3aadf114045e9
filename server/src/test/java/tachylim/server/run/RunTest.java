package tachylim.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

class RunTest extends ServerTest {

    private final UUID window = UUID.randomUUID();

    private static double ceiling(Player player, long section) {
        return player.get("/api/sections/" + section + "/ceiling")
                .ok()
                .path("estimate")
                .path("ceiling")
                .path("middle")
                .asDouble();
    }

    private long passesOf(JsonNode run) {
        return sql.sql("select count(*) from played_pass where run_id = ?")
                .param(run.path("id").asLong())
                .query(Long.class)
                .single();
    }

    @Test
    void aWholeWorkoutMovesTheCeilingAndTheLoadAndIsInTheLog() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        double before = ceiling(odile, section);
        JsonNode run =
                Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 200);
        assertThat(run.path("step").path("ended").asString()).isEqualTo("PLAYED");
        assertThat(ceiling(odile, section)).isGreaterThan(before);
        JsonNode load = odile.get("/api/load").ok();
        assertThat(load.path("days").path(0).path("effort").asDouble()).isPositive();
        assertThat(load.path("days").path(0).path("burstSeconds").asDouble()).isBetween(1.0, 90.0);
        JsonNode entry = odile.get("/api/log").ok().path("entries").path(0);
        assertThat(entry.path("outcome").asString()).isEqualTo("PLAYED");
        assertThat(entry.path("clean").asInt())
                .isEqualTo(entry.path("passes").asInt())
                .isEqualTo((int) passesOf(run));
        JsonNode session = odile.get("/api/log/" + run.path("id").asLong()).ok();
        assertThat(forms(session.path("planned"))).contains("PROBE");
        assertThat(forms(session.path("played"))).contains("PROBE");
    }

    private static List<String> forms(JsonNode timeline) {
        return timeline.path("stretches").values().stream()
                .map(stretch -> stretch.path("form").asString())
                .toList();
    }

    @Test
    void theSameAnswerSentTwiceCountsOnce() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Map<String, Object> answer = Practice.answer(run, window);
        JsonNode first = Practice.send(odile, run, answer).ok();
        JsonNode second = Practice.send(odile, run, answer).ok();
        assertThat(second.path("ordinal").asInt())
                .isEqualTo(first.path("ordinal").asInt())
                .isEqualTo(1);
        assertThat(passesOf(run)).isEqualTo(1);
    }

    @Test
    void theSameAnswerSentManyTimesAtOnceCountsOnce() throws Exception {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Map<String, Object> answer = Practice.answer(run, window);
        ExecutorService senders = Executors.newFixedThreadPool(6);
        List<Callable<Reply>> tries = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            tries.add(() -> Practice.send(odile, run, answer));
        }
        for (var reply : senders.invokeAll(tries)) {
            assertThat(reply.get().status()).isIn(200, 409);
        }
        senders.shutdown();
        assertThat(passesOf(run)).isEqualTo(1);
        assertThat(odile.get("/api/runs/" + run.path("id").asLong() + "?holder=" + window)
                        .ok()
                        .path("ordinal")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void aTensionMayBePutRightUntilSomethingFollows() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Map<String, Object> answer = Practice.answer(run, window);
        JsonNode after = Practice.send(odile, run, answer).ok();
        double effort = sql.sql("select effort from played_pass where run_id = ?")
                .param(run.path("id").asLong())
                .query(Double.class)
                .single();
        answer.put("tension", 4);
        JsonNode amended = Practice.send(odile, run, answer).ok();
        assertThat(amended.path("ordinal").asInt()).isEqualTo(1);
        assertThat(amended.path("last").path("tension").asInt()).isEqualTo(4);
        assertThat(amended.path("step").path("pass").path("tempo").asDouble())
                .isLessThan(after.path("step").path("pass").path("tempo").asDouble());
        assertThat(sql.sql("select effort from played_pass where run_id = ?")
                        .param(run.path("id").asLong())
                        .query(Double.class)
                        .single())
                .isGreaterThan(effort);
        Practice.send(odile, amended, Practice.answer(amended, window)).ok();
        answer.put("tension", 0);
        Reply late = Practice.send(odile, run, answer);
        assertThat(late.json().path("code").asString()).isEqualTo("too-late");
        assertThat(late.detail()).contains("stays at 4");
        assertThat(sql.sql("select max(tension) from played_pass where run_id = ?")
                        .param(run.path("id").asLong())
                        .query(Integer.class)
                        .single())
                .isEqualTo(4);
    }

    @Test
    void aSecondWindowIsToldAndCanTakeOver() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        UUID second = UUID.randomUUID();
        long id = run.path("id").asLong();
        assertThat(odile.get("/api/runs/" + id + "?holder=" + second)
                        .ok()
                        .path("held")
                        .asBoolean())
                .isFalse();
        Reply refused = Practice.send(odile, run, Practice.answer(run, second));
        assertThat(refused.json().path("code").asString()).isEqualTo("taken-over");
        JsonNode taken = odile.post("/api/runs/" + id + "/holder", Map.of("holder", second.toString()))
                .ok();
        assertThat(taken.path("held").asBoolean()).isTrue();
        JsonNode next =
                Practice.send(odile, taken, Practice.answer(taken, second)).ok();
        assertThat(Practice.send(odile, next, Practice.answer(next, window))
                        .json()
                        .path("code")
                        .asString())
                .isEqualTo("taken-over");
        // What was answered before it was taken over, and comes after somebody went on: taking over again would not
        // help it.
        assertThat(Practice.send(odile, run, Practice.answer(run, window))
                        .json()
                        .path("code")
                        .asString())
                .isEqualTo("out-of-step");
    }

    @Test
    void anAnswerToAStepThatIsPastIsOutOfStep() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Practice.send(odile, run, Practice.answer(run, window)).ok();
        Reply late = Practice.send(odile, run, Practice.answer(run, window));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.json().path("code").asString()).isEqualTo("out-of-step");
    }

    @Test
    void aStopIsTakenFromAnyWindowAndAnAnswerToThatPassIsKept() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Map<String, Object> offline = Practice.answer(run, window);
        Map<String, Object> stop = Practice.event(run, UUID.randomUUID(), "STOPPED", Map.of("ordinal", 77));
        assertThat(Practice.send(odile, run, stop)
                        .ok()
                        .path("step")
                        .path("ended")
                        .asString())
                .isEqualTo("STOPPED");
        assertThat(passesOf(run)).isZero();
        JsonNode kept = Practice.send(odile, run, offline).ok();
        assertThat(kept.path("step").path("ended").asString()).isEqualTo("STOPPED");
        assertThat(kept.path("timeline").path("totals").path("passes").asInt()).isEqualTo(1);
        assertThat(passesOf(run)).isEqualTo(1);
        Reply later = Practice.send(odile, run, Practice.answer(run, window));
        assertThat(later.json().path("code").asString()).isEqualTo("over");
        assertThat(later.detail()).contains("doesn't count");
    }

    @Test
    void anAnswerToARunThatWasEndedTakesItsTimeToo() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
        Reply tooSoon = Practice.send(
                odile, run, Practice.event(run, window, "JUDGED", Map.of("verdict", "CLEAN", "tension", 1)));
        assertThat(tooSoon.json().path("code").asString()).isEqualTo("too-soon");
        assertThat(passesOf(run)).isZero();
    }

    @Test
    void aBurstThatCountedAsPlayedIsJudgedWhenItsAnswerComes() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        while (!run.path("step").path("pass").path("kind").asString("").equals("BURST")) {
            run = Practice.send(odile, run, Practice.answer(run, window)).ok();
        }
        Map<String, Object> offline = Practice.answer(run, window);
        Practice.send(odile, run, Practice.event(run, UUID.randomUUID(), "STOPPED", Map.of()))
                .ok();
        long passes = passesOf(run);
        double seconds = sql.sql("select sum(play_seconds) from played_pass where run_id = ?")
                .param(run.path("id").asLong())
                .query(Double.class)
                .single();
        Practice.send(odile, run, offline).ok();
        assertThat(passesOf(run)).isEqualTo(passes);
        assertThat(sql.sql("select count(*) from played_pass where run_id = ? and verdict is null")
                        .param(run.path("id").asLong())
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(sql.sql("select sum(play_seconds) from played_pass where run_id = ?")
                        .param(run.path("id").asLong())
                        .query(Double.class)
                        .single())
                .isEqualTo(seconds);
    }

    @Test
    void aSymptomIsTakenForARunThatIsOver() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
        Map<String, Object> symptom = Practice.event(run, window, "SYMPTOM", Map.of());
        Practice.send(odile, run, symptom).ok();
        Practice.send(odile, run, symptom).ok();
        assertThat(odile.get("/api/load").ok().path("symptoms")).hasSize(1);
        assertThat(odile.get("/api/load")
                        .ok()
                        .path("today")
                        .path("restSentence")
                        .asString())
                .contains("don’t play until");
    }

    @Test
    void onlyOneWorkoutIsOpenAtATime() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Reply second = Practice.begin(odile, Practice.firstSection(odile, Practice.newPassage(odile)), window);
        assertThat(second.status()).isEqualTo(409);
        assertThat(second.json().path("runId").asLong())
                .isEqualTo(run.path("id").asLong());
        assertThat(odile.get("/api/today").ok().path("openRun").asLong())
                .isEqualTo(run.path("id").asLong());
    }

    @Test
    void aRestCannotBeCutShort() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        JsonNode resting = Practice.send(odile, run, Practice.event(run, window, "REST_ASKED", Map.of()))
                .ok();
        assertThat(resting.path("step").path("rest").path("reason").asString()).isEqualTo("ASKED");
        Reply early = Practice.send(odile, resting, Practice.event(resting, window, "RESTED", Map.of("seconds", 3)));
        assertThat(early.status()).isEqualTo(422);
        assertThat(early.detail()).contains("20 seconds");
        assertThat(Practice.send(odile, resting, Practice.answer(resting, window))
                        .ok()
                        .path("step")
                        .path("pass")
                        .isNull())
                .isFalse();
    }

    @Test
    void backingOffIsSlower() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        JsonNode after = Practice.send(odile, run, Practice.event(run, window, "BACKED_OFF", Map.of()))
                .ok();
        assertThat(after.path("step").path("pass").path("tempo").asDouble())
                .isLessThan(run.path("step").path("pass").path("tempo").asDouble());
    }

    @Test
    void aSymptomEndsPlayingForTwoDays() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        JsonNode ended = Practice.send(odile, run, Practice.event(run, window, "SYMPTOM", Map.of()))
                .ok();
        assertThat(ended.path("step").path("ended").asString()).isEqualTo("SYMPTOM");
        JsonNode today = odile.get("/api/today").ok();
        assertThat(today.path("plan").path("timeline").path("stretches")).isEmpty();
        assertThat(today.path("load").path("restsUntil").isNull()).isFalse();
        Reply again = Practice.begin(
                odile, today.path("plan").path("wish").path("sectionId").asLong(), window);
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.json().path("code").asString()).isEqualTo("symptom-rest");
        assertThat(again.detail()).contains("don’t play until").contains("listen");
    }

    @Test
    void nothingIsPlannedOverWhatIsLeftOfTheDay() {
        Player odile = player();
        odile.put(
                        "/api/account/habits",
                        Map.of("instrument", "MALLET", "usualMinutes", 10, "roughCounts", false, "looseOnly", false))
                .ok();
        JsonNode run = Practice.newRun(odile, window);
        JsonNode timeline = run.path("timeline");
        assertThat(timeline.path("effortCap").asDouble()).isEqualTo(10);
        assertThat(timeline.path("totals").path("effort").asDouble()).isLessThanOrEqualTo(10);
        Practice.playOn(odile, run, window, 300);
        JsonNode second = odile.get("/api/today").ok();
        assertThat(second.path("plan")
                        .path("timeline")
                        .path("totals")
                        .path("effort")
                        .asDouble())
                .isLessThanOrEqualTo(10
                        - second.path("load")
                                .path("limits")
                                .path(0)
                                .path("used")
                                .asDouble()
                        + 1e-9);
    }

    @ParameterizedTest
    @CsvSource({
        "minutes, 0",
        "minutes, -5",
        "minutes, 181",
        "bursts, 0",
        "bursts, 31",
        "burstBeats, 3",
        "controlledShare, 0.9",
        "firstBurstShare, 1.5",
        "cleanInARow, 0"
    })
    void aPlanOutOfRangeIsRefusedWithAReason(String field, double value) {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        Object given = field.endsWith("Share") ? (Object) value : (Object) (int) value;
        Reply reply = odile.post("/api/plans", Practice.plan(section, Map.of(field, given)));
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.detail()).containsPattern("\\d").endsWith(".");
    }

    @ParameterizedTest
    @CsvSource({"JUDGED", "RESTED"})
    void anEventWithoutItsPartsIsRefused(String kind) {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        assertThat(Practice.send(odile, run, Practice.event(run, window, kind, Map.of()))
                        .status())
                .isEqualTo(422);
        assertThat(Practice.send(
                                odile,
                                run,
                                Practice.event(run, window, "JUDGED", Map.of("verdict", "CLEAN", "tension", 9)))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void whatIsKeptOfARunIsShownWhetherItIsOverOrNot() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode run = Practice.begin(odile, section, window).ok();
        String events = "/api/runs/" + run.path("id").asLong() + "/events";
        Map<String, Object> answer = Practice.answer(run, window);
        odile.post(events, answer).ok();
        JsonNode heard = odile.get(events).ok();
        assertThat(heard.path("over").asBoolean()).isFalse();
        assertThat(heard.path("answers")).hasSize(1);
        assertThat(heard.path("answers").path(0).path("clientId").asString()).isEqualTo(answer.get("clientId"));
        sql.sql("update run set outcome = 'LEFT', active_account = null where id = ?")
                .param(run.path("id").asLong())
                .update();
        assertThat(odile.get(events).ok().path("over").asBoolean()).isTrue();
    }

    /** A day turned while its answers were in a browser without a network; the window that sends them is not the one it was played in. */
    @Test
    void aRunClosedByTimeTakesWhatWasAnsweredBeforeFromAnyWindow() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        long id = run.path("id").asLong();
        sql.sql("update run set outcome = 'LEFT', active_account = null where id = ?")
                .param(id)
                .update();
        Map<String, Object> answer = Practice.answer(run, UUID.randomUUID());
        Practice.send(odile, run, answer).ok();
        assertThat(odile.get("/api/runs/" + id + "/events")
                        .ok()
                        .path("answers")
                        .path(0)
                        .path("clientId")
                        .asString())
                .isEqualTo(answer.get("clientId"));
        assertThat(sql.sql("select outcome from run where id = ?")
                        .param(id)
                        .query(String.class)
                        .single())
                .isEqualTo("LEFT");
        assertThat(Practice.effortOfTheLastDay(odile)).isPositive();
    }

    @Test
    void aRunThatANewerInstanceHasBegunIsLeftToIt() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode run = Practice.begin(odile, section, window).ok();
        long id = run.path("id").asLong();
        sql.sql("update run set rules = rules + 1 where id = ?").param(id).update();
        assertThat(odile.post("/api/runs/" + id + "/events", Practice.answer(run, window))
                        .status())
                .isEqualTo(503);
        sql.sql("update run set rules = rules - 1 where id = ?").param(id).update();
        odile.post("/api/runs/" + id + "/events", Practice.answer(run, window)).ok();
    }

    /** Played in a cellar while Tachylim was brought up to date: it counts as playing, and says nothing of a ceiling by other rules. */
    @Test
    void whatWasPlayedByTheRulesOfBeforeIsKept() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode run = Practice.begin(odile, section, window).ok();
        long id = run.path("id").asLong();
        sql.sql("update run set rules = rules - 1 where id = ?").param(id).update();
        Map<String, Object> answer = Practice.answer(run, window);
        JsonNode after = Practice.send(odile, run, answer).ok();
        assertThat(after.path("step").path("ended").asString()).isEqualTo("OUTDATED");
        Practice.send(odile, run, answer).ok();
        assertThat(odile.get("/api/runs/" + id + "/events").ok().path("answers"))
                .hasSize(1);
        assertThat(Practice.effortOfTheLastDay(odile)).isPositive();
        assertThat(sql.sql("select late from run where id = ?")
                        .param(id)
                        .query(Boolean.class)
                        .single())
                .isTrue();
    }

    /** What is kept of it is no answer to any step that the rules of now ask for. */
    @Test
    void whatFitsNoStepOfTheRulesOfNowIsRefusedAndSaid() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode run = Practice.begin(odile, section, window).ok();
        long id = run.path("id").asLong();
        JsonNode next = Practice.send(odile, run, Practice.answer(run, window)).ok();
        sql.sql("update run set rules = rules - 1 where id = ?").param(id).update();
        sql.sql("update run_event set kind = 'RESTED', verdict = null, seconds = 5 where run_id = ?")
                .param(id)
                .update();
        Reply refused = Practice.send(odile, next, Practice.answer(next, window));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().path("code").asString()).isEqualTo("over");
    }
}

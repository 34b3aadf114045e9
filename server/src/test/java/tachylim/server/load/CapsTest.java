package tachylim.server.load;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** The caps cannot be got past: every way that was thought of is a line here, and every endpoint that plays adds its own. */
class CapsTest extends ServerTest {

    private static final int MINUTES = 10;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mapping;

    private final UUID window = UUID.randomUUID();
    private Player odile;
    private long section;
    private long passage;

    private void somebodyWithTenMinutes() {
        odile = player();
        odile.put(
                        "/api/account/habits",
                        Map.of(
                                "instrument",
                                "MALLET",
                                "usualMinutes",
                                MINUTES,
                                "roughCounts",
                                false,
                                "looseOnly",
                                false))
                .ok();
        passage = Practice.newPassage(odile);
        section = Practice.firstSection(odile, passage);
    }

    private JsonNode limit(String kind) {
        for (JsonNode limit : odile.get("/api/load").ok().path("today").path("limits")) {
            if (limit.path("kind").asString().equals(kind)) {
                return limit;
            }
        }
        throw new AssertionError(kind);
    }

    /** Plays one workout after the other until nothing more is given. */
    private void playAllDay(String verdict, int tension) {
        for (int workout = 0; workout < 12; workout++) {
            Reply begun = Practice.begin(odile, section, window);
            if (begun.status() >= 300) {
                return;
            }
            JsonNode run = begun.json();
            for (int i = 0; i < 300 && run.path("step").path("ended").isNull(); i++) {
                Map<String, Object> answer = Practice.answer(run, window);
                if (answer.get("kind").equals("JUDGED")) {
                    answer.put("verdict", verdict);
                    answer.put("tension", tension);
                }
                run = Practice.send(odile, run, answer).ok();
            }
        }
    }

    private static Arguments way(String name, Way way) {
        return Arguments.of(name, way);
    }

    private interface Way {
        void tryIt(CapsTest test);
    }

    /** Each is done once the day is used up; afterwards there must be no more of it than before. */
    static Stream<Arguments> waysPastTheDay() {
        return Stream.of(
                way("another zone at sign-in", test -> {
                    for (String zone : new String[] {"Pacific/Kiritimati", "Pacific/Pago_Pago", "Asia/Tokyo"}) {
                        test.odile
                                .post(
                                        "/api/session",
                                        Map.of("name", test.odile.name(), "password", Player.PASSWORD, "zone", zone))
                                .ok();
                    }
                }),
                way("moving to another zone", test -> {
                    test.odile
                            .put("/api/account/zone", Map.of("zone", "Pacific/Kiritimati"))
                            .ok();
                    assertThat(test.odile
                                    .put("/api/account/zone", Map.of("zone", "Asia/Tokyo"))
                                    .status())
                            .isEqualTo(409);
                }),
                way("asking for more minutes", test -> {
                    test.sql
                            .sql("update account set opened_on = '2020-01-01' where name = ?")
                            .param(test.odile.name())
                            .update();
                    test.odile
                            .put(
                                    "/api/account/habits",
                                    Map.of(
                                            "instrument",
                                            "MALLET",
                                            "usualMinutes",
                                            600,
                                            "roughCounts",
                                            false,
                                            "looseOnly",
                                            false))
                            .ok();
                }),
                way("more minutes and another zone", test -> {
                    test.sql
                            .sql("update account set opened_on = '2020-01-01' where name = ?")
                            .param(test.odile.name())
                            .update();
                    test.odile
                            .put(
                                    "/api/account/habits",
                                    Map.of(
                                            "instrument",
                                            "MALLET",
                                            "usualMinutes",
                                            600,
                                            "roughCounts",
                                            false,
                                            "looseOnly",
                                            false))
                            .ok();
                    test.odile
                            .put("/api/account/zone", Map.of("zone", "Pacific/Kiritimati"))
                            .ok();
                }),
                way("another zone and then more minutes", test -> {
                    test.sql
                            .sql("update account set opened_on = '2020-01-01' where name = ?")
                            .param(test.odile.name())
                            .update();
                    test.odile
                            .put("/api/account/zone", Map.of("zone", "Pacific/Kiritimati"))
                            .ok();
                    test.odile
                            .put(
                                    "/api/account/habits",
                                    Map.of(
                                            "instrument",
                                            "MALLET",
                                            "usualMinutes",
                                            600,
                                            "roughCounts",
                                            false,
                                            "looseOnly",
                                            false))
                            .ok();
                }),
                way(
                        "putting the passage away",
                        test -> test.odile
                                .delete("/api/passages/" + test.passage)
                                .ok()),
                way("another passage", test -> Practice.newPassage(test.odile)),
                way(
                        "cutting anew",
                        test -> test.odile
                                .put("/api/passages/" + test.passage + "/sections", Map.of("kind", "BARS", "size", 1))
                                .ok()),
                way(
                        "midnight",
                        test -> test.clock.set(test.clock
                                .instant()
                                .atZone(ZoneOffset.UTC)
                                .toLocalDate()
                                .plusDays(1)
                                .atTime(1, 0)
                                .toInstant(ZoneOffset.UTC))),
                way(
                        "a new workout",
                        test -> test.odile
                                .post(
                                        "/api/session",
                                        Map.of(
                                                "name",
                                                test.odile.name(),
                                                "password",
                                                Player.PASSWORD,
                                                "zone",
                                                "Europe/Lisbon"))
                                .ok()));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("waysPastTheDay")
    void aDayThatIsUsedUpStaysUsedUp(String name, Way way) {
        somebodyWithTenMinutes();
        playAllDay("CLEAN", 2);
        double left = limit("EFFORT").path("left").asDouble();
        assertThat(left).isLessThan(2.5);
        way.tryIt(this);
        assertThat(limit("EFFORT").path("left").asDouble()).isLessThanOrEqualTo(left + 1e-9);
        assertThat(limit("PLAYING_MINUTES").path("used").asDouble()).isPositive();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("waysPastTheDay")
    void aLockedHandStaysLocked(String name, Way way) {
        somebodyWithTenMinutes();
        JsonNode run = Practice.begin(odile, section, window).ok();
        Map<String, Object> locked = Practice.answer(run, window);
        locked.put("tension", 5);
        Practice.send(odile, run, locked).ok();
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
        way.tryIt(this);
        assertThat(limit("BURST_SECONDS").path("cap").asDouble()).isZero();
    }

    static Stream<Arguments> answers() {
        return Stream.of(
                Arguments.of("CLEAN", 0), Arguments.of("CLEAN", 5), Arguments.of("ROUGH", 4), Arguments.of("BROKE", 5));
    }

    @ParameterizedTest
    @MethodSource("answers")
    void noAnswerPassesTheCap(String verdict, int tension) {
        somebodyWithTenMinutes();
        playAllDay(verdict, tension);
        assertThat(limit("EFFORT").path("used").asDouble()).isLessThanOrEqualTo(MINUTES + 1e-9);
        assertThat(limit("PLAYING_MINUTES").path("used").asDouble())
                .isLessThanOrEqualTo(limit("PLAYING_MINUTES").path("cap").asDouble() + 1e-9);
        assertThat(limit("BURST_SECONDS").path("used").asDouble()).isLessThanOrEqualTo(90);
    }

    @Test
    void aWorkoutCannotBePlayedFasterThanTheClock() {
        somebodyWithTenMinutes();
        JsonNode run = Practice.begin(odile, section, window).ok();
        Reply tooSoon = Practice.send(
                odile, run, Practice.event(run, window, "JUDGED", Map.of("verdict", "CLEAN", "tension", 1)));
        assertThat(tooSoon.status()).isEqualTo(409);
        assertThat(tooSoon.json().path("code").asString()).isEqualTo("too-soon");
        assertThat(tooSoon.json().path("seconds").asDouble()).isPositive();
        assertThat(odile.get("/api/load").ok().path("days")).isEmpty();
        JsonNode resting = Practice.send(odile, run, Practice.event(run, window, "REST_ASKED", Map.of("seconds", 0)))
                .ok();
        assertThat(Practice.send(odile, resting, Practice.event(resting, window, "RESTED", Map.of("seconds", 80_000)))
                        .json()
                        .path("code")
                        .asString())
                .isEqualTo("too-soon");
        clock.pass(Duration.ofSeconds(20));
        Practice.send(odile, resting, Practice.event(resting, window, "RESTED", Map.of("seconds", 20)))
                .ok();
    }

    /** What happened is dated by how long ago it is said to be: never in the future, never before what came before it. */
    @Test
    void aRunPlayedWithoutANetworkIsTakenInOneGo() {
        somebodyWithTenMinutes();
        Instant begun = clock.instant();
        JsonNode run = Practice.begin(odile, section, window).ok();
        clock.pass(Duration.ofMinutes(50));
        for (int i = 0; i < 5; i++) {
            boolean rest = !run.path("step").path("rest").isNull();
            Map<String, Object> event = Practice.event(
                    run,
                    window,
                    rest ? "RESTED" : "JUDGED",
                    rest
                            ? Map.of(
                                    "seconds",
                                    run.path("step")
                                            .path("rest")
                                            .path("seconds")
                                            .asDouble(),
                                    "secondsAgo",
                                    60 * (48 - 4 * i))
                            : Map.of("verdict", "CLEAN", "tension", 1, "secondsAgo", 60 * (48 - 4 * i)));
            run = Practice.send(odile, run, event).ok();
        }
        assertThat(sql.sql("select min(at) >= ? and max(at) <= ? from run_event where run_id = ?")
                        .params(
                                Timestamp.valueOf(begun.atZone(ZoneOffset.UTC).toLocalDateTime()),
                                Timestamp.valueOf(
                                        clock.instant().atZone(ZoneOffset.UTC).toLocalDateTime()),
                                run.path("id").asLong())
                        .query(Boolean.class)
                        .single())
                .isTrue();
    }

    @Test
    void loweringTheCapActsWithinARunningRun() {
        somebodyWithTenMinutes();
        JsonNode run =
                Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 3);
        odile.put(
                        "/api/account/habits",
                        Map.of("instrument", "MALLET", "usualMinutes", 5, "roughCounts", false, "looseOnly", false))
                .ok();
        JsonNode end = Practice.playOn(odile, run, window, 300);
        assertThat(end.path("step").path("ended").asString()).isEqualTo("PLAYED");
        assertThat(limit("EFFORT").path("used").asDouble()).isLessThanOrEqualTo(5.5);
    }

    /** Moving twice must not make the day on which the account was opened come again. */
    @Test
    void movingAboutDoesNotRaiseACap() {
        clock.set(clock.instant()
                .atZone(ZoneOffset.UTC)
                .toLocalDate()
                .atTime(22, 0)
                .toInstant(ZoneOffset.UTC));
        somebodyWithTenMinutes();
        odile.put("/api/account/zone", Map.of("zone", "Asia/Tokyo")).ok();
        clock.pass(Duration.ofHours(22));
        odile.put("/api/account/zone", Map.of("zone", "Europe/Lisbon")).ok();
        JsonNode me = odile.put(
                        "/api/account/habits",
                        Map.of("instrument", "MALLET", "usualMinutes", 600, "roughCounts", false, "looseOnly", false))
                .ok();
        assertThat(me.path("usualMinutes").asInt()).isEqualTo(MINUTES);
    }

    @Test
    void aPassThatWasPlayedWhenTheCapWasLoweredIsKept() {
        somebodyWithTenMinutes();
        JsonNode run = Practice.begin(odile, section, window).ok();
        Map<String, Object> played = Practice.answer(run, window);
        sql.sql("update account set usual_minutes = 5 where name = ?")
                .param(odile.name())
                .update();
        JsonNode after = Practice.send(odile, run, played).ok();
        assertThat(after.path("ordinal").asInt()).isEqualTo(1);
    }

    @Test
    void aRunThatGoesOnPastFourBelongsToBothDaysAndObeysTheNewOne() {
        odile = player();
        passage = Practice.newPassage(odile);
        section = Practice.firstSection(odile, passage);
        ZoneId lisbon = ZoneId.of(Player.ZONE);
        clock.set(clock.instant()
                .atZone(lisbon)
                .toLocalDate()
                .plusDays(1)
                .atTime(3, 57)
                .atZone(lisbon)
                .toInstant());
        JsonNode run =
                Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 10);
        assertThat(run.path("step").path("ended").isNull()).isTrue();
        assertThat(sql.sql("select count(distinct day) from played_pass where run_id = ?")
                        .param(run.path("id").asLong())
                        .query(Integer.class)
                        .single())
                .as("the day turns at four where the player is, in summer and in winter")
                .isEqualTo(2);
    }

    @Test
    void aRunLeftOpenOvernightIsClosedWithWhatWasPlayed() {
        somebodyWithTenMinutes();
        JsonNode run =
                Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 1);
        clock.pass(Duration.ofHours(20));
        assertThat(odile.get("/api/today").ok().path("openRun").isNull()).isTrue();
        JsonNode ended = odile.get("/api/runs/" + run.path("id").asLong() + "?holder=" + window)
                .ok();
        assertThat(ended.path("step").path("ended").asString()).isEqualTo("LEFT");
        assertThat(ended.path("timeline").path("totals").path("passes").asInt()).isEqualTo(1);
        Practice.begin(odile, section, window).ok();
        Map<String, Object> late = Practice.event(
                run, window, "JUDGED", Map.of("verdict", "ROUGH", "tension", 2, "secondsAgo", 20 * 3600 - 120));
        JsonNode kept = Practice.send(odile, run, late).ok();
        assertThat(kept.path("timeline").path("totals").path("passes").asInt())
                .as("played without a network that evening")
                .isEqualTo(2);
    }

    @Test
    void breaksAndRecoveryAreCarriedIntoTheNextWorkout() {
        odile = player();
        odile.put(
                        "/api/account/habits",
                        Map.of("instrument", "MALLET", "usualMinutes", 120, "roughCounts", false, "looseOnly", false))
                .ok();
        section = Practice.firstSection(odile, Practice.newPassage(odile));
        for (int i = 0; i < 3; i++) {
            JsonNode run = Practice.begin(odile, section, window).ok();
            JsonNode played = Practice.playOn(odile, run, window, 400);
            assertThat(played.path("step").path("ended").asString()).isEqualTo("PLAYED");
        }
        assertThat(sql.sql(
                                "select count(*) from run_segment s join account a on a.id = s.account_id where a.name = ? and s.record like '%\"BREAK\"%'")
                        .param(odile.name())
                        .query(Long.class)
                        .single())
                .as("three quarters of an hour without a pause need a break")
                .isPositive();
    }

    @Test
    void anOfferedBurstCannotBePlayedForNothing() {
        odile = player();
        section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode run = Practice.begin(odile, section, window).ok();
        while (!run.path("step").path("pass").path("kind").asString("").equals("BURST")) {
            run = Practice.send(odile, run, Practice.answer(run, window)).ok();
        }
        double before = limit("BURST_SECONDS").path("used").asDouble();
        JsonNode resting = Practice.send(odile, run, Practice.event(run, window, "REST_ASKED", Map.of()))
                .ok();
        double after = limit("BURST_SECONDS").path("used").asDouble();
        assertThat(after).isGreaterThan(before);
        assertThat(resting.path("timeline").path("stretches").toString()).contains("\"BURST\"");
        JsonNode ceiling = odile.get("/api/sections/" + section + "/ceiling").ok();
        assertThat(ceiling.path("tries").toString()).doesNotContain("null");
    }

    @ParameterizedTest
    @MethodSource("closedInTheRest")
    void inTheRestAfterASymptomNothingIsPlayed(String endpoint) {
        somebodyWithTenMinutes();
        odile.post("/api/passages/" + passage + "/choice", Map.of("minutes", 5));
        long choice = odile.get("/api/passages/" + passage + "/practice-sheet")
                .ok()
                .path("today")
                .path(0)
                .path("id")
                .asLong();
        assertThat(odile.post(
                                "/api/symptoms",
                                Map.of("clientId", UUID.randomUUID().toString()))
                        .status())
                .isEqualTo(204);
        Map<String, Supplied> plays = plays(choice);
        Reply refused = plays.get(endpoint).send();
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().path("code").asString()).isEqualTo("symptom-rest");
        assertThat(refused.detail()).contains("don’t play until").contains("doctor");
        assertThat(odile.get("/api/passages/" + passage + "/playback?bpm=60").status())
                .as("listening is open")
                .isEqualTo(200);
        assertThat(odile.get("/api/passages/" + passage + "/practice-sheet")
                        .ok()
                        .path("caution")
                        .asString())
                .contains("don’t play until");
        assertThat(odile.get("/api/today").ok().path("plan").path("timeline").path("stretches"))
                .isEmpty();
        long report =
                odile.get("/api/load").ok().path("symptoms").path(0).path("id").asLong();
        assertThat(odile.delete("/api/symptoms/" + report).status()).isEqualTo(204);
        assertThat(plays.get(endpoint).send().status()).isLessThan(300);
        assertThat(odile.get("/api/load")
                        .ok()
                        .path("symptoms")
                        .path(0)
                        .path("withdrawn")
                        .asBoolean())
                .isTrue();
    }

    private interface Supplied {
        Reply send();
    }

    /** Every endpoint by which something is played. One that is added has to be added here too. */
    private Map<String, Supplied> plays(long choice) {
        Map<String, Supplied> plays = new HashMap<>();
        plays.put("POST /api/runs", () -> Practice.begin(odile, section, window));
        plays.put(
                "POST /api/passages/{id}/practice",
                () -> odile.post(
                        "/api/passages/" + passage + "/practice",
                        Map.of("clientId", UUID.randomUUID().toString(), "bpm", 60, "seconds", 30, "varied", false)));
        plays.put(
                "PUT /api/passages/{id}/choice/{choiceId}",
                () -> odile.put("/api/passages/" + passage + "/choice/" + choice, Map.of("played", true)));
        plays.put("POST /api/changes/{id}/counts", () -> {
            long change = odile.post("/api/changes", Map.of("name", "G to C", "song", "", "target", 112, "beats", 2))
                    .ok()
                    .path("changes")
                    .path(0)
                    .path("id")
                    .asLong();
            return odile.post(
                    "/api/changes/" + change + "/counts",
                    Map.of("clientId", UUID.randomUUID().toString(), "seconds", 60, "clean", 30));
        });
        return plays;
    }

    static Stream<String> closedInTheRest() {
        return Stream.of(
                "POST /api/runs",
                "POST /api/passages/{id}/practice",
                "PUT /api/passages/{id}/choice/{choiceId}",
                "POST /api/changes/{id}/counts");
    }

    /** What changes something is either known to play, and is tried above, or known not to. */
    @Test
    void everyEndpointIsKnownToPlayOrNotTo() {
        Set<String> doNotPlay = Set.of(
                "/api/account",
                "/api/session",
                "/api/sessions/{handle}",
                "/api/demo",
                "/api/account/zone",
                "/api/account/password",
                "/api/account/habits",
                "/api/account/instruments/{instrument}",
                "/api/account/warm-up",
                "/api/account/farewell",
                "/api/passages",
                "/api/packed",
                "/api/packed/{id}/run",
                "/api/changes",
                "/api/changes/{id}",
                "/api/load/elsewhere",
                "/api/load/elsewhere/{id}",
                "/api/load/given",
                "/api/load/given/{id}",
                "/api/symptoms/advised",
                "/api/imports/account",
                "/api/imports/practice",
                "/api/log/{runId}/passes/{place}",
                "/api/log/away",
                "/api/takes/recordings",
                "/api/log/away/{id}",
                "/api/season/days/{day}",
                "/api/season/moves",
                "/api/season/off",
                "/api/learned/{what}",
                "/api/season/passages/{id}",
                "/api/season/performances",
                "/api/season/performances/{id}",
                "/api/season/feed",
                "/api/templates",
                "/api/templates/{id}",
                "/api/passages/{id}",
                "/api/passages/{id}/sections",
                "/api/passages/{id}/extras",
                "/api/passages/{id}/marks",
                "/api/passages/{id}/readiness",
                "/api/passages/{id}/joining",
                "/api/passages/{id}/articulation",
                "/api/passages/{id}/choice",
                "/api/passages/{id}/transitions/{transition}/breaks",
                "/api/passages/{id}/transitions/{transition}/breaks/cause",
                "/api/articulations/{instrument}",
                "/api/sections/{id}",
                "/api/sections/{id}/doubt",
                "/api/drafts",
                "/api/drafts/{id}",
                "/api/readings",
                "/api/readings/strokes",
                "/api/scores",
                "/api/cells",
                "/api/plans",
                "/api/plans/score",
                "/api/plans/{order}",
                "/api/passages/{id}/transitions/{transition}/changes",
                "/api/runs/{id}/drills",
                "/api/symptoms",
                "/api/symptoms/{id}",
                "/api/runs/{id}/holder",
                "/api/runs/{id}/note",
                "/api/runs/{id}/rating",
                // Of a run that was begun; a symptom ends it.
                "/api/runs/{id}/events");
        Set<String> unknown = new LinkedHashSet<>();
        mapping.getHandlerMethods()
                .keySet()
                .forEach(info -> info.getPatternValues()
                        .forEach(pattern -> info.getMethodsCondition().getMethods().stream()
                                .filter(method -> pattern.startsWith("/api/")
                                        && !method.name().equals("GET"))
                                .map(method -> method + " " + pattern)
                                .filter(endpoint -> !plays(0).containsKey(endpoint) && !doNotPlay.contains(pattern))
                                .forEach(unknown::add)));
        assertThat(unknown).isEmpty();
        assertThat(plays(0).keySet())
                .containsExactlyInAnyOrderElementsOf(closedInTheRest().toList());
    }

    @Test
    void whatIsPlayedOnThePracticeSheetCounts() {
        somebodyWithTenMinutes();
        String id = UUID.randomUUID().toString();
        for (int i = 0; i < 2; i++) {
            odile.post(
                    "/api/passages/" + passage + "/practice",
                    Map.of("clientId", id, "bpm", 100, "seconds", 300, "varied", false));
        }
        assertThat(limit("PLAYING_MINUTES").path("used").asDouble())
                .as("sent twice, counted once")
                .isEqualTo(5);
        assertThat(limit("EFFORT").path("used").asDouble()).isGreaterThan(5);
        odile.post(
                "/api/passages/" + passage + "/practice",
                Map.of("clientId", UUID.randomUUID().toString(), "bpm", 100, "seconds", 900, "varied", false));
        assertThat(odile.get("/api/passages/" + passage + "/practice-sheet")
                        .ok()
                        .path("caution")
                        .asString())
                .contains("You've used");
    }

    @Test
    void aSymptomAheadOfTheClockDoesNotLastForEver() {
        somebodyWithTenMinutes();
        odile.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        sql.sql("update symptom set at = '2999-01-01' where account_id = (select id from account where name = ?)")
                .param(odile.name())
                .update();
        odile.get("/api/today").ok();
        clock.pass(Duration.ofHours(49));
        Practice.begin(odile, section, window).ok();
    }

    @Test
    void aRunBegunByAClockThatWasAheadGoesOnAndStaysInTheLog() {
        somebodyWithTenMinutes();
        JsonNode run = Practice.begin(odile, section, window).ok();
        sql.sql("update run set started_at = '2999-01-01', last_at = '2999-01-01' where id = ?")
                .param(run.path("id").asLong())
                .update();
        odile.get("/api/runs/" + run.path("id").asLong() + "?holder=" + window).ok();
        Practice.playOn(odile, run, window, 3);
        assertThat(sql.sql("select count(*) from run_event where run_id = ? and at > '2998-01-01'")
                        .param(run.path("id").asLong())
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(odile.get("/api/log").ok().path("entries")).hasSize(1);
        assertThat(limit("EFFORT").path("used").asDouble()).isPositive();
    }
}

package tachylim.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Nobody can read, change or even detect what belongs to another account. */
class IsolationTest extends ServerTest {

    private static final long NOWHERE = 987_654_321;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mapping;

    private final Set<String> tried = new HashSet<>();
    private long choice;

    @Test
    void whatBelongsToAnotherIsAsIfItWereNotThere() {
        Player owner = player();
        UUID window = UUID.randomUUID();
        long passage = Practice.newPassage(owner);
        long section = Practice.firstSection(owner, passage);
        JsonNode run =
                Practice.playOn(owner, Practice.begin(owner, section, window).ok(), window, 4);
        long runId = run.path("id").asLong();
        Player other = player();

        same(other, "GET", "/api/passages/{id}", passage, null);
        same(other, "PUT", "/api/passages/{id}", passage, Practice.passage(Map.of()));
        same(other, "DELETE", "/api/passages/{id}", passage, null);
        same(other, "PUT", "/api/passages/{id}/sections", passage, Map.of("kind", "BARS", "size", 1));
        same(
                other,
                "POST",
                "/api/passages/{id}/extras",
                passage,
                Map.of("kind", "DRILL", "name", "mine", "firstNote", 0, "lastNote", 2));
        same(other, "GET", "/api/passages/{id}/practice-sheet", passage, null);
        same(
                other,
                "PUT",
                "/api/passages/{id}/marks",
                passage,
                Map.of("note", 0, "kind", "FINGERING", "value", "1", "why", "", "confirmed", true));
        same(other, "PUT", "/api/passages/{id}/readiness", passage, Map.of("item", "COUNTED", "reached", true));
        same(other, "PUT", "/api/passages/{id}/joining", passage, Map.of("order", "LAST_TO_FIRST", "transition", 0));
        same(other, "PUT", "/api/passages/{id}/articulation", passage, Map.of("articulation", "slurred"));
        same(other, "GET", "/api/passages/{id}/playback?bpm=80", passage, null);
        same(other, "GET", "/api/passages/{id}/variations", passage, null);
        same(other, "GET", "/api/passages/{id}/variations/{key}", passage, null);
        same(other, "GET", "/api/passages/{id}/transitions/{transition}", passage, null);
        same(other, "POST", "/api/passages/{id}/transitions/{transition}/breaks", passage, null);
        same(other, "DELETE", "/api/passages/{id}/transitions/{transition}/breaks", passage, null);
        same(
                other,
                "PUT",
                "/api/passages/{id}/transitions/{transition}/breaks/cause",
                passage,
                Map.of("cause", "shift"));
        same(other, "GET", "/api/sections/{id}/plan/again", section, null);
        same(other, "PUT", "/api/season/passages/{id}", passage, Map.of("matters", "MOST"));
        same(other, "POST", "/api/passages/{id}/choice", passage, Map.of("minutes", 5));
        owner.post("/api/passages/" + passage + "/choice", Map.of("minutes", 5));
        choice = owner.get("/api/passages/" + passage + "/practice-sheet")
                .ok()
                .path("today")
                .path(0)
                .path("id")
                .asLong();
        same(other, "PUT", "/api/passages/{id}/choice/{choiceId}", passage, Map.of("played", true));
        same(other, "GET", "/api/passages/{id}/export?as=ABC", passage, null);
        same(other, "PUT", "/api/sections/{id}", section, Map.of("name", "mine", "difficulty", 1));
        same(other, "GET", "/api/sections/{id}/plan", section, null);
        same(other, "GET", "/api/sections/{id}/ceiling", section, null);
        same(other, "GET", "/api/runs/{id}?holder=" + window, runId, null);
        same(other, "GET", "/api/runs/{id}/score", runId, null);
        same(other, "GET", "/api/runs/{id}/after", runId, null);
        same(other, "GET", "/api/runs/{id}/events", runId, null);
        same(other, "POST", "/api/runs/{id}/events", runId, Practice.answer(run, window));
        same(other, "POST", "/api/runs/{id}/holder", runId, Map.of("holder", window.toString()));
        long packedId = owner.post("/api/packed", Practice.plan(section, Map.of()))
                .ok()
                .path("id")
                .asLong();
        same(other, "POST", "/api/packed/{id}/run", packedId, Map.of("holder", window.toString(), "secondsAgo", 1));
        same(other, "PUT", "/api/runs/{id}/rating", runId, Map.of("rating", 3));
        same(other, "PUT", "/api/runs/{id}/note", runId, Map.of("note", "hello"));
        same(other, "GET", "/api/log/{id}", runId, null);
        same(other, "PUT", "/api/log/{id}/passes/{place}", runId, Map.of("tension", 1));
        same(other, "GET", "/api/ceiling-tests/{id}", runId, null);
        same(other, "POST", "/api/runs/{id}/drills", runId, null);
        same(other, "POST", "/api/passages/{id}/transitions/{transition}/changes", passage, null);
        same(
                other,
                "POST",
                "/api/passages/{id}/practice",
                passage,
                Map.of("clientId", UUID.randomUUID().toString(), "bpm", 80, "seconds", 20, "varied", false));
        long change = owner.post("/api/changes", Map.of("name", "G to C", "song", "", "target", 112, "beats", 2))
                .ok()
                .path("changes")
                .path(0)
                .path("id")
                .asLong();
        same(
                other,
                "POST",
                "/api/changes/{id}/counts",
                change,
                Map.of("clientId", UUID.randomUUID().toString(), "seconds", 60, "clean", 30));
        same(other, "DELETE", "/api/changes/{id}", change, null);
        long template = owner.put("/api/templates", Map.of("name", "mine", "wish", Practice.plan(section, Map.of())))
                .ok()
                .path(0)
                .path("id")
                .asLong();
        same(other, "DELETE", "/api/templates/{id}", template, null);
        owner.post(
                        "/api/load/elsewhere",
                        Map.of("clientId", UUID.randomUUID().toString(), "kind", "TEACHING", "minutes", 15))
                .ok();
        JsonNode load = owner.post("/api/load/given", Map.of("kind", "EFFORT", "cap", 20, "by", "my teacher"))
                .ok();
        same(
                other,
                "DELETE",
                "/api/load/elsewhere/{id}",
                load.path("elsewhere").path(0).path("id").asLong(),
                null);
        same(
                other,
                "DELETE",
                "/api/load/given/{id}",
                load.path("given").path(0).path("id").asLong(),
                null);
        same(
                other,
                "DELETE",
                "/api/log/away/{id}",
                load.path("elsewhere").path(0).path("id").asLong(),
                null);
        same(
                other,
                "PUT",
                "/api/log/away/{id}",
                load.path("elsewhere").path(0).path("id").asLong(),
                Map.of("kind", "LESSON", "minutes", 20, "note", ""));
        String concert = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC)
                .plusDays(20)
                .toString();
        same(
                other,
                "DELETE",
                "/api/season/performances/{id}",
                owner.post("/api/season/performances", Map.of("name", "Recital", "day", concert))
                        .ok()
                        .path("performances")
                        .path(0)
                        .path("id")
                        .asLong(),
                null);
        same(other, "PUT", "/api/sections/{id}/doubt", section, Map.of("because", "TODAY"));
        owner.put("/api/drafts", Practice.plan(section, Map.of())).ok();
        same(other, "DELETE", "/api/drafts/{id}", section, null);
        Player third = player();
        third.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        same(
                other,
                "DELETE",
                "/api/symptoms/{id}",
                third.get("/api/load").ok().path("symptoms").path(0).path("id").asLong(),
                null);
        assertThat(tried).as("every endpoint that takes an id is tried").isEqualTo(endpointsWithId());

        bodies(other, section, window);
        assertThat(other.get("/api/passages").ok()).isEmpty();
        assertThat(other.get("/api/log").ok().path("entries")).isEmpty();
        assertThat(other.get("/api/load").ok().path("days")).isEmpty();
        assertThat(other.get("/api/today").ok().path("openRun").isNull()).isTrue();

        JsonNode after = owner.get("/api/runs/" + runId + "?holder=" + window).ok();
        assertThat(after.path("ordinal").asInt()).isEqualTo(run.path("ordinal").asInt());
        assertThat(after.path("note").asString()).isEmpty();
        assertThat(owner.get("/api/passages/" + passage)
                        .ok()
                        .path("passage")
                        .path("sections")
                        .path(0)
                        .path("name")
                        .asString())
                .isEqualTo("whole");
    }

    /** Another's thing and a thing that never was get the same answer, to the letter. */
    private void same(Player other, String method, String template, long id, Object body) {
        tried.add(method + " " + template.replaceAll("\\?.*", ""));
        String address = template.replace("{key}", "same.2-1")
                .replace("{transition}", "3")
                .replace("{place}", "0")
                .replace("{choiceId}", String.valueOf(choice));
        Reply real = other.send(method, address.replace("{id}", String.valueOf(id)), body, true);
        Reply none = other.send(method, address.replace("{id}", String.valueOf(NOWHERE)), body, true);
        assertThat(real.status()).as(method + " " + template).isEqualTo(404);
        assertThat(none.status()).isEqualTo(404);
        assertThat(withoutId(real, id)).isEqualTo(withoutId(none, NOWHERE));
    }

    private static String withoutId(Reply reply, long id) {
        return reply.response().body().replaceFirst("/([\\w-]+)/" + id + "\\b", "/$1/N");
    }

    private static void bodies(Player other, long section, UUID window) {
        assertThat(other.post("/api/plans", Practice.plan(section, Map.of())).status())
                .isEqualTo(404);
        assertThat(other.post("/api/plans/score", Practice.plan(section, Map.of()))
                        .status())
                .isEqualTo(404);
        assertThat(other.post("/api/plans/PERFORM", Practice.plan(section, Map.of()))
                        .status())
                .isEqualTo(404);
        assertThat(Practice.begin(other, section, window).status()).isEqualTo(404);
    }

    private Set<String> endpointsWithId() {
        return mapping.getHandlerMethods().keySet().stream()
                .flatMap(info -> info.getPatternValues().stream()
                        .filter(pattern -> pattern.startsWith("/api/")
                                && (pattern.contains("{id}") || pattern.contains("{runId}")))
                        .flatMap(pattern -> info.getMethodsCondition().getMethods().stream()
                                .map(method -> method + " " + pattern.replace("{runId}", "{id}"))))
                .collect(Collectors.toSet());
    }

    @Test
    void withoutASessionThereIsNothing() {
        mapping.getHandlerMethods().keySet().stream()
                .flatMap(info -> info.getPatternValues().stream())
                .filter(pattern -> pattern.startsWith("/api/")
                        && !Set.of(
                                        "/api/greeting",
                                        "/api/openapi",
                                        "/api/openapi.yaml",
                                        "/api/account",
                                        "/api/session",
                                        "/api/demo")
                                .contains(pattern))
                .forEach(pattern -> assertThat(stranger()
                                .get(pattern.replaceAll("\\{\\w+}", "1"))
                                .status())
                        .as(pattern)
                        .isEqualTo(401));
    }
}

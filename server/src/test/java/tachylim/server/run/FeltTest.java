package tachylim.server.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** What is said of tension and of the edge, from the answer to the log, the ceiling and the next plan. */
class FeltTest extends ServerTest {

    private final UUID window = UUID.randomUUID();

    /** Plays on, with something other to say of some passes than that they were clean. */
    private JsonNode playOn(Player player, JsonNode from, int most, List<Map<String, Object>> said) {
        JsonNode now = from;
        int passes = 0;
        for (int i = 0; i < most && now.path("step").path("ended").isNull(); i++) {
            Map<String, Object> event = Practice.answer(now, window);
            if ("JUDGED".equals(event.get("kind"))) {
                event.remove("tension");
                event.putAll(passes < said.size() ? said.get(passes) : Map.of());
                passes++;
            }
            now = Practice.send(player, now, event).ok();
        }
        return now;
    }

    private JsonNode passes(Player player, JsonNode run) {
        Practice.send(player, run, Practice.event(run, window, "STOPPED", Map.of()));
        return player.get("/api/log/" + run.path("id").asLong()).ok().path("passes");
    }

    private static List<JsonNode> each(JsonNode nodes) {
        return StreamSupport.stream(nodes.spliterator(), false).toList();
    }

    @Test
    void onlyWhatWasSaidOfTensionIsInTheRecord() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        JsonNode played = playOn(odile, run, 24, List.of(Map.of(), Map.of("tension", 3)));
        List<JsonNode> passes = each(passes(odile, played));
        assertThat(passes).hasSizeGreaterThan(6);
        assertThat(passes.stream().filter(pass -> !pass.path("tension").isNull()))
                .hasSize(1)
                .allMatch(pass -> pass.path("tension").asInt() == 3);
        assertThat(odile.get("/api/load")
                        .ok()
                        .path("days")
                        .path(0)
                        .path("worstTension")
                        .asInt())
                .isEqualTo(3);
        List<String> lines = new String(odile.download("/api/exports/passes.csv"), StandardCharsets.UTF_8)
                .lines()
                .toList();
        int column = List.of(lines.get(0).split(",")).indexOf("tension");
        assertThat(lines.stream().skip(1).map(line -> line.split(",", -1)[column]))
                .contains("3", "")
                .containsOnly("3", "");
    }

    @Test
    void tensionMayBeSaidOfAPassThatNeedsNoVerdict() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Map<String, Object> silent = Practice.answer(run, window);
        silent.put("kind", "UNJUDGED");
        silent.remove("verdict");
        silent.put("tension", 2);
        JsonNode next = Practice.send(odile, run, silent).ok();
        assertThat(next.path("last").path("verdict").isNull()).isTrue();
        assertThat(next.path("last").path("tension").asInt()).isEqualTo(2);
        silent.put("tension", 5);
        assertThat(Practice.send(odile, run, silent)
                        .ok()
                        .path("last")
                        .path("tension")
                        .asInt())
                .isEqualTo(5);
        JsonNode pass = passes(odile, next).path(0);
        assertThat(pass.path("tension").asInt()).isEqualTo(5);
        assertThat(pass.path("verdict").isNull()).isTrue();
    }

    private JsonNode arch(Player player, long section) {
        Map<String, Object> wish = new HashMap<>(Practice.plan(section, Map.of("school", "ARCH")));
        wish.put(
                "blocks",
                List.of(Map.of("part", "CORE", "theme", 0, "variation", "", "seconds", 600, "school", "ARCH")));
        return player.post("/api/runs", Map.of("plan", wish, "holder", window.toString()))
                .ok();
    }

    private static double top(JsonNode run) {
        return run.path("step").path("pass").path("fastest").asDouble();
    }

    @Test
    void theEdgesOfAnArchStandInTheLogAndTheCeilingAndTheNextArchGoesByThem() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode run = arch(odile, section);
        List<Double> edges = new ArrayList<>();
        double share = 0.95;
        for (JsonNode now = run; edges.size() < 3; ) {
            Map<String, Object> event = Practice.answer(now, window);
            if (now.path("step").path("pass").path("ask").asString().equals("EDGE")) {
                edges.add(Math.floor(top(now) * share));
                event.put("told", edges.get(edges.size() - 1));
                event.remove("tension");
            }
            now = Practice.send(odile, now, event).ok();
        }
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()));
        JsonNode logged = odile.get("/api/log/" + run.path("id").asLong()).ok().path("passes");
        assertThat(each(logged).stream()
                        .filter(pass -> !pass.path("edge").isNull())
                        .map(pass -> pass.path("edge").asDouble()))
                .containsExactlyElementsOf(edges);
        JsonNode day = odile.get("/api/sections/" + section + "/ceiling")
                .ok()
                .path("edges")
                .path(0);
        double mean = edges.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        assertThat(day.path("glides").asInt()).isEqualTo(3);
        assertThat(day.path("mean").asDouble()).isCloseTo(mean, within(1e-6));
        assertThat(day.path("highest").asDouble()).isCloseTo(edges.get(0), within(1e-6));
        assertThat(day.path("lowest").asDouble()).isCloseTo(edges.get(2), within(1e-6));
        JsonNode next = arch(odile, section);
        assertThat(next.path("timeline").path("stretches").size()).isPositive();
        double highest = each(next.path("timeline").path("stretches")).stream()
                .filter(stretch -> stretch.path("pulse").asString().equals("GLIDING"))
                .mapToDouble(stretch -> stretch.path("fastest").asDouble())
                .max()
                .orElseThrow();
        assertThat(highest).isBetween(mean, mean * 1.05);
    }
}

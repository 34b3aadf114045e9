package tachylim.server.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.TestClock;
import tools.jackson.databind.JsonNode;

/** Ceiling tests, probes, and what the page of a ceiling says. */
class MeasuringTest extends ServerTest {

    private final UUID window = UUID.randomUUID();

    private JsonNode begin(Player player, long section, String school) {
        return player.post(
                        "/api/runs",
                        Map.of("plan", Practice.plan(section, Map.of("school", school)), "holder", window.toString()))
                .ok();
    }

    private JsonNode wholly(Player player, long section, String school) {
        return Practice.playOn(player, begin(player, section, school), window, 300);
    }

    private static JsonNode ceiling(Player player, long section) {
        return player.get("/api/sections/" + section + "/ceiling").ok();
    }

    private static double middle(JsonNode estimate) {
        return estimate.path("ceiling").path("middle").asDouble();
    }

    private static List<String> forms(JsonNode run) {
        return run.path("timeline").path("stretches").values().stream()
                .filter(stretch -> stretch.path("played").asBoolean())
                .map(stretch -> stretch.path("form").asString())
                .toList();
    }

    @Test
    void aCeilingTestMeasuresAndItsResultStays() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        assertThat(ceiling(odile, section).path("measure").path("code").asString())
                .isEqualTo("measure.never");
        JsonNode run = wholly(odile, section, "CEILING_TEST");
        assertThat(run.path("step").path("ended").asString()).isEqualTo("PLAYED");
        assertThat(run.path("measured").asBoolean()).isTrue();
        long probes = forms(run).stream().filter("PROBE"::equals).count();
        assertThat(probes).isBetween(3L, 14L);
        String path = "/api/ceiling-tests/" + run.path("id").asLong();
        JsonNode result = odile.get(path).ok();
        assertThat(result.path("passes")).hasSize((int) probes);
        assertThat(result.path("before").isNull()).isTrue();
        assertThat(result.path("estimate").path("ceiling").path("middle").asDouble())
                .as("the close has said a little more")
                .isCloseTo(middle(ceiling(odile, section).path("estimate")), withinPercentage(2));
        assertThat(ceiling(odile, section).path("tests")).hasSize(1);
        assertThat(odile.get("/api/log/" + run.path("id").asLong())
                        .ok()
                        .path("measured")
                        .asBoolean())
                .isTrue();
        TestClock.CLOCK.nextMorning();
        JsonNode second = wholly(odile, section, "CEILING_TEST");
        assertThat(odile.get("/api/ceiling-tests/" + second.path("id").asLong())
                        .ok()
                        .path("before")
                        .path("estimate"))
                .isEqualTo(result.path("estimate"));
        assertThat(odile.get(path).ok()).as("what it found stays").isEqualTo(result);
        assertThat(player().get(path).status()).isEqualTo(404);
    }

    @Test
    void aTestEndsWithTheFirstPassThatGrips() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode now = begin(odile, section, "CEILING_TEST");
        while (!now.path("part").asString().equals("MEASURE")
                || now.path("step").path("pass").isNull()) {
            now = Practice.send(odile, now, Practice.answer(now, window)).ok();
        }
        double gripped = now.path("step").path("pass").path("tempo").asDouble();
        Map<String, Object> answer = Practice.answer(now, window);
        answer.put("tension", 4);
        now = Practice.send(odile, now, answer).ok();
        JsonNode end = Practice.playOn(odile, now, window, 100);
        assertThat(forms(end).stream().filter("PROBE"::equals)).hasSize(1);
        List<Double> later = end.path("timeline").path("stretches").values().stream()
                .filter(stretch -> stretch.path("form").asString().equals("CLOSING"))
                .map(stretch -> stretch.path("tempo").asDouble())
                .toList();
        assertThat(later).isNotEmpty().allMatch(tempo -> tempo < gripped);
        JsonNode plan =
                odile.post("/api/plans", Practice.plan(section, Map.of())).ok();
        assertThat(plan.path("timeline").path("stretches").values())
                .as("no measuring, and nothing as fast, in the next workout of the day either")
                .noneMatch(stretch -> stretch.path("form").asString().equals("PROBE"))
                .allMatch(stretch ->
                        stretch.path("tempo").isNull() || stretch.path("tempo").asDouble() < gripped);
    }

    @Test
    void aWorkoutIsWithoutMeasuringAfterAWeekAway() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        assertThat(forms(wholly(odile, section, "INTERVAL_BURSTS"))).contains("PROBE");
        for (int day = 0; day < 8; day++) {
            TestClock.CLOCK.nextMorning();
        }
        JsonNode plan =
                odile.post("/api/plans", Practice.plan(section, Map.of())).ok();
        assertThat(plan.path("timeline").path("remarks").path(0).path("code").asString())
                .isEqualTo("spared.away");
        assertThat(plan.path("timeline").path("stretches").values())
                .noneMatch(stretch ->
                        List.of("PROBE", "BURST").contains(stretch.path("form").asString()));
    }

    /** What was known on a day is kept as it was known; only the smoothed line looks back from today. */
    @Test
    void theHistorySaysWhatWasKnownThenAndTheSmoothedLineWhatIsKnownNow() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        wholly(odile, section, "INTERVAL_BURSTS");
        JsonNode first = ceiling(odile, section).path("history").path(0);
        assertThat(first.path("probes").asInt()).isPositive();
        TestClock.CLOCK.nextMorning();
        wholly(odile, section, "CEILING_TEST");
        JsonNode later = ceiling(odile, section).path("history").path(0);
        for (String known : List.of("comfortable", "ceiling", "low", "high", "breakdown", "probes")) {
            assertThat(later.path(known)).isEqualTo(first.path(known));
        }
        assertThat(later.path("smoothed").asDouble())
                .isNotEqualTo(first.path("smoothed").asDouble());
    }

    @Test
    void aPassageInSectionsSaysWhatHoldsTheWholeBack() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        odile.put("/api/passages/" + passage + "/sections", Map.of("kind", "BARS", "size", 1))
                .ok();
        long section = Practice.firstSection(odile, passage);
        wholly(odile, section, "INTERVAL_BURSTS");
        JsonNode whole = ceiling(odile, section).path("whole");
        assertThat(whole.path("parts").size()).isGreaterThan(1);
        double slowest = whole.path("parts").values().stream()
                .mapToDouble(part ->
                        part.path("estimate").path("ceiling").path("middle").asDouble())
                .min()
                .orElseThrow();
        assertThat(whole.path("tempo").asDouble()).isLessThan(slowest);
        assertThat(whole.path("weakest").asLong()).isNotEqualTo(section);
    }

    @Test
    void ofAFewDaysNothingIsForetold() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        wholly(odile, section, "INTERVAL_BURSTS");
        assertThat(ceiling(odile, section).path("forecast").isNull()).isTrue();
    }
}

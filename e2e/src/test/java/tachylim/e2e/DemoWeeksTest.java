package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The demo's ten weeks, written whole. */
@Tag("long")
class DemoWeeksTest {

    @Test
    void tenWeeksHaveALayoffATenseTimeAndAPassageThatIsBehind() {
        try (App demo = App.start("e2e_demo_weeks", Shared.SPEED, "--tachylim.demo=true")) {
            Client odile = new Client(demo.base()).patient();
            odile.get("/api/greeting");
            assertThat(odile.post("/api/demo", Map.of()).status()).isEqualTo(204);
            JsonObject load = odile.get("/api/load").json();
            List<JsonObject> days = list(load.get("days"));
            List<LocalDate> dates = days.stream()
                    .map(day -> LocalDate.parse(day.get("day").getAsString()))
                    .toList();
            assertThat(ChronoUnit.DAYS.between(dates.get(0), dates.get(dates.size() - 1)))
                    .isBetween(60L, 70L);
            long longest = 0;
            for (int i = 1; i < dates.size(); i++) {
                longest = Math.max(longest, ChronoUnit.DAYS.between(dates.get(i - 1), dates.get(i)));
            }
            assertThat(longest).isGreaterThanOrEqualTo(12);
            assertThat(days).anyMatch(day -> day.get("worstTension").getAsInt() >= 4);
            List<JsonObject> passages = list(JsonParser.parseString(odile.text("/api/passages")));
            assertThat(passages)
                    .hasSize(4)
                    .anyMatch(passage -> shareOfTarget(passage) < 0.85)
                    .anyMatch(passage -> shareOfTarget(passage) > 0.9);
        }
    }

    private static List<JsonObject> list(JsonElement array) {
        return StreamSupport.stream(((JsonArray) array).spliterator(), false)
                .map(JsonElement::getAsJsonObject)
                .toList();
    }

    private static double shareOfTarget(JsonObject passage) {
        JsonObject section = passage.getAsJsonArray("sections").get(0).getAsJsonObject();
        return section.getAsJsonObject("estimate")
                        .getAsJsonObject("ceiling")
                        .get("middle")
                        .getAsDouble()
                / passage.get("targetBpm").getAsDouble();
    }
}

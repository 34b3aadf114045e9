package tachylim.server.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** A workout is kept under a name, to plan others like it. */
class TemplateTest extends ServerTest {

    @Autowired
    private JdbcClient sql;

    private static Map<String, Object> template(String name, long section, int minutes) {
        return Map.of("name", name, "wish", Practice.plan(section, Map.of("minutes", minutes)));
    }

    @Test
    void aSessionIsKeptAndComesBackAsItWas() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode wish = odile.get("/api/sections/" + section + "/plan").ok().path("wish");
        JsonNode kept = odile.put("/api/templates", Map.of("name", "Long core", "wish", wish))
                .ok();
        assertThat(kept.path(0).path("wish")).isEqualTo(wish);
        assertThat(odile.post("/api/plans", kept.path(0).path("wish")).status()).isEqualTo(200);
    }

    /** What is stored keeps its names, whatever the code calls it. */
    @Test
    void itsSectionsAndVariationsAreStoredUnderNamesOfTheirOwn() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode wish = odile.get("/api/sections/" + section + "/plan").ok().path("wish");
        JsonNode kept = odile.put("/api/templates", Map.of("name", "Mornings", "wish", wish))
                .ok();
        assertThat(kept.path(0).path("wish").path("sectionId").asLong()).isEqualTo(section);
        String stored = sql.sql("select wish from plan_template where id = ?")
                .param(kept.path(0).path("id").asLong())
                .query(String.class)
                .single();
        assertThat(stored)
                .contains("\"pieceId\":" + section, "\"version\":\"\"")
                .doesNotContain("sectionId", "variation");
    }

    @Test
    void oneOfTheSameNameIsReplaced() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        odile.put("/api/templates", template("Mornings", section, 20)).ok();
        JsonNode kept =
                odile.put("/api/templates", template(" Mornings ", section, 30)).ok();
        assertThat(kept).hasSize(1);
        assertThat(kept.path(0).path("wish").path("minutes").asInt()).isEqualTo(30);
        assertThat(odile.delete("/api/templates/" + kept.path(0).path("id").asLong())
                        .status())
                .isEqualTo(204);
        assertThat(odile.get("/api/templates").ok()).isEmpty();
    }

    @Test
    void whatCannotBeReadAnyMoreIsNotOffered() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode kept =
                odile.put("/api/templates", template("Mornings", section, 20)).ok();
        odile.put("/api/templates", template("Evenings", section, 20)).ok();
        sql.sql("update plan_template set wish = replace(wish, 'INTERVAL_BURSTS', 'FORGOTTEN') where id = ?")
                .param(kept.path(0).path("id").asLong())
                .update();
        assertThat(odile.get("/api/templates").ok()).hasSize(1);
    }

    @Test
    void whatWasKeptBeforeThereWasAChoiceIsAsUsual() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        odile.put("/api/templates", template("Mornings", section, 20)).ok();
        sql.sql("update plan_template set wish = replace(wish, '\"looseOnly\":false,', '')")
                .update();
        assertThat(odile.get("/api/templates")
                        .ok()
                        .path(0)
                        .path("wish")
                        .path("looseOnly")
                        .asBoolean(true))
                .isFalse();
    }

    @Test
    void aTemplateNeedsANameAndASessionThatMayBe() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        Reply nameless = odile.put("/api/templates", template(" ", section, 20));
        assertThat(nameless.status()).isEqualTo(422);
        assertThat(nameless.detail()).contains("name");
        assertThat(odile.put("/api/templates", template("Endless", section, 900))
                        .status())
                .isEqualTo(422);
    }
}

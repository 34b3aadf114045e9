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

/** A session is kept under a name, to plan others like it. */
class TemplateTest extends ServerTest {

    @Autowired
    private JdbcClient sql;

    private static Map<String, Object> template(String name, long piece, int minutes) {
        return Map.of("name", name, "wish", Practice.plan(piece, Map.of("minutes", minutes)));
    }

    @Test
    void aSessionIsKeptAndComesBackAsItWas() {
        Player odile = player();
        long piece = Practice.firstPiece(odile, Practice.newPassage(odile));
        JsonNode wish = odile.get("/api/pieces/" + piece + "/plan").ok().path("wish");
        JsonNode kept = odile.put("/api/templates", Map.of("name", "Long core", "wish", wish))
                .ok();
        assertThat(kept.path(0).path("wish")).isEqualTo(wish);
        assertThat(odile.post("/api/plans", kept.path(0).path("wish")).status()).isEqualTo(200);
    }

    @Test
    void oneOfTheSameNameIsReplaced() {
        Player odile = player();
        long piece = Practice.firstPiece(odile, Practice.newPassage(odile));
        odile.put("/api/templates", template("Mornings", piece, 20)).ok();
        JsonNode kept =
                odile.put("/api/templates", template(" Mornings ", piece, 30)).ok();
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
        long piece = Practice.firstPiece(odile, Practice.newPassage(odile));
        JsonNode kept =
                odile.put("/api/templates", template("Mornings", piece, 20)).ok();
        odile.put("/api/templates", template("Evenings", piece, 20)).ok();
        sql.sql("update plan_template set wish = replace(wish, 'INTERVAL_BURSTS', 'FORGOTTEN') where id = ?")
                .param(kept.path(0).path("id").asLong())
                .update();
        assertThat(odile.get("/api/templates").ok()).hasSize(1);
    }

    @Test
    void whatWasKeptBeforeThereWasAChoiceIsAsUsual() {
        Player odile = player();
        long piece = Practice.firstPiece(odile, Practice.newPassage(odile));
        odile.put("/api/templates", template("Mornings", piece, 20)).ok();
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
        long piece = Practice.firstPiece(odile, Practice.newPassage(odile));
        Reply nameless = odile.put("/api/templates", template(" ", piece, 20));
        assertThat(nameless.status()).isEqualTo(422);
        assertThat(nameless.detail()).contains("name");
        assertThat(odile.put("/api/templates", template("Endless", piece, 900)).status())
                .isEqualTo(422);
    }
}

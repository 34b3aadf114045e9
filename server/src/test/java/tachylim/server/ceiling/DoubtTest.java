package tachylim.server.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Who fails far below their ceiling is told that it does not fit, and says why. */
class DoubtTest extends ServerTest {

    private final UUID window = UUID.randomUUID();
    private Player odile;
    private long section;
    private JsonNode ended;
    private double before;

    @BeforeEach
    void everythingBreaksDown() {
        odile = player();
        section = Practice.firstSection(odile, Practice.newPassage(odile));
        before = ceiling();
        JsonNode now = Practice.begin(odile, section, window).ok();
        for (int i = 0; i < 60 && now.path("step").path("ended").isNull(); i++) {
            Map<String, Object> event = Practice.answer(now, window);
            if (event.get("kind").equals("JUDGED")) {
                event.put("verdict", "BROKE");
                if (now.path("step").path("pass").path("ask").asString().equals("SET")) {
                    event.put("told", 0);
                }
            }
            now = Practice.send(odile, now, event).ok();
        }
        ended = now;
        Practice.send(odile, now, Practice.event(now, window, "STOPPED", Map.of()));
    }

    private JsonNode view() {
        return odile.get("/api/sections/" + section + "/ceiling").ok();
    }

    private double ceiling() {
        return view().path("estimate").path("ceiling").path("middle").asDouble();
    }

    private void settle(String because) {
        assertThat(odile.put("/api/sections/" + section + "/doubt", Map.of("because", because))
                        .status())
                .isEqualTo(204);
        assertThat(view().path("doubted").isNull()).isTrue();
    }

    @Test
    void whatDoesNotFitIsSaidAndPlansGoByWhatWorks() {
        assertThat(view().path("doubted").asDouble()).isCloseTo(before, within(before * 0.1));
        assertThat(ceiling()).isLessThan(before * 0.75);
        assertThat(view().path("estimate").path("enoughEvidence").asBoolean()).isFalse();
        JsonNode after = odile.get("/api/runs/" + ended.path("id").asLong() + "/after")
                .ok()
                .path(0);
        assertThat(after.path("doubted").asDouble())
                .isEqualTo(view().path("doubted").asDouble());
        JsonNode plan =
                odile.post("/api/plans", Practice.plan(section, Map.of())).ok();
        assertThat(plan.path("timeline").path("remarks").toString()).contains("block.doubt");
    }

    @Test
    void aBadDayLeavesTheCeilingWhereItWas() {
        settle("TODAY");
        assertThat(ceiling()).isCloseTo(before, within(before * 0.1));
    }

    @Test
    void otherMusicOrOtherHandsAreLearnedFrom() {
        double heard = ceiling();
        settle("MUSIC");
        assertThat(ceiling()).isCloseTo(heard, within(1e-9));
        settle("TODAY");
        assertThat(ceiling()).as("settled once").isCloseTo(heard, within(1e-9));
    }

    @Test
    void itIsTheOwnersToSay() {
        assertThat(player().put("/api/sections/" + section + "/doubt", Map.of("because", "TODAY"))
                        .status())
                .isEqualTo(404);
        assertThat(odile.put("/api/sections/" + section + "/doubt", Map.of("because", "NOTHING"))
                        .status())
                .isBetween(400, 422);
    }
}

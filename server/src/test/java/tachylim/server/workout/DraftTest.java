package tachylim.server.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** A plan that was changed lasts, and an open workout is never begun over. */
class DraftTest extends ServerTest {

    private final String window = UUID.randomUUID().toString();
    private Player odile;
    private long passage;
    private long section;

    @BeforeEach
    void aPassage() {
        odile = player();
        passage = Practice.newPassage(odile);
        section = Practice.firstSection(odile, passage);
    }

    private Map<String, Object> wish(int minutes) {
        return Practice.plan(
                section,
                Map.of(
                        "minutes",
                        minutes,
                        "others",
                        List.of(),
                        "blocks",
                        List.of(Map.of(
                                "part",
                                "CORE",
                                "theme",
                                0,
                                "variation",
                                "",
                                "seconds",
                                240,
                                "school",
                                "ARCH",
                                "own",
                                true))));
    }

    private JsonNode drafts() {
        return odile.get("/api/drafts").ok();
    }

    private Player.Reply begin(Map<String, Object> wish, Long ending) {
        return odile.post(
                "/api/runs",
                ending == null
                        ? Map.of("plan", wish, "holder", window)
                        : Map.of("plan", wish, "holder", window, "ending", ending));
    }

    @Test
    void oneAPassageLastsUntilItIsDropped() {
        assertThat(drafts()).isEmpty();
        assertThat(odile.put("/api/drafts", wish(20)).status()).isEqualTo(204);
        assertThat(odile.put("/api/drafts", wish(25)).status()).isEqualTo(204);
        assertThat(drafts()).hasSize(1);
        JsonNode draft = drafts().path(0);
        assertThat(draft.path("minutes").asInt()).isEqualTo(25);
        assertThat(draft.path("blocks").path(0).path("own").asBoolean()).isTrue();
        assertThat(player().get("/api/drafts").ok()).isEmpty();
        assertThat(odile.delete("/api/drafts/" + section).status()).isEqualTo(204);
        assertThat(drafts()).isEmpty();
    }

    @Test
    void whatIsBegunIsNoDraftAnyMoreAndAnotherWorkoutLeavesItThere() {
        odile.put("/api/drafts", wish(20));
        long other = begin(Practice.plan(section, Map.of("school", "EASY", "minutes", 8)), null)
                .ok()
                .path("id")
                .asLong();
        assertThat(drafts()).hasSize(1);
        begin(wish(20), other).ok();
        assertThat(drafts()).isEmpty();
    }

    @Test
    void aDraftGoesWithItsPassage() {
        odile.put("/api/drafts", wish(20));
        odile.delete("/api/passages/" + passage);
        assertThat(drafts()).isEmpty();
    }

    @Test
    void anOpenWorkoutIsToldAndEndedOnlyWhenThatIsSaid() {
        JsonNode first = begin(wish(20), null).ok();
        JsonNode played = Practice.playOn(odile, first, UUID.fromString(window), 3);
        Player.Reply refused = begin(wish(30), null);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().path("code").asString()).isEqualTo("open-run");
        assertThat(refused.json().path("runId").asLong())
                .isEqualTo(first.path("id").asLong());
        JsonNode second = begin(wish(30), first.path("id").asLong()).ok();
        assertThat(second.path("id").asLong()).isNotEqualTo(first.path("id").asLong());
        JsonNode ended = odile.get("/api/log/" + first.path("id").asLong()).ok();
        assertThat(ended.path("entry").path("outcome").asString()).isEqualTo("STOPPED");
        assertThat(ended.path("passes").size()).isPositive();
        assertThat(played.path("id")).isEqualTo(first.path("id"));
    }

    /** What is ended is the workout that was named, and none that was begun meanwhile on another device. */
    @Test
    void onlyTheWorkoutThatWasNamedIsEnded() {
        long first = begin(wish(20), null).ok().path("id").asLong();
        assertThat(begin(wish(30), first + 1_000).status()).isEqualTo(409);
        assertThat(odile.get("/api/today").ok().path("openRun").asLong()).isEqualTo(first);
    }
}

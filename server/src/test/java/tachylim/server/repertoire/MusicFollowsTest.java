package tachylim.server.repertoire;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** What was learned stays with the notes it was learned on. */
class MusicFollowsTest extends ServerTest {

    private static final String EIGHTHS = "M:4/4\nL:1/8\nK:C\nCDEF GABc | dcBA GFED | CEGc GECE | ";

    private final UUID window = UUID.randomUUID();
    private Player odile;
    private long passage;

    @BeforeEach
    void somebodyWhoKnowsAPassage() {
        odile = player();
        odile.put(
                        "/api/account/habits",
                        Map.of("instrument", "MALLET", "usualMinutes", 120, "roughCounts", false, "looseOnly", false))
                .ok();
        passage = odile.post(
                        "/api/passages",
                        Practice.passage(Map.of("music", Practice.abc(EIGHTHS), "targetBpm", 160, "cleanAt", 90)))
                .ok()
                .path("passage")
                .path("id")
                .asLong();
        Practice.playOn(odile, Practice.begin(odile, whole(), window).ok(), window, 400);
    }

    private List<JsonNode> sections() {
        List<JsonNode> sections = new ArrayList<>();
        odile.get("/api/passages/" + passage)
                .ok()
                .path("passage")
                .path("sections")
                .forEach(sections::add);
        return sections;
    }

    private long whole() {
        return sections().get(0).path("id").asLong();
    }

    private static double ceiling(JsonNode section) {
        return section.path("estimate").path("ceiling").path("middle").asDouble();
    }

    private static double width(JsonNode section) {
        return (section.path("estimate").path("ceiling").path("high").asDouble()
                        - section.path("estimate").path("ceiling").path("low").asDouble())
                / ceiling(section);
    }

    private Reply change(String abc, String beatUnit, boolean confirmed) {
        int version = odile.get("/api/passages/" + passage).ok().path("version").asInt();
        return odile.put(
                "/api/passages/" + passage,
                Practice.passage(Map.of(
                        "targetBpm",
                        240,
                        "version",
                        version,
                        "confirmed",
                        confirmed,
                        "music",
                        Map.of("source", "ABC", "meter", "4/4", "beatUnit", beatUnit, "text", abc, "bars", 0))));
    }

    private void cut(String kind, int size) {
        odile.put("/api/passages/" + passage + "/sections", Map.of("kind", kind, "size", size))
                .ok();
    }

    @Test
    void cuttingAnewKeepsWhatWasLearnedAndCuttingBackBringsItBack() {
        JsonNode before = sections().get(0);
        cut("BARS", 1);
        assertThat(sections()).hasSize(3).allSatisfy(section -> {
            assertThat(ceiling(section)).isEqualTo(ceiling(before), within(ceiling(before) * 0.06));
            assertThat(width(section)).isGreaterThan(width(before));
        });
        cut("WHOLE", 1);
        assertThat(sections()).hasSize(1);
        assertThat(sections().get(0).path("id").asLong())
                .isEqualTo(before.path("id").asLong());
        assertThat(ceiling(sections().get(0))).isEqualTo(ceiling(before));
    }

    @Test
    void anExtraOverTheSameNotesKnowsAsMuch() {
        JsonNode before = sections().get(0);
        JsonNode extra = odile.post(
                        "/api/passages/" + passage + "/extras",
                        Map.of(
                                "kind",
                                "DRILL",
                                "name",
                                "again",
                                "firstNote",
                                0,
                                "lastNote",
                                before.path("lastNote").asInt()))
                .ok();
        assertThat(ceiling(extra)).isEqualTo(ceiling(before), within(1e-6));
        assertThat(width(extra)).isEqualTo(width(before), within(1e-6));
    }

    @ParameterizedTest
    @CsvSource({"1/8, 2", "1/2, 0.5", "1/4, 1"})
    void anotherBeatKeepsTheNotesASecond(String beatUnit, double ratio) {
        double before = ceiling(sections().get(0));
        change(EIGHTHS, beatUnit, false).ok();
        assertThat(ceiling(sections().get(0)) / before).isEqualTo(ratio, within(0.04 * ratio));
    }

    @Test
    void quickerNotesAreNotPlannedAtTheTempoOfSlowOnes() {
        double before = ceiling(sections().get(0));
        change(EIGHTHS.replace("L:1/8", "L:1/16").replace("M:4/4", "M:2/4"), "1/4", false)
                .ok();
        assertThat(ceiling(sections().get(0)) / before).isEqualTo(0.5, within(0.03));
    }

    @Test
    void aNoteMoreKeepsMostOfIt() {
        double before = ceiling(sections().get(0));
        change(EIGHTHS + "D2", "1/4", false).ok();
        assertThat(ceiling(sections().get(0))).isEqualTo(before, within(before * 0.05));
    }

    @Test
    void otherMusicBeginsAnewAndThatIsSaidBeforeItIsDone() {
        String other = "M:4/4\nL:1/8\nK:C\n^c^c^d^f ^g^a^c^d | ^f^g^a^c ^d^f^g^a |";
        double before = ceiling(sections().get(0));
        Reply asked = change(other, "1/4", false);
        assertThat(asked.status()).isEqualTo(409);
        assertThat(asked.json().path("lost").path(0).asString()).contains("starts over");
        assertThat(ceiling(sections().get(0))).isEqualTo(before);
        change(other, "1/4", true).ok();
        assertThat(sections().get(0).path("lastPlayed").isNull()).isTrue();
        assertThat(sections().get(0).path("estimate").path("enoughEvidence").asBoolean())
                .isFalse();
        assertThat(odile.get("/api/log")
                        .ok()
                        .path("entries")
                        .path(0)
                        .path("passes")
                        .asInt())
                .as("what was played stays")
                .isPositive();
    }

    @Test
    void marksAndBreaksStayWithTheirNotes() {
        odile.put(
                "/api/passages/" + passage + "/marks",
                Map.of("note", 9, "kind", "FINGERING", "value", "3", "why", "crossing", "confirmed", false));
        odile.put(
                "/api/passages/" + passage + "/marks",
                Map.of("note", 3, "kind", "FINGERING", "value", "1", "why", "", "confirmed", false));
        odile.post("/api/passages/" + passage + "/transitions/9/breaks", null);
        odile.put("/api/passages/" + passage + "/readiness", Map.of("item", "COUNTED", "reached", true));
        String oneLess = EIGHTHS.replace("CDEF GABc |", "CDE GABc |");
        Reply asked = change(oneLess, "1/4", false);
        assertThat(asked.json().path("lost")).hasSize(1);
        assertThat(asked.json().path("lost").path(0).asString()).contains("One mark");
        change(oneLess, "1/4", true).ok();
        JsonNode practiceSheet =
                odile.get("/api/passages/" + passage + "/practice-sheet").ok();
        assertThat(practiceSheet
                        .path("notes")
                        .path(8)
                        .path("marks")
                        .path(0)
                        .path("value")
                        .asString())
                .isEqualTo("3");
        assertThat(practiceSheet.path("transitions").path(8).path("breaks").asInt())
                .isEqualTo(1);
        assertThat(practiceSheet.path("readiness").path(3).path("reached").asBoolean())
                .isTrue();
    }

    @Test
    void aPassageThatWasNeverPlayedIsDeletedAndOneThatWasIsKept() {
        long unplayed = Practice.newPassage(odile);
        odile.delete("/api/passages/" + unplayed);
        odile.delete("/api/passages/" + passage);
        assertThat(sql.sql("select id from passage where account_id = ?")
                        .param(signedIn(odile).accountId())
                        .query(Long.class)
                        .list())
                .containsExactly(passage);
        assertThat(odile.get("/api/storage").ok().path("passages").asInt()).isEqualTo(1);
    }

    @Test
    void creatingTwiceAfterALostAnswerMakesOne() {
        Map<String, Object> wish =
                Practice.passage(Map.of("clientId", UUID.randomUUID().toString()));
        long first = odile.post("/api/passages", wish)
                .ok()
                .path("passage")
                .path("id")
                .asLong();
        assertThat(odile.post("/api/passages", wish)
                        .ok()
                        .path("passage")
                        .path("id")
                        .asLong())
                .isEqualTo(first);
        assertThat(odile.get("/api/passages").ok()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource({"99/1", "1/99", "3/1"})
    void aBeatThatNobodyCountsIsRefused(String beatUnit) {
        Reply refused = change(EIGHTHS, beatUnit, true);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.detail()).contains("note values");
    }

    @ParameterizedTest
    @CsvSource({"20", "400"})
    void aFirstEstimateIsNeverEnoughEvidence(double cleanAt) {
        long fresh = odile.post(
                        "/api/passages", Practice.passage(Map.of("cleanAt", cleanAt, "targetBpm", 400, "played", true)))
                .ok()
                .path("passage")
                .path("id")
                .asLong();
        assertThat(odile.get("/api/passages/" + fresh)
                        .ok()
                        .path("passage")
                        .path("sections")
                        .path(0)
                        .path("estimate")
                        .path("enoughEvidence")
                        .asBoolean())
                .isFalse();
    }
}

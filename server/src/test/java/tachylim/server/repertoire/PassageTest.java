package tachylim.server.repertoire;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

class PassageTest extends ServerTest {

    @Test
    void aTypedPassageIsReadKeptAndShownAgain() {
        Player odile = player();
        JsonNode made = odile.post("/api/passages", Practice.passage(Map.of("neededOn", "2999-12-31")))
                .ok();
        assertThat(made.path("reading").path("notes").asInt()).isEqualTo(33);
        JsonNode again = odile.get(
                        "/api/passages/" + made.path("passage").path("id").asLong())
                .ok();
        assertThat(again.path("music").path("text").asString()).isEqualTo(Practice.KESTREL);
        assertThat(again.path("passage")
                        .path("sections")
                        .path(0)
                        .path("estimate")
                        .path("ceiling")
                        .path("middle")
                        .asDouble())
                .isBetween(108.0, 112.0);
        assertThat(again.path("passage")
                        .path("sections")
                        .path(0)
                        .path("estimate")
                        .path("enoughEvidence")
                        .asBoolean())
                .isFalse();
    }

    @Test
    void paperOnTheStandNeedsNoPitches() {
        JsonNode reading =
                player().post("/api/readings", Practice.paper("6/8", 2, "3 6")).ok();
        assertThat(reading.path("notes").asInt()).isEqualTo(19);
        assertThat(reading.path("paper").asBoolean()).isTrue();
        assertThat(reading.path("beatUnit").asString()).isEqualTo("3/8");
        assertThat(reading.path("abc").asString()).contains("stafflines=1");
    }

    @Test
    void withoutATempoOfTheirOwnThreeQuartersOfTheTargetAreGuessed() {
        Map<String, Object> wish = new HashMap<>(Practice.passage(Map.of("targetBpm", 120, "played", false)));
        wish.put("cleanAt", null);
        JsonNode made = player().post("/api/passages", wish).ok();
        assertThat(made.path("passage")
                        .path("sections")
                        .path(0)
                        .path("estimate")
                        .path("ceiling")
                        .path("middle")
                        .asDouble())
                .isBetween(88.0, 92.0);
    }

    @Test
    void abcThatStopsNamesThePlaceAndNothingIsKept() {
        Player odile = player();
        Reply reply = odile.post("/api/passages", Practice.passage(Map.of("music", Practice.abc("K:C\nCDEF | GA/0c"))));
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.json().path("line").asInt()).isEqualTo(2);
        assertThat(reply.json().path("column").asInt()).isEqualTo(12);
        assertThat(reply.json().path("found").asString()).isEqualTo("c");
        assertThat(odile.get("/api/passages").ok()).isEmpty();
    }

    @Test
    void barsThatDoNotAddUpAreAcceptedAndNamed() {
        JsonNode reading = player().post("/api/readings", Practice.abc("M:3/4\nL:1/4\nK:C\nCDE|CDEF|C"))
                .ok();
        assertThat(reading.path("warnings").path(0).toString())
                .contains("read.bar", "\"bar\":2", "\"counts\":4", "\"of\":3", "\"meter\":\"3/4\"");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "targetBpm | 19",
                "targetBpm | 401",
                "targetBpm | -60",
                "targetBpm | 0",
                "cleanAt | 5",
                "cleanAt | 1000",
                "neededOn | '2001-01-01'",
                "title | ''",
                "title | '   '",
            })
    void aValueOutOfRangeIsRefusedByItsField(String field, String value) {
        Object given = field.endsWith("Bpm") || field.equals("cleanAt") ? (Object) Double.valueOf(value) : value;
        Reply reply = player().post("/api/passages", Practice.passage(Map.of(field, given)));
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.json().path("field").asString()).isEqualTo(field);
        assertThat(reply.detail()).endsWith(".");
    }

    @Test
    void aTargetBelowWhatIsCleanAlreadyIsRefusedWithBothTempos() {
        Reply reply = player().post("/api/passages", Practice.passage(Map.of("targetBpm", 100, "cleanAt", 110)));
        assertThat(reply.json().path("field").asString()).isEqualTo("targetBpm");
        assertThat(reply.detail()).contains("100").contains("110");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<script>alert(1)</script> & \"Tin\" 'Roof'",
                "🎵🥁 Étude №7",
                "דף תרגול למהירות",
                "مقطوعة السرعة",
                "a‍b​c"
            })
    void anyTitleIsTextAndComesBackAsItWas(String title) {
        JsonNode made = player().post("/api/passages", Practice.passage(Map.of("title", title)))
                .ok();
        assertThat(made.path("passage").path("title").asString()).isEqualTo(title);
    }

    @Test
    void tooMuchIsRefusedBeforeItIsRead() {
        Player odile = player();
        Reply large = odile.post("/api/readings", Practice.abc("C".repeat(100_000)));
        assertThat(large.status()).isEqualTo(422);
        assertThat(large.detail()).contains("100,000 characters");
        Reply huge = odile.post("/api/readings", Practice.abc("C".repeat(200_000)));
        assertThat(huge.status()).isEqualTo(413);
        assertThat(huge.detail()).contains("128 kB");
        Reply many = odile.post("/api/readings", Practice.abc("K:C\n" + "CDEF ".repeat(1_250)));
        assertThat(many.detail()).contains("2,000 notes");
        assertThat(odile.post("/api/readings", Practice.abc("")).detail()).contains("no note yet");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "4/4 | 0 | 4",
                "4/4 | 65 | 4",
                "4/4 | 2 | four",
                "4/4 | 2 | 13",
                "4/4 | 2 | 0 0",
                "4/5 | 2 | 4",
                "99/4 | 1 | 4",
                "0/4 | 1 | 4",
                "4/4 | -1 | 4",
            })
    void paperThatCannotBeCountedIsRefused(String meter, int bars, String notes) {
        Reply reply = player().post("/api/readings", Practice.paper(meter, bars, notes));
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.detail()).isNotBlank();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"{", "[]", "null", "{\"title\": 7}", "{\"unknown\": 1}", "\"text\"", "{\"targetBpm\": \"fast\"}"
            })
    void requestsThatMakeNoSenseAreRefusedWithoutATrace(String body) {
        Reply reply = player().post("/api/passages", body);
        assertThat(reply.status()).isBetween(400, 422);
        assertThat(reply.response().body()).doesNotContain("Exception").doesNotContain("at tachylim");
    }

    @Test
    void cuttingKeepsTheSectionsThatStayAndPutsTheOthersAway() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        JsonNode cut = odile.put("/api/passages/" + passage + "/sections", Map.of("kind", "BARS", "size", 1))
                .ok();
        JsonNode sections = cut.path("passage").path("sections");
        assertThat(sections).hasSize(2);
        assertThat(sections.path(0).path("name").asString()).isEqualTo("bar 1");
        assertThat(sections.path(0).path("lastNote").asInt())
                .isEqualTo(sections.path(1).path("firstNote").asInt());
        long second = sections.path(1).path("id").asLong();
        odile.put("/api/sections/" + second, Map.of("name", "the turn", "difficulty", 5));
        JsonNode again = odile.put("/api/passages/" + passage + "/sections", Map.of("kind", "BARS", "size", 1))
                .ok();
        assertThat(again.path("passage").path("sections").path(1).path("id").asLong())
                .isEqualTo(second);
        assertThat(again.path("passage")
                        .path("sections")
                        .path(1)
                        .path("difficulty")
                        .asInt())
                .isEqualTo(5);
        JsonNode beats = odile.put("/api/passages/" + passage + "/sections", Map.of("kind", "BEATS", "size", 2))
                .ok();
        assertThat(beats.path("passage").path("sections").path(0).path("name").asString())
                .isEqualTo("beats 1–2");
    }

    @Test
    void aChangeFromAnOldWindowIsToldAndLosesNothing() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        odile.put("/api/passages/" + passage, Practice.passage(Map.of("title", "First")))
                .ok();
        Reply late = odile.put("/api/passages/" + passage, Practice.passage(Map.of("title", "Second")));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.json().path("code").asString()).isEqualTo("changed");
        assertThat(odile.get("/api/passages/" + passage)
                        .ok()
                        .path("passage")
                        .path("title")
                        .asString())
                .isEqualTo("First");
    }

    @Test
    void whatIsPutAwayIsGoneFromTheListAndTheDay() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        assertThat(odile.delete("/api/passages/" + passage).status()).isEqualTo(204);
        assertThat(odile.get("/api/passages").ok()).isEmpty();
        assertThat(odile.get("/api/today").ok().path("plan").isNull()).isTrue();
    }
}

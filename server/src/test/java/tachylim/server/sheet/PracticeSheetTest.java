package tachylim.server.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tachylim.passage.Mark;
import tachylim.passage.Readiness;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.sheet.PracticeSheetDtos.MarkWish;
import tools.jackson.databind.JsonNode;

/** Preparing a passage: transitions, variations, marks, readiness, sections and joins, and how it sounds. */
class PracticeSheetTest extends ServerTest {

    @Autowired
    private MarkService marks;

    @Autowired
    private ReadinessService readiness;

    private Player odile;
    private long passage;
    private String at;

    @BeforeEach
    void aPassage() {
        odile = player();
        passage = Practice.newPassage(odile);
        at = "/api/passages/" + passage;
    }

    private JsonNode practiceSheet() {
        return odile.get(at + "/practice-sheet").ok();
    }

    @Test
    void thePracticeSheetShowsEachNoteAndTransition() {
        JsonNode practiceSheet = practiceSheet();
        assertThat(practiceSheet.path("notes")).hasSize(33);
        assertThat(practiceSheet.path("transitions")).hasSize(32);
        assertThat(practiceSheet.path("music").path("places")).hasSize(33);
        assertThat(practiceSheet.path("notes").path(0).path("onBeat").asBoolean())
                .isTrue();
        assertThat(practiceSheet.path("notes").path(1).path("onBeat").asBoolean())
                .isFalse();
        assertThat(practiceSheet.path("transitions").path(0).path("need").asDouble())
                .isEqualTo(1);
        String abc = practiceSheet.path("music").path("abc").asString();
        assertThat(abc.charAt(practiceSheet.path("music").path("places").path(0).asInt()))
                .isEqualTo('D');
    }

    @Test
    void theSheetHasEveryVariationWithItsMatchingTempo() {
        JsonNode sheet = odile.get(at + "/variations?bpm=80").ok();
        assertThat(sheet.path("variations").size()).isGreaterThan(40);
        JsonNode longShort = sheet.path("variations").path(0);
        assertThat(longShort.path("key").asString()).isEqualTo("same.2-1");
        assertThat(longShort.path("matchingBpm").asDouble()).isEqualTo(92);
        assertThat(longShort.path("rate").asDouble()).isEqualTo(80 * 6 / 60.0);
        assertThat(odile.get(at + "/variations?first=4&last=8")
                        .ok()
                        .path("variations")
                        .path(0)
                        .path("trained")
                        .path(0)
                        .asInt())
                .isEqualTo(5);
        assertThat(odile.get(at + "/variations?first=4&last=99").status()).isEqualTo(422);
        assertThat(odile.get(at + "/variations/same.3-2-1").ok().path("source")).hasSize(33);
        assertThat(odile.get(at + "/variations/nothing").detail()).contains("no variation called nothing");
    }

    @Test
    void theChoiceTrainsTheTransitionThatBreaksAndDiffersFromYesterday() {
        for (int i = 0; i < 3; i++) {
            odile.post(at + "/transitions/6/breaks", null).ok();
        }
        odile.delete(at + "/transitions/6/breaks").ok();
        odile.post(at + "/choice", Map.of("minutes", 3)).ok();
        JsonNode practiceSheet = practiceSheet();
        assertThat(practiceSheet.path("transitions").path(6).path("breaks").asInt())
                .isEqualTo(2);
        assertThat(practiceSheet.path("transitions").path(6).path("need").asDouble())
                .isEqualTo(3);
        assertThat(practiceSheet
                        .path("transitions")
                        .path(6)
                        .path("trainedToday")
                        .asInt())
                .isGreaterThanOrEqualTo(3);
        assertThat(practiceSheet.path("today").toString()).contains("{\"from\":7,\"to\":8}");
        assertThat(practiceSheet
                        .path("transitions")
                        .path(6)
                        .path("trainedThisWeek")
                        .asBoolean())
                .isFalse();
        JsonNode first = practiceSheet.path("today").path(0);
        odile.put(at + "/choice/" + first.path("id").asLong(), Map.of("played", true))
                .ok();
        assertThat(practiceSheet()
                        .path("transitions")
                        .path(first.path("trained").path(0).asInt())
                        .path("trainedThisWeek")
                        .asBoolean())
                .isTrue();
        odile.post(at + "/choice", Map.of("minutes", 2)).ok();
        assertThat(practiceSheet().path("today").path(0).path("played").asBoolean())
                .as("what was played is kept")
                .isTrue();
        assertThat(keys(practiceSheet().path("today"))).doesNotHaveDuplicates();
    }

    private static List<String> keys(JsonNode choices) {
        List<String> keys = new ArrayList<>();
        choices.forEach(choice -> keys.add(choice.path("variation").asString()));
        return keys;
    }

    @Test
    void aMinuteTooShortOrALinkThatIsNotThereIsRefused() {
        assertThat(odile.post(at + "/choice", Map.of("minutes", 0.1)).status()).isEqualTo(422);
        assertThat(odile.post(at + "/transitions/32/breaks", null).detail()).contains("no transition 33");
        assertThat(odile.get(at + "/transitions/99").status()).isEqualTo(422);
        assertThat(odile.get(at + "/transitions/3").ok().path("windows")).hasSize(4);
        JsonNode variations = odile.get(at + "/transitions/3").ok().path("trainedBy");
        assertThat(variations.size()).isGreaterThan(5);
        String variation = variations.path(0).path("key").asString();
        assertThat(odile.get(at + "/variations/" + variation)
                        .ok()
                        .path("variation")
                        .path("trained")
                        .toString())
                .containsPattern("\\b3\\b");
    }

    private Reply mark(int note, String kind, String value, boolean confirmed) {
        return odile.put(
                at + "/marks",
                Map.of("note", note, "kind", kind, "value", value, "why", "lies better", "confirmed", confirmed));
    }

    @Test
    void marksAreKeptWithTheirReasonAndShownOverTheNotes() {
        mark(3, "STICKING", "L", false).ok();
        mark(3, "STICKING", "R", false).ok();
        JsonNode practiceSheet = practiceSheet();
        assertThat(practiceSheet
                        .path("notes")
                        .path(3)
                        .path("marks")
                        .path(0)
                        .path("value")
                        .asString())
                .isEqualTo("R");
        assertThat(practiceSheet.path("decisions")).hasSize(2);
        assertThat(practiceSheet.path("decisions").path(0).path("why").asString())
                .isEqualTo("lies better");
        assertThat(practiceSheet.path("music").path("abc").asString()).contains("\"_R\"");
        mark(3, "STICKING", "", false).ok();
        assertThat(practiceSheet().path("notes").path(3).path("marks")).isEmpty();
        assertThat(mark(99, "STICKING", "R", false).status()).isEqualTo(422);
        assertThat(mark(1, "STICKING", "Q", false).detail()).contains("stick");
    }

    @Test
    void aMarkDecidedEarlierIsAskedAboutAndOpensWhatRestsOnIt() {
        daysAgo(9, () -> {
            marks.mark(signedIn(odile), passage, new MarkWish(5, Mark.Kind.FINGERING, "3", "", false));
            readiness.set(signedIn(odile), passage, Readiness.FINGERING_DECIDED, true);
        });
        Reply asked = mark(5, "FINGERING", "4", false);
        assertThat(asked.status()).isEqualTo(409);
        assertThat(asked.detail()).contains("decided on 3").contains("relearn");
        assertThat(practiceSheet()
                        .path("notes")
                        .path(5)
                        .path("marks")
                        .path(0)
                        .path("value")
                        .asString())
                .isEqualTo("3");
        mark(5, "FINGERING", "4", true).ok();
        JsonNode fingering = practiceSheet().path("readiness").path(0);
        assertThat(fingering.path("reached").asBoolean()).isFalse();
        assertThat(fingering.path("why").path("code").asString()).isEqualTo("lost.markChanged");
    }

    @Test
    void readinessHasItsDaysAndSpeedIsWarnedWhileItIsOpen() {
        odile.put(at + "/readiness", Map.of("item", "COUNTED", "reached", true)).ok();
        JsonNode counted = practiceSheet().path("readiness").path(3);
        assertThat(counted.path("reached").asBoolean()).isTrue();
        assertThat(counted.path("reachedOn").asString()).isNotEmpty();
        odile.put(at + "/readiness", Map.of("item", "COUNTED", "reached", false))
                .ok();
        assertThat(practiceSheet().path("readiness").path(3).path("lostOn").asString())
                .isNotEmpty();
        long section = Practice.firstSection(odile, passage);
        assertThat(odile.post("/api/plans", Practice.plan(section, Map.of()))
                        .ok()
                        .path("timeline")
                        .path("remarks")
                        .toString())
                .contains("readiness.open");
        for (Readiness item : Readiness.values()) {
            odile.put(at + "/readiness", Map.of("item", item.name(), "reached", true))
                    .ok();
        }
        assertThat(odile.post("/api/plans", Practice.plan(section, Map.of()))
                        .ok()
                        .path("timeline")
                        .path("remarks")
                        .toString())
                .doesNotContain("Still open");
    }

    @Test
    void sectionsAreCutByHandMergedAndSplit() {
        odile.put(at + "/sections", Map.of("kind", "HAND", "size", 1, "overlaps", List.of(8, 16)))
                .ok();
        JsonNode sections = odile.get(at).ok().path("passage").path("sections");
        assertThat(sections).hasSize(3);
        assertThat(sections.path(1).path("firstNote").asInt()).isEqualTo(8);
        long kept = sections.path(2).path("id").asLong();
        odile.put(at + "/sections", Map.of("kind", "HAND", "size", 1, "overlaps", List.of(16)))
                .ok();
        sections = odile.get(at).ok().path("passage").path("sections");
        assertThat(sections).hasSize(2);
        assertThat(sections.path(1).path("id").asLong())
                .as("a section that stays keeps its history")
                .isEqualTo(kept);
        assertThat(odile.put(at + "/sections", Map.of("kind", "HAND", "size", 1, "overlaps", List.of(77)))
                        .detail())
                .contains("note 78");
        assertThat(odile.put(at + "/sections", Map.of("kind", "RESTS", "size", 1))
                        .detail())
                .contains("no rest");
        assertThat(odile.put(at + "/sections", Map.of("kind", "BREATHS", "size", 1))
                        .detail())
                .contains("Mark breaths first");
        mark(7, "BREATH", "breath", false).ok();
        odile.put(at + "/sections", Map.of("kind", "BREATHS", "size", 1)).ok();
        assertThat(odile.get(at)
                        .ok()
                        .path("passage")
                        .path("sections")
                        .path(0)
                        .path("lastNote")
                        .asInt())
                .isEqualTo(8);
    }

    @Test
    void sectionsAreJoinedInTheOrderChosen() {
        odile.put(at + "/sections", Map.of("kind", "BEATS", "size", 2)).ok();
        odile.put(at + "/joining", Map.of("order", "LAST_TO_FIRST", "transition", 0))
                .ok();
        JsonNode joining = practiceSheet().path("joining");
        assertThat(joining.path("sections").path(0).asInt()).isEqualTo(3);
        assertThat(joining.path("joins").path(0).path("lastNote").asInt()).isEqualTo(32);
        JsonNode join = odile.post(
                        at + "/extras", Map.of("kind", "JOIN", "name", "end", "firstNote", 16, "lastNote", 32))
                .ok();
        JsonNode again = odile.post(
                        at + "/extras", Map.of("kind", "JOIN", "name", "end", "firstNote", 16, "lastNote", 32))
                .ok();
        assertThat(again.path("id").asLong()).isEqualTo(join.path("id").asLong());
        assertThat(practiceSheet().path("extras")).hasSize(1);
        assertThat(odile.get("/api/sections/" + join.path("id").asLong() + "/plan")
                        .ok()
                        .path("section")
                        .asString())
                .isEqualTo("end");
        assertThat(odile.get(at).ok().path("passage").path("sections"))
                .as("a join is no section of the cut")
                .hasSize(4);
        assertThat(odile.post(at + "/extras", Map.of("kind", "DRILL", "name", "x", "firstNote", 3, "lastNote", 99))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void articulationsAreThePlayersOwn() {
        assertThat(practiceSheet().path("articulations").path(0).asString()).isEqualTo("one hand");
        odile.put("/api/articulations/MALLET", Map.of("names", List.of("doubles", "singles")))
                .ok();
        odile.put(at + "/articulation", Map.of("articulation", "singles")).ok();
        assertThat(practiceSheet().path("articulations").toString()).isEqualTo("[\"doubles\",\"singles\"]");
        assertThat(practiceSheet().path("wantedArticulation").asString()).isEqualTo("singles");
        assertThat(odile.put("/api/articulations/MALLET", Map.of("names", List.of()))
                        .status())
                .isEqualTo(422);
        assertThat(odile.put("/api/articulations/KAZOO", Map.of("names", List.of("hum")))
                        .status())
                .isBetween(400, 422);
    }

    @Test
    void playbackFollowsTheClickProgramme() {
        JsonNode heard = odile.get(at + "/playback?bpm=120&variation=same.3-1").ok();
        assertThat(heard.path("notes")).hasSize(33);
        assertThat(heard.path("notes").path(0).path("seconds").asDouble())
                .as("after a bar of counting in")
                .isEqualTo(2);
        assertThat(heard.path("notes").path(1).path("seconds").asDouble())
                .isEqualTo(2 + 0.5 * 0.375, Offset.offset(1e-9));
        Set<Double> clicks = new HashSet<>();
        heard.path("clicks").forEach(click -> clicks.add(click.path("seconds").asDouble()));
        assertThat(clicks).contains(0.0, 0.5, 2.0, 2.5);
        assertThat(odile.get(at + "/playback?bpm=9").status()).isEqualTo(422);
    }

    @Test
    void whatCannotFollowOtherNotesIsSaidBeforeItIsDone() {
        mark(3, "STICKING", "L", false).ok();
        int version = odile.get(at).ok().path("version").asInt();
        Map<String, Object> other =
                Practice.passage(Map.of("music", Practice.abc("L:1/8\nK:C\nCDEF GABc"), "version", version));
        Reply asked = odile.put(at, other);
        assertThat(asked.status()).isEqualTo(409);
        assertThat(asked.json().path("code").asString()).isEqualTo("music-changed");
        assertThat(asked.json().path("lost").path(0).asString()).contains("One mark");
        assertThat(practiceSheet().path("decisions")).hasSize(1);
        other.put("confirmed", true);
        odile.put(at, other).ok();
        assertThat(practiceSheet().path("decisions")).isEmpty();
        assertThat(practiceSheet().path("transitions")).hasSize(7);
    }
}

package tachylim.server.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Workouts through all sections of a passage, and what becomes of the whole when it is cut. */
class SectionOrderTest extends ServerTest {

    private Player odile;
    private long passage;
    private long whole;

    @BeforeEach
    void aPassage() {
        odile = player();
        passage = Practice.newPassage(odile);
        whole = Practice.firstSection(odile, passage);
    }

    private void cut(String kind, int size) {
        assertThat(odile.put(
                                "/api/passages/" + passage + "/sections",
                                Map.of("kind", kind, "size", size, "overlaps", List.of()))
                        .status())
                .isLessThan(300);
    }

    private JsonNode sections() {
        return odile.get("/api/passages/" + passage).ok().path("passage").path("sections");
    }

    private JsonNode extras() {
        return odile.get("/api/passages/" + passage + "/practice-sheet").ok().path("extras");
    }

    private JsonNode through(String order, long section, int minutes) {
        return odile.post("/api/plans/" + order, Practice.plan(section, Map.of("minutes", minutes)))
                .ok();
    }

    private JsonNode planned(JsonNode wish) {
        return odile.post("/api/plans", wish).ok();
    }

    @Test
    void fromTheEndEachStretchBeginsOneSectionEarlier() {
        assertThat(odile.post("/api/plans/FROM_THE_END", Practice.plan(whole, Map.of()))
                        .status())
                .isEqualTo(422);
        cut("BARS", 1);
        long first = sections().path(0).path("id").asLong();
        JsonNode wish = through("FROM_THE_END", first, 30);
        int n = sections().size();
        assertThat(wish.path("blocks")).hasSize(n);
        assertThat(wish.path("blocks").path(n - 1).path("variation").asString()).isEmpty();
        assertThat(wish.path("blocks").path(0).path("variation").asString()).isNotEmpty();
        assertThat(odile.put("/api/drafts", wish).status()).isEqualTo(204);
        assertThat(odile.get("/api/drafts").ok().path(0)).isEqualTo(wish);
        JsonNode view = planned(wish);
        assertThat(view.path("section").asString()).isEmpty();
        List<JsonNode> own = view.path("wish")
                .path("blocks")
                .valueStream()
                .filter(block -> block.path("own").asBoolean())
                .toList();
        assertThat(own)
                .extracting(block -> block.path("variation").asString())
                .isEqualTo(wish.path("blocks")
                        .valueStream()
                        .map(block -> block.path("variation").asString())
                        .toList());
        // Every stretch is played: what is composed gives way.
        Set<Integer> played = new HashSet<>();
        view.path("timeline")
                .path("stretches")
                .valueStream()
                .filter(stretch -> stretch.path("rest").isNull())
                .forEach(stretch -> played.add(stretch.path("block").asInt()));
        List<Integer> places = new java.util.ArrayList<>();
        for (int i = 0; i < view.path("wish").path("blocks").size(); i++) {
            if (view.path("wish").path("blocks").path(i).path("own").asBoolean()) {
                places.add(i);
            }
        }
        assertThat(played).containsAll(places);
    }

    @Test
    void theHardestSectionComesFirst() {
        cut("BARS", 1);
        JsonNode wish = through("HARDEST_FIRST", sections().path(0).path("id").asLong(), 30);
        assertThat(wish.path("blocks")).hasSize(sections().size());
        Map<Long, Double> ceilings = new java.util.HashMap<>();
        sections()
                .forEach(section -> ceilings.put(
                        section.path("id").asLong(),
                        section.path("estimate").path("ceiling").path("middle").asDouble()));
        List<Double> order = new java.util.ArrayList<>(
                List.of(ceilings.get(wish.path("sectionId").asLong())));
        wish.path("others").forEach(other -> order.add(ceilings.get(other.asLong())));
        assertThat(order).isSorted();
    }

    /** A set of drills: each is played three times, a notch nearer to its own ceiling than the one before. */
    @Test
    void drillsAreANotchFasterEach() {
        cut("BARS", 1);
        List<Long> ids =
                sections().valueStream().map(one -> one.path("id").asLong()).toList();
        JsonNode view = planned(odile.post(
                        "/api/plans/NOTCHES",
                        Practice.plan(ids.get(0), Map.of("minutes", 20, "others", ids.subList(1, ids.size()))))
                .ok());
        List<Double> shares = new java.util.ArrayList<>();
        for (JsonNode stretch : view.path("timeline").path("stretches")) {
            JsonNode block = view.path("timeline")
                    .path("blocks")
                    .path(stretch.path("block").asInt());
            boolean own = view.path("wish")
                    .path("blocks")
                    .path(stretch.path("block").asInt())
                    .path("own")
                    .asBoolean();
            if (own && stretch.path("rest").isNull()) {
                shares.add(stretch.path("tempo").asDouble()
                        / block.path("estimate").path("ceiling").path("middle").asDouble());
            }
        }
        assertThat(shares.stream().distinct().count()).isGreaterThanOrEqualTo(ids.size());
        assertThat(shares).isSorted().allMatch(share -> share > 0.78 && share <= 1);
    }

    @Test
    void aPerformanceRunIsOfTheWholePassageOnce() {
        cut("BARS", 1);
        JsonNode wish = through("PERFORM", sections().path(1).path("id").asLong(), 20);
        assertThat(wish.path("school").asString()).isEqualTo("PERFORMANCE_RUN");
        JsonNode view = planned(wish);
        JsonNode first = view.path("sections").path(0);
        assertThat(first.path("section").asString()).isEmpty();
        assertThat(first.path("firstNote").asInt()).isZero();
        assertThat(first.path("lastNote").asInt())
                .isEqualTo(
                        sections().path(sections().size() - 1).path("lastNote").asInt());
        int runs = 0;
        for (JsonNode stretch : view.path("timeline").path("stretches")) {
            JsonNode block = view.path("timeline")
                    .path("blocks")
                    .path(stretch.path("block").asInt());
            runs += block.path("method").asString().equals("PERFORMANCE_RUN")
                            && stretch.path("rest").isNull()
                    ? 1
                    : 0;
        }
        assertThat(runs).isEqualTo(1);
    }

    @Test
    void whatBrokeIsAskedForAsSectionsOnce() {
        JsonNode run = Practice.played(odile, 6);
        long played = odile.get("/api/runs/" + run.path("id").asLong() + "?holder=" + UUID.randomUUID())
                .ok()
                .path("passageId")
                .asLong();
        for (int transition : new int[] {4, 20, 20}) {
            assertThat(odile.post("/api/passages/" + played + "/transitions/" + transition + "/breaks", Map.of())
                            .status())
                    .isLessThan(300);
        }
        String address = "/api/runs/" + run.path("id").asLong() + "/drills";
        JsonNode made = odile.post(address, Map.of()).ok();
        assertThat(made.valueStream().map(one -> one.path("firstNote").asInt()).toList())
                .containsExactly(2, 18);
        assertThat(made.valueStream().map(one -> one.path("lastNote").asInt()).toList())
                .containsExactly(9, 25);
        assertThat(odile.post(address, Map.of()).ok()).isEqualTo(made);
        assertThat(odile.get("/api/passages/" + played + "/practice-sheet").ok().path("extras"))
                .hasSize(2);
    }

    /** Cutting hides nothing: what was learned of the whole stays in view, and comes back with its ceiling. */
    @Test
    void theWholeKeepsWhatIsKnownOfIt() {
        JsonNode run = Practice.played(odile, 12);
        passage = odile.get("/api/runs/" + run.path("id").asLong() + "?holder=" + UUID.randomUUID())
                .ok()
                .path("passageId")
                .asLong();
        JsonNode before = sections().path(0);
        cut("BARS", 1);
        assertThat(sections().size()).isGreaterThan(1);
        assertThat(extras().path(0).path("id").asLong())
                .isEqualTo(before.path("id").asLong());
        assertThat(extras().path(0).path("whole").asBoolean()).isTrue();
        assertThat(extras().path(0).path("estimate")).isEqualTo(before.path("estimate"));
        assertThat(odile.get("/api/sections/" + before.path("id").asLong() + "/ceiling")
                        .status())
                .isEqualTo(200);
        cut("BEATS", 4);
        assertThat(extras()).hasSize(1);
        cut("WHOLE", 1);
        assertThat(sections()).hasSize(1);
        assertThat(sections().path(0).path("id").asLong())
                .isEqualTo(before.path("id").asLong());
        assertThat(sections().path(0).path("estimate")).isEqualTo(before.path("estimate"));
        assertThat(extras()).isEmpty();
    }

    /** More and more notes to a bow: each is an articulation of its own, played at one tempo and in that order. */
    @Test
    void aLadderOfBowsIsPlayedInItsOrder() {
        List<Map<String, Object>> ladder = new java.util.ArrayList<>();
        for (int notes : new int[] {1, 2, 4, 8}) {
            ladder.add(Map.of(
                    "part",
                    "PREPARE",
                    "theme",
                    0,
                    "variation",
                    "mode." + notes + " to a bow",
                    "seconds",
                    100,
                    "school",
                    "STEADY_CLIMB",
                    "own",
                    true,
                    "setting",
                    Map.of("of", "CEILING", "tempo", 60, "times", 2)));
        }
        Map<String, Object> wish = Practice.plan(whole, Map.of("minutes", 25, "blocks", ladder));
        assertThat(odile.put("/api/drafts", wish).status()).isEqualTo(204);
        JsonNode timeline = odile.post("/api/plans", wish).ok().path("timeline");
        List<String> played = new java.util.ArrayList<>();
        Set<Double> tempos = new HashSet<>();
        for (JsonNode stretch : timeline.path("stretches")) {
            String way = timeline.path("blocks")
                    .path(stretch.path("block").asInt())
                    .path("variation")
                    .toString();
            if (stretch.path("rest").isNull() && way.contains("to a bow")) {
                played.add(way.replaceAll(".*?(\\d+) to a bow.*", "$1"));
                tempos.add(stretch.path("tempo").asDouble());
            }
        }
        assertThat(played.stream().distinct()).containsExactly("1", "2", "4", "8");
        assertThat(tempos).hasSize(1);
    }
}

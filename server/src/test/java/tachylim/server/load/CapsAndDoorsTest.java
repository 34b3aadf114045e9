package tachylim.server.load;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/**
 * One body, one table: every cap against every door through which something is played, taken back or changed. A cell is tried,
 * or it is left out for a reason that stands here; a door that is added to {@link Door} is tried against every cap.
 */
class CapsAndDoorsTest extends ServerTest {

    private static final int MINUTES = 20;
    private static final double A_LITTLE = 1e-6;

    private final UUID window = UUID.randomUUID();
    private Player odile;
    private long passage;
    private long section;
    private JsonNode left;
    private long choice;

    /** What a day may not have more of, and how a day comes to stand against it. */
    private enum Cap {
        EFFORT(test -> test.elsewhere("PRACTICE", MINUTES)),
        MINUTES_OF_PLAYING(test -> test.elsewhere("LESSON", 26)),
        FAST_SECONDS(test -> test.playAlong(300, 100)),
        BURSTS_CLOSED(test -> test.given("BURST_SECONDS", 0)),
        SYMPTOM_REST(test -> test.odile.post("/api/symptoms", Map.of("clientId", id()))),
        LOCKED_HAND(CapsAndDoorsTest::lock),
        PASSES_OF_THE_NOTES(CapsAndDoorsTest::wearOut),
        GROWTH_OF_THE_WEEK(test -> test.before(40, 1, 10)),
        TAPER(test -> test.perform(3)),
        RETURN(test -> test.before(40, 12, 20)),
        GIVEN_LIMIT(test -> test.given("EFFORT", 6));

        private final Consumer<CapsAndDoorsTest> standing;

        Cap(Consumer<CapsAndDoorsTest> standing) {
            this.standing = standing;
        }
    }

    /** Where something is played, said or changed. */
    private enum Door {
        WORKOUT(test -> test.play(Map.of())),
        SETS(test -> test.play(Map.of("school", "TAPER"))),
        CEILING_TEST(test -> test.play(Map.of("school", "CEILING_TEST", "minutes", 18))),
        CEILING_TEST_AGAIN(CEILING_TEST.going),
        PROBES(test -> test.play(Map.of("blocks", List.of(test.block("WARM_UP"), test.block("MEASURE"))))),
        OWN_BLOCKS(test -> test.play(Map.of(
                "blocks",
                List.of(test.block("CORE"), test.block("MEASURE"), test.block("CORE"), test.block("MEASURE"))))),
        TEMPLATE(CapsAndDoorsTest::template),
        COUNTS(CapsAndDoorsTest::count),
        ALONG_WITH_THE_PAGE(test -> test.playAlong(120, 60)),
        TICKED_AND_UNTICKED(CapsAndDoorsTest::untick),
        AWAY_PUT_DOWN_CHANGED_AND_DELETED(CapsAndDoorsTest::away),
        CORRECTION(CapsAndDoorsTest::correct),
        LATE_EVENTS(CapsAndDoorsTest::late),
        NOTEBOOK(test -> test.notebook(60, 2, 60)),
        FILE_OF_AN_ACCOUNT(
                test -> test.odile.upload("/api/imports/account", test.odile.download("/api/exports/account"))),
        PERFORMANCE_AND_SEASON(CapsAndDoorsTest::season),
        CUT_ANEW(CapsAndDoorsTest::cut),
        COPIED(CapsAndDoorsTest::copy),
        GIVEN_AND_LIFTED(CapsAndDoorsTest::lift),
        HABITS(CapsAndDoorsTest::habits),
        SYMPTOM_WITHDRAWN(CapsAndDoorsTest::withdraw);

        private final Consumer<CapsAndDoorsTest> going;

        Door(Consumer<CapsAndDoorsTest> going) {
            this.going = going;
        }
    }

    /** Cells that are not tried, each with its reason. */
    private static String leftOut(Cap cap, Door door) {
        if (cap == Cap.SYMPTOM_REST && door == Door.SYMPTOM_WITHDRAWN) {
            return "a report made by mistake is taken back on purpose";
        }
        return "";
    }

    @TestFactory
    Stream<DynamicTest> noDoorLeadsPastACap() {
        return Stream.of(Cap.values())
                .flatMap(cap -> Stream.of(Door.values())
                        .filter(door -> leftOut(cap, door).isEmpty())
                        .map(door -> DynamicTest.dynamicTest(cap + " through " + door, () -> holds(cap, door))));
    }

    private Cap standing;

    private void holds(Cap cap, Door door) {
        if (standing != cap) {
            somebody();
            cap.standing.accept(this);
            standing = cap;
        }
        Day before = day();
        long passes = lastPass();
        door.going.accept(this);
        Day after = day();
        assertThat(after.effortCap()).as("cap of effort").isLessThanOrEqualTo(before.effortCap() + A_LITTLE);
        assertThat(after.burstCap()).as("cap of fast playing").isLessThanOrEqualTo(before.burstCap() + A_LITTLE);
        assertThat(after.minutesCap()).as("cap of minutes").isLessThanOrEqualTo(before.minutesCap() + A_LITTLE);
        assertThat(after.resting()).as("rest after a symptom").isEqualTo(before.resting());
        assertNothingIsPlayedPast(before, after, door);
        assertPassesAreWithin(cap, before, passes);
    }

    /** Whatever plays stays under the caps; what the player puts down as played elsewhere is over and counts. */
    private void assertNothingIsPlayedPast(Day before, Day after, Door door) {
        boolean told = door == Door.AWAY_PUT_DOWN_CHANGED_AND_DELETED || door == Door.NOTEBOOK;
        double room = door == Door.COUNTS || door == Door.ALONG_WITH_THE_PAGE ? 1.1 : 1;
        double onceMore = room > 1 ? 12 : 0;
        if (!told) {
            assertThat(after.effort())
                    .as("effort")
                    .isLessThanOrEqualTo(Math.max(before.effort(), room * before.effortCap() + onceMore) + A_LITTLE);
            assertThat(after.bursts())
                    .as("fast seconds")
                    .isLessThanOrEqualTo(Math.max(before.bursts(), before.burstCap()) + A_LITTLE);
            assertThat(after.minutes())
                    .as("minutes")
                    .isLessThanOrEqualTo(Math.max(before.minutes(), room * before.minutesCap() + onceMore) + A_LITTLE);
        }
        if (before.resting()) {
            assertThat(told ? before.minutes() : after.minutes()).isEqualTo(before.minutes());
        }
    }

    private void assertPassesAreWithin(Cap cap, Day before, long since) {
        if (before.burstCap() == 0) {
            assertThat(passes(since, "kind in ('BURST', 'PROBE')"))
                    .as("bursts and probes of a day without fast playing")
                    .isZero();
        }
        if (cap == Cap.LOCKED_HAND) {
            assertThat(passes(since, "tempo > 104"))
                    .as("above the comfortable tempo")
                    .isZero();
        }
        if (cap == Cap.PASSES_OF_THE_NOTES) {
            assertThat(passes(since, "kind <> 'WARM_UP' and piece_id in (select id from piece where last_note > 3)"))
                    .as("passes of the same notes")
                    .isZero();
        }
        long probesToday = sql.sql("select count(*) from played_pass where kind = 'PROBE' and day = ? and " + MINE)
                .param(today())
                .param(odile.name())
                .query(Long.class)
                .single();
        assertThat(probesToday).as("probes of a day").isLessThanOrEqualTo(14);
    }

    private static final String MINE = "account_id = (select id from account where name = ?)";

    private long lastPass() {
        return sql.sql("select coalesce(max(id), 0) from played_pass where " + MINE)
                .param(odile.name())
                .query(Long.class)
                .single();
    }

    private long passes(long since, String which) {
        return sql.sql("select count(*) from played_pass where id > ? and day = ? and (" + which + ") and " + MINE)
                .params(since, today(), odile.name())
                .query(Long.class)
                .single();
    }

    private LocalDate today() {
        return LocalDate.parse(
                odile.get("/api/load").ok().path("today").path("day").asString());
    }

    // Who it is about, and how their day stands

    private record Day(
            double effortCap,
            double effort,
            double burstCap,
            double bursts,
            double minutesCap,
            double minutes,
            boolean resting) {}

    private Day day() {
        JsonNode today = odile.get("/api/load").ok().path("today");
        Map<String, JsonNode> limits = new HashMap<>();
        today.path("limits").forEach(limit -> limits.put(limit.path("kind").asString(), limit));
        return new Day(
                limits.get("EFFORT").path("cap").asDouble(),
                limits.get("EFFORT").path("used").asDouble(),
                limits.get("BURST_SECONDS").path("cap").asDouble(),
                limits.get("BURST_SECONDS").path("used").asDouble(),
                limits.get("PLAYING_MINUTES").path("cap").asDouble(),
                limits.get("PLAYING_MINUTES").path("used").asDouble(),
                !today.path("restSentence").asString().isEmpty());
    }

    /** Somebody who left a workout three days ago, ticked a variation off the day before, and lives with limits and a date. */
    private void somebody() {
        odile = player();
        habits(MINUTES);
        passage = Practice.newPassage(odile);
        section = Practice.firstSection(odile, passage);
        left = Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 1);
        clock.nextMorning();
        clock.nextMorning();
        odile.post("/api/passages/" + passage + "/choice", Map.of("minutes", 6)).ok();
        choice = odile.get("/api/passages/" + passage + "/practice-sheet")
                .ok()
                .path("today")
                .path(0)
                .path("id")
                .asLong();
        odile.put("/api/passages/" + passage + "/choice/" + choice, Map.of("played", true))
                .ok();
        clock.nextMorning();
        given("PLAYING_MINUTES", 24);
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    private void elsewhere(String kind, int minutes) {
        odile.post("/api/load/elsewhere", Map.of("clientId", id(), "kind", kind, "minutes", minutes))
                .ok();
    }

    private void given(String kind, double cap) {
        odile.post("/api/load/given", Map.of("kind", kind, "cap", cap, "by", "A physiotherapist"))
                .ok();
    }

    private void perform(int days) {
        odile.post(
                        "/api/season/performances",
                        Map.of(
                                "name",
                                "Harbour Hall",
                                "day",
                                today().plusDays(days).toString()))
                .ok();
    }

    private void lock() {
        JsonNode run = begin(Map.of()).ok();
        Map<String, Object> locked = Practice.answer(run, window);
        locked.put("tension", 5);
        JsonNode now = Practice.send(odile, run, locked).ok();
        Practice.send(odile, now, Practice.event(now, window, "STOPPED", Map.of()))
                .ok();
    }

    /** As if the section had been played all morning, a little at a time. */
    private void wearOut() {
        JsonNode run = begin(Map.of()).ok();
        JsonNode now = Practice.playOn(odile, run, window, 4);
        Practice.send(odile, now, Practice.event(now, window, "STOPPED", Map.of()))
                .ok();
        List<String> columns = sql.sql("""
                        select column_name from information_schema.columns
                        where table_schema = database() and table_name = 'played_pass'
                          and column_name not in ('id', 'ordinal', 'kind', 'effort', 'play_seconds', 'burst_seconds')""").query(String.class).list();
        String all =
                String.join(", ", columns.stream().map(name -> "`" + name + "`").toList());
        sql.sql("insert into played_pass (" + all + ", ordinal, kind, effort, play_seconds, burst_seconds) select "
                        + all
                        + ", 1000 + seq, 'CONTROLLED', 0, 0, 0 from seq_1_to_240, "
                        + "(select * from played_pass where " + MINE + " order by id desc limit 1) one")
                .param(odile.name())
                .update();
    }

    /** Practice put down days ago, from one day back to another. */
    private void before(int from, int to, int minutes) {
        notebook(from, to, minutes);
        clock.nextMorning();
    }

    private void notebook(int from, int to, int minutes) {
        StringBuilder csv = new StringBuilder("date,minutes\n");
        for (int ago = from; ago >= to; ago--) {
            csv.append(today().minusDays(ago)).append(',').append(minutes).append('\n');
        }
        odile.upload("/api/imports/practice?keep=true", csv.toString().getBytes(StandardCharsets.UTF_8))
                .ok();
    }

    // The doors

    private Map<String, Object> block(String part) {
        return Map.of("part", part, "theme", 0, "variation", "", "seconds", 240, "school", "INTERVAL_BURSTS");
    }

    private Reply begin(Map<String, Object> parts) {
        return odile.post("/api/runs", Map.of("plan", Practice.plan(section, parts), "holder", window.toString()));
    }

    private void play(Map<String, Object> parts) {
        Reply begun = begin(parts);
        assertThat(begun.status()).as(begun.detail()).isIn(201, 409);
        if (begun.status() == 201) {
            JsonNode now = Practice.playOn(odile, begun.json(), window, 200);
            if (now.path("step").path("ended").isNull()) {
                Practice.send(odile, now, Practice.event(now, window, "STOPPED", Map.of()))
                        .ok();
            }
        }
    }

    private void template() {
        odile.put("/api/templates", Map.of("name", "Mornings " + id(), "wish", Practice.plan(section, Map.of())))
                .ok();
        play(Map.of());
    }

    private void count() {
        JsonNode changes = odile.post("/api/changes", Map.of("name", "G to C", "song", "", "target", 112, "beats", 2))
                .ok()
                .path("changes");
        String counts = "/api/changes/" + changes.path(0).path("id").asLong() + "/counts";
        for (int i = 0; i < 12; i++) {
            Reply reply = odile.post(counts, Map.of("clientId", id(), "seconds", 60, "clean", 40));
            assertThat(reply.status()).isIn(200, 409);
            if (i % 3 == 2) {
                clock.pass(60);
            }
        }
    }

    private void playAlong(double bpm, double seconds) {
        Reply reply = odile.post(
                "/api/passages/" + passage + "/practice",
                Map.of("clientId", id(), "bpm", bpm, "seconds", seconds, "varied", false));
        assertThat(reply.status()).as(reply.detail()).isIn(204, 409);
    }

    private void untick() {
        odile.put("/api/passages/" + passage + "/choice/" + choice, Map.of("played", false))
                .ok();
    }

    private void away() {
        JsonNode entry = odile.post("/api/load/elsewhere", Map.of("clientId", id(), "kind", "LESSON", "minutes", 1))
                .ok()
                .path("elsewhere")
                .path(0);
        odile.delete("/api/load/elsewhere/" + entry.path("id").asLong()).ok();
    }

    private void correct() {
        long run = left.path("id").asLong();
        odile.put("/api/log/" + run + "/passes/0", Map.of("verdict", "CLEAN", "tension", 0));
    }

    private void late() {
        JsonNode now = left;
        for (int i = 0; i < 6; i++) {
            Map<String, Object> answer = Practice.answer(now, window);
            answer.put("secondsAgo", Duration.ofHours(68).toSeconds());
            Reply reply = Practice.send(odile, now, answer);
            if (reply.status() != 200) {
                return;
            }
            now = reply.json();
        }
    }

    private void season() {
        JsonNode season = odile.get("/api/season").ok();
        for (JsonNode one : season.path("performances")) {
            odile.delete("/api/season/performances/" + one.path("id").asLong()).ok();
        }
        odile.put("/api/season/days/" + today(), Map.of("minutes", 60));
        odile.put("/api/season/off", Map.of("days", List.of()));
    }

    private void cut() {
        JsonNode cut = odile.put("/api/passages/" + passage + "/sections", Map.of("kind", "BARS", "size", 1))
                .ok();
        section = cut.path("passage").path("sections").path(0).path("id").asLong();
        play(Map.of());
    }

    private void copy() {
        long was = section;
        section = Practice.firstSection(odile, Practice.newPassage(odile));
        play(Map.of());
        section = was;
    }

    private void lift() {
        for (JsonNode one : odile.get("/api/load").ok().path("given")) {
            odile.delete("/api/load/given/" + one.path("id").asLong()).ok();
        }
    }

    private void habits() {
        habits(600);
        habits(MINUTES);
    }

    private void habits(int minutes) {
        odile.put(
                        "/api/account/habits",
                        Map.of(
                                "instrument",
                                "MALLET",
                                "usualMinutes",
                                minutes,
                                "roughCounts",
                                false,
                                "looseOnly",
                                false))
                .ok();
    }

    private void withdraw() {
        for (JsonNode one : odile.get("/api/load").ok().path("symptoms")) {
            odile.delete("/api/symptoms/" + one.path("id").asLong()).ok();
        }
        odile.post("/api/symptoms/advised", Map.of());
    }
}

package tachylim.server.season;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

class SeasonTest extends ServerTest {

    private static JsonNode day(JsonNode season, int ahead) {
        return season.path("days").path(ahead);
    }

    private static LocalDate today(Player player) {
        return LocalDate.parse(player.get("/api/season").ok().path("today").asString());
    }

    private Player preparing() {
        Player odile = player();
        odile.put(
                        "/api/account/habits",
                        Map.of("instrument", "WIND", "usualMinutes", 40, "roughCounts", false, "looseOnly", false))
                .ok();
        LocalDate today = today(odile);
        odile.post(
                        "/api/passages",
                        Practice.passage(Map.of(
                                "title",
                                "Tin Roof Toccata",
                                "targetBpm",
                                138,
                                "neededOn",
                                today.plusDays(30).toString())))
                .ok();
        odile.post("/api/passages", Practice.passage(Map.of("title", "Kestrel Weather", "targetBpm", 118)))
                .ok();
        return odile;
    }

    @Test
    void aSeasonWithoutAPassageIsDaysWithoutAnything() {
        JsonNode season = player().get("/api/season").ok();
        assertThat(season.path("days")).hasSize(28);
        assertThat(day(season, 0).path("shares")).isEmpty();
        assertThat(season.path("goals")).isEmpty();
    }

    @Test
    void itGoesToAWeekBeyondTheLastDateAndTapersBeforeIt() {
        JsonNode season = preparing().get("/api/season").ok();
        assertThat(season.path("days")).hasSize(38);
        assertThat(day(season, 0).path("minutes").asInt()).isEqualTo(40);
        assertThat(day(season, 0).path("shares")).hasSize(2);
        assertThat(day(season, 30).path("minutes").asInt()).isEqualTo(16);
        assertThat(day(season, 30).path("rule").asString()).isEqualTo("TAPER");
        assertThat(day(season, 30).path("occasions").path(0).toString())
                .contains("occasion.passage", "Tin Roof Toccata", "138");
        assertThat(season.path("goals").path(0).path("sentence").path("code").asString())
                .isEqualTo("outlook.tooNew");
    }

    @Test
    void whatMattersMoreHasMoreOfTheMinutes() {
        Player odile = preparing();
        odile.put("/api/season/off", Map.of("days", List.of()));
        JsonNode before = odile.get("/api/season").ok();
        long kestrel = before.path("goals").path(1).path("passageId").asLong();
        assertThat(before.path("goals").path(1).path("matters").asString()).isEqualTo("USUAL");
        JsonNode after = odile.put("/api/season/passages/" + kestrel, Map.of("matters", "MOST"))
                .ok();
        assertThat(after.path("goals").path(1).path("matters").asString()).isEqualTo("MOST");
        assertThat(after.path("goals").path(1).path("target").asDouble()).isEqualTo(118);
        assertThat(minutes(after, kestrel)).isGreaterThan(minutes(before, kestrel));
        JsonNode later = odile.put("/api/season/passages/" + kestrel, Map.of("matters", "LESS"))
                .ok();
        assertThat(minutes(later, kestrel)).isLessThan(minutes(before, kestrel));
    }

    private static int minutes(JsonNode season, long passage) {
        int minutes = 0;
        for (JsonNode day : season.path("days")) {
            for (JsonNode share : day.path("shares")) {
                minutes += share.path("passageId").asLong() == passage
                        ? share.path("minutes").asInt()
                        : 0;
            }
        }
        return minutes;
    }

    @Test
    void aTargetAndADateAreChangedWhereTheyAreOffered() {
        Player odile = preparing();
        JsonNode season = odile.get("/api/season").ok();
        String toccata = "/api/season/passages/"
                + season.path("goals").path(0).path("passageId").asLong();
        String later = today(odile).plusDays(60).toString();
        odile.put(toccata, Map.of("targetBpm", 120)).ok();
        JsonNode goal =
                odile.put(toccata, Map.of("neededOn", later)).ok().path("goals").path(0);
        assertThat(goal.path("target").asDouble()).isEqualTo(120);
        assertThat(goal.path("neededOn").asString()).isEqualTo(later);
        assertThat(odile.put(toccata, Map.of("targetBpm", 5)).status()).isEqualTo(422);
        assertThat(odile.put(
                                toccata,
                                Map.of("neededOn", today(odile).minusDays(1).toString()))
                        .status())
                .isEqualTo(422);
        assertThat(odile.put(toccata, Map.of("matters", "VERY")).status()).isEqualTo(400);
        assertThat(odile.get("/api/season")
                        .ok()
                        .path("goals")
                        .path(0)
                        .path("target")
                        .asDouble())
                .isEqualTo(120);
    }

    @Test
    void aDayIsMovedToAnotherAndWhatThatDoesIsAnswered() {
        Player odile = preparing();
        LocalDate today = today(odile);
        odile.put("/api/season/days/" + today.plusDays(3), Map.of("minutes", 10))
                .ok();
        JsonNode moved = odile.post(
                        "/api/season/moves",
                        Map.of(
                                "from",
                                today.plusDays(2).toString(),
                                "to",
                                today.plusDays(3).toString()))
                .ok();
        assertThat(moved.path("days").path(0).path("off").asBoolean()).isTrue();
        assertThat(moved.path("days").path(0).path("minutes").asInt()).isZero();
        // Fifty are asked for; forty are what a day may have.
        assertThat(moved.path("days").path(1).path("minutes").asInt()).isEqualTo(40);
        JsonNode back = odile.delete("/api/season/days/" + today.plusDays(2)).ok();
        assertThat(day(back.path("season"), 2).path("minutes").asInt()).isEqualTo(40);
        assertThat(day(back.path("season"), 2).path("asked").asBoolean()).isFalse();
    }

    @Test
    void whatCannotBeMovedIsRefusedAndChangesNothing() {
        Player odile = preparing();
        LocalDate today = today(odile);
        String two = today.plusDays(2).toString();
        assertThat(odile.post("/api/season/moves", Map.of("from", two, "to", two))
                        .status())
                .isEqualTo(422);
        assertThat(odile.post(
                                "/api/season/moves",
                                Map.of("from", two, "to", today.minusDays(1).toString()))
                        .status())
                .isEqualTo(422);
        assertThat(odile.put("/api/season/days/" + two, Map.of("minutes", 601)).status())
                .isEqualTo(422);
        assertThat(odile.put("/api/season/days/" + today.plusYears(3), Map.of("minutes", 10))
                        .status())
                .isEqualTo(422);
        assertThat(odile.put("/api/season/days/tomorrow", Map.of("minutes", 10)).status())
                .isEqualTo(400);
        assertThat(day(odile.get("/api/season").ok(), 2).path("asked").asBoolean())
                .isFalse();
    }

    @Test
    void noWishMakesADayOrTheNextSessionLongerThanItsCap() {
        Player odile = preparing();
        LocalDate today = today(odile);
        JsonNode asked =
                odile.put("/api/season/days/" + today, Map.of("minutes", 600)).ok();
        assertThat(day(asked.path("season"), 0).path("minutes").asInt()).isEqualTo(40);
        assertThat(odile.get("/api/load")
                        .ok()
                        .path("caps")
                        .path(0)
                        .path("effort")
                        .asDouble())
                .isEqualTo(40);
    }

    @Test
    void aDayOffIsSaidOnTodayAndOneDayIsAlwaysLeft() {
        Player odile = preparing();
        String weekday = today(odile).getDayOfWeek().name();
        JsonNode season =
                odile.put("/api/season/off", Map.of("days", List.of(weekday))).ok();
        assertThat(day(season, 0).path("off").asBoolean()).isTrue();
        assertThat(day(season, 7).path("minutes").asInt()).isZero();
        assertThat(odile.get("/api/today").ok().path("word").path("code").asString())
                .isEqualTo("day.off");
        List<String> all =
                Stream.of(java.time.DayOfWeek.values()).map(Enum::name).toList();
        assertThat(odile.put("/api/season/off", Map.of("days", all)).status()).isEqualTo(422);
    }

    @Test
    void theMinutesWantedOfTodayAreWhatTodayPrepares() {
        Player odile = preparing();
        odile.put("/api/season/days/" + today(odile), Map.of("minutes", 12)).ok();
        JsonNode today = odile.get("/api/today").ok();
        assertThat(today.path("plan").path("wish").path("minutes").asInt()).isEqualTo(12);
        assertThat(today.path("sections")).hasSize(1);
    }

    @Test
    void severalPerformancesEachHaveTheirTaper() {
        Player odile = preparing();
        LocalDate today = today(odile);
        odile.post(
                        "/api/season/performances",
                        Map.of("name", "Recital", "day", today.plusDays(12).toString()))
                .ok();
        JsonNode season = odile.post(
                        "/api/season/performances",
                        Map.of("name", "Lantern Quay", "day", today.plusDays(24).toString()))
                .ok();
        assertThat(day(season, 12).path("rule").asString()).isEqualTo("TAPER");
        int least = day(season, 12).path("minutes").asInt();
        assertThat(least).isBetween(12, 16);
        assertThat(day(season, 12)
                        .path("occasions")
                        .path(0)
                        .path("values")
                        .path("words")
                        .asString())
                .isEqualTo("Recital");
        assertThat(day(season, 15).path("minutes").asInt()).isGreaterThan(least);
        assertThat(day(season, 24).path("rule").asString()).isEqualTo("TAPER");
        // Playing obeys what the season says: the day before is a taper on Load, too.
        odile.post(
                        "/api/season/performances",
                        Map.of("name", "Tomorrow", "day", today.plusDays(1).toString()))
                .ok();
        assertThat(odile.get("/api/load").ok().path("caps").path(0).path("rule").asString())
                .isEqualTo("TAPER");
        assertThat(odile.post(
                                "/api/season/performances",
                                Map.of("name", "Past", "day", today.minusDays(1).toString()))
                        .status())
                .isEqualTo(422);
    }

    // Calendars

    private HttpResponse<String> read(String address) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(base()).resolve(address))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    private static Calendar parsed(String text) throws Exception {
        return new CalendarBuilder().build(new StringReader(text));
    }

    @Test
    void aCalendarReadsTheSeasonFromAPrivateAddressUntilThatIsClosed() throws Exception {
        Player odile = preparing();
        String address =
                odile.post("/api/season/feed", Map.of()).ok().path("address").asString();
        HttpResponse<String> first = read(address);
        assertThat(first.statusCode()).isEqualTo(200);
        assertThat(first.headers().firstValue("Content-Type").orElseThrow()).startsWith("text/calendar");
        assertThat(first.headers().firstValue("Cache-Control").orElseThrow()).contains("no-store");
        List<String> names = parsed(first.body()).<VEvent>getComponents("VEVENT").stream()
                .map(event -> event.getUid().orElseThrow().getValue())
                .toList();
        assertThat(names).hasSizeGreaterThan(30).doesNotHaveDuplicates();
        // Read again the days are the same days.
        assertThat(parsed(read(address).body()).<VEvent>getComponents("VEVENT").stream()
                        .map(event -> event.getUid().orElseThrow().getValue()))
                .containsExactlyElementsOf(names);
        assertThat(odile.get("/api/season").ok().path("feedSince").isNull()).isFalse();

        String other =
                odile.post("/api/season/feed", Map.of()).ok().path("address").asString();
        assertThat(read(address).statusCode()).isEqualTo(404);
        assertThat(read(other).statusCode()).isEqualTo(200);
        odile.delete("/api/season/feed");
        assertThat(read(other).statusCode()).isEqualTo(404);
        assertThat(read(other.replaceAll("/calendar/.*", "/calendar/" + UUID.randomUUID() + ".ics"))
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void theCalendarKeepsToTheStandardByHand() throws Exception {
        Player odile = preparing();
        String title = "Nine Lanterns; a very long title, with commas, semicolons; and a ü to fold across lines";
        odile.post(
                        "/api/passages",
                        Practice.passage(Map.of(
                                "title",
                                title,
                                "targetBpm",
                                120,
                                "neededOn",
                                today(odile).plusDays(9).toString())))
                .ok();
        String address =
                odile.post("/api/season/feed", Map.of()).ok().path("address").asString();
        String text = read(address).body();
        assertThat(text).startsWith("BEGIN:VCALENDAR\r\n").endsWith("END:VCALENDAR\r\n");
        assertThat(text).contains("VERSION:2.0\r\n", "PRODID:-//Tachylim//Season//EN\r\n");
        for (String line : text.split("\r\n")) {
            assertThat(line.getBytes(java.nio.charset.StandardCharsets.UTF_8).length)
                    .as(line)
                    .isLessThanOrEqualTo(75);
            assertThat(line).doesNotContain("\n");
        }
        String unfolded = text.replaceAll("\r\n[ \t]", "");
        assertThat(unfolded)
                .contains("SUMMARY:Nine Lanterns\\; a very long title\\, with commas\\, semicolons\\; and a ü");
        String[] events = unfolded.split("BEGIN:VEVENT");
        for (int i = 1; i < events.length; i++) {
            assertThat(events[i])
                    .containsPattern("DTSTART;VALUE=DATE:\\d{8}\r\n")
                    .containsPattern("DTEND;VALUE=DATE:\\d{8}\r\n")
                    .containsPattern("DTSTAMP:\\d{8}T\\d{6}Z\r\n")
                    .containsPattern("UID:[a-z0-9-]+\r\n")
                    .doesNotContain("TZID");
        }
        Calendar read = parsed(text);
        assertThat(read.<VEvent>getComponents("VEVENT").stream()
                        .map(event -> event.getSummary().getValue()))
                .contains(title + " at 120 BPM");
    }

    @Test
    void aCalendarIsWrittenInTheLanguageItsAddressNames() throws Exception {
        Player odile = preparing();
        String address =
                odile.post("/api/season/feed", Map.of()).ok().path("address").asString();
        assertThat(address).endsWith("?lang=en");
        assertThat(read(address).body()).contains("SUMMARY:Practice");
        assertThat(read(address.replace("=en", "=de")).body()).contains("SUMMARY:Üben", "Season//DE");
    }

    @Test
    void aDownloadIsTheSameCalendar() {
        Player odile = preparing();
        assertThat(odile.get("/api/season/calendar.ics").status()).isEqualTo(200);
        assertThat(player().get("/api/season/calendar.ics").status()).isEqualTo(200);
    }
}

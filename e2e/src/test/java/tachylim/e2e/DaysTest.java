package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;
import static tachylim.e2e.Words.say;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Days of players of all kinds, each from an empty account to the log: the method that was chosen is what was played. */
class DaysTest {

    private static final Pattern RUN = Pattern.compile(".*/run/\\d+");

    /**
     * Whose day, and what is chosen on it.
     *
     * @param minutes what is asked for
     * @param chosen the method that is pressed on the plan
     */
    private record Day(String instrument, String meter, int bars, String rhythm, int minutes, String chosen) {

        @Override
        public String toString() {
            return instrument + " " + chosen;
        }
    }

    static Stream<Day> days() {
        return Stream.of(
                new Day("WIND", "4/4", 2, "4", 12, "TAPER"),
                new Day("WIND", "3/4", 4, "2", 10, "CEILING_TEST"),
                new Day("BRASS", "4/4", 2, "4", 12, "SETBACK_LADDER"),
                new Day("BRASS", "2/4", 4, "3", 10, "STEADY_CLIMB"),
                new Day("BOWED", "3/4", 2, "4", 12, "ARCH"),
                new Day("BOWED", "4/4", 1, "4", 10, "GROWING_BURSTS"),
                new Day("PLUCKED", "4/4", 2, "2", 12, "SWITCH_BURSTS"),
                new Day("PLUCKED", "4/4", 4, "2", 10, "CREST_AND_SETTLE"),
                new Day("KEYBOARD", "4/4", 2, "4", 12, "PULSE_LADDER"),
                new Day("KEYBOARD", "3/4", 2, "4", 10, "NARROW_STEPS"),
                new Day("MALLET", "4/4", 1, "4", 12, "FREE_BURSTS"),
                new Day("FREE_REED", "3/4", 4, "2", 10, "SETTLE_OVERNIGHT"),
                new Day("OTHER", "4/4", 2, "2", 10, "EASY"));
    }

    private final Musician odile = Shared.somebodyNew();
    private final Page page = odile.page;

    @ParameterizedTest
    @MethodSource("days")
    void whatIsChosenIsPlayed(Day day) {
        Browsing.at(Shared.SPEED, page);
        odile.tell("POST", "/passages", """
                { title: 'Stair Dance', instrument: '%s', targetBpm: 120, neededOn: null, cleanAt: 90, played: true,
                  music: { source: 'PAPER', meter: '%s', beatUnit: '', bars: %d, text: '%s' },
                  version: 0, confirmed: null, clientId: crypto.randomUUID() }""".formatted(day.instrument, day.meter, day.bars, day.rhythm));
        page.navigate("/");
        page.getByText(say("today.changeThisPlan")).click();
        page.getByRole(
                        AriaRole.SPINBUTTON,
                        new Page.GetByRoleOptions()
                                .setName(say("plan.minutesLabel"))
                                .setExact(true))
                .fill(String.valueOf(day.minutes));
        page.getByRole(
                        AriaRole.RADIO,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^" + say("method." + day.chosen))))
                .click();
        odile.button(say("plan.beginThisWorkout")).click();
        untilItRuns();
        String run = page.url().replaceAll(".*/run/", "");
        odile.playCleanlyToTheEnd();
        odile.untilArrived();
        JsonObject log = JsonParser.parseString(odile.api("/api/log/" + run)).getAsJsonObject();
        JsonObject planned = log.getAsJsonObject("planned");
        JsonObject played = log.getAsJsonObject("played");
        assertThat(mainWork(played)).as("played").containsExactly(day.chosen);
        assertThat(mainWork(planned)).as("planned").containsExactly(day.chosen);
        String remarks = planned.get("remarks").toString();
        boolean saysWhy = Stream.of("less.", "more.", "other.").anyMatch(remarks::contains);
        if (!saysWhy) {
            assertThat(secondsWithoutWarmUp(planned)).isCloseTo(60.0 * day.minutes, withinPercentage(8));
        }
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    /** Waits for the run; where it does not come, what the page says instead is told. */
    private void untilItRuns() {
        try {
            page.waitForURL(RUN);
        } catch (TimeoutError late) {
            throw new AssertionError("No run, but: " + page.locator("main").innerText(), late);
        }
    }

    /** The methods of the main work, or of a test or easy playing in its place, each once. */
    private static Set<String> mainWork(JsonObject timeline) {
        List<JsonObject> blocks = each(timeline.get("blocks"));
        Map<String, Set<String>> parts = each(timeline.get("stretches")).stream()
                .filter(stretch -> !stretch.get("form").getAsString().equals("REST"))
                .map(stretch -> blocks.get(stretch.get("block").getAsInt()))
                .collect(Collectors.groupingBy(
                        block -> block.get("part").getAsString(),
                        Collectors.mapping(block -> block.get("method").getAsString(), Collectors.toSet())));
        return Stream.of("CORE", "MEASURE", "OPENER")
                .filter(parts::containsKey)
                .findFirst()
                .map(parts::get)
                .orElse(Set.of());
    }

    private static double secondsWithoutWarmUp(JsonObject timeline) {
        return each(timeline.get("blocks")).stream()
                .filter(block -> !block.get("part").getAsString().equals("WARM_UP"))
                .mapToDouble(block ->
                        block.get("end").getAsDouble() - block.get("start").getAsDouble())
                .sum();
    }

    private static List<JsonObject> each(JsonElement array) {
        return StreamSupport.stream(array.getAsJsonArray().spliterator(), false)
                .map(JsonElement::getAsJsonObject)
                .toList();
    }
}

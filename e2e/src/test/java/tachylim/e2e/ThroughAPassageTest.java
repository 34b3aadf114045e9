package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;

/** Days on a whole passage: its sections in an order, its ways compared, its changes counted. */
class ThroughAPassageTest {

    private static final Pattern RUN = Pattern.compile(".*/run/\\d+");

    private final Musician odile = Shared.somebodyPlayingFast();
    private final Page page = odile.page;

    private JsonObject passage() {
        return JsonParser.parseString(odile.api("/api/passages"))
                .getAsJsonArray()
                .get(0)
                .getAsJsonObject();
    }

    private static List<JsonObject> each(JsonElement array) {
        return StreamSupport.stream(array.getAsJsonArray().spliterator(), false)
                .map(JsonElement::getAsJsonObject)
                .toList();
    }

    private void endTheFirst() {
        page.keyboard().press("Escape");
        page.getByText(say("run.endItHere")).click();
        assertThat(page.getByText(say("run.notesOnThisWorkout"))).isVisible();
        odile.untilArrived();
    }

    private void plan(long section) {
        page.navigate("/plan/" + section);
        assertThat(page.getByTestId("blocks").locator("li").first()).isVisible();
    }

    private JsonObject played() {
        odile.button(say("plan.beginThisWorkout")).click();
        page.waitForURL(RUN);
        odile.untilReady();
        String run = page.url().replaceAll(".*/run/", "");
        odile.playCleanlyToTheEnd();
        odile.untilArrived();
        return JsonParser.parseString(odile.api("/api/log/" + run)).getAsJsonObject();
    }

    /** What lies under the passes that were played, in order and each once. */
    private static List<String> variations(JsonObject log) {
        JsonObject played = log.getAsJsonObject("played");
        List<JsonObject> blocks = each(played.get("blocks"));
        return each(played.get("stretches")).stream()
                .filter(stretch -> !stretch.get("form").getAsString().equals("REST"))
                .map(stretch -> blocks.get(stretch.get("block").getAsInt()))
                .filter(block -> block.get("part").getAsString().equals("CORE"))
                .map(block -> block.get("variation").toString())
                .distinct()
                .toList();
    }

    @Test
    void fromItsEndAndPerformedWhole() {
        endTheFirst();
        long id = passage().get("id").getAsLong();
        odile.tell("PUT", "/passages/" + id + "/sections", "{ kind: 'BARS', size: 1, overlaps: [] }");
        List<JsonObject> sections = each(passage().get("sections"));
        assertThat(sections).hasSize(2);
        plan(sections.get(0).get("id").getAsLong());
        odile.button(say("plan.fromTheEnd")).click();
        assertThat(page.getByText(say("draft.lasts"))).isVisible();
        odile.button(say("plan.onlyMine")).click();
        List<String> stretches = variations(played());
        assertThat(stretches).hasSize(2);
        assertThat(stretches.get(0)).contains("music.notes", "\"from\":17");
        assertThat(stretches.get(1)).doesNotContain("music.notes");

        plan(sections.get(1).get("id").getAsLong());
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(say("method.PERFORMANCE_RUN")))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("My first passage" + say("common.andMore", "sections", 1));
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    @Test
    void waysAreNamedComparedAndDrawn() {
        endTheFirst();
        long section = each(passage().get("sections")).get(0).get("id").getAsLong();
        plan(section);
        page.getByLabel(say("plan.what"), new Page.GetByLabelOptions().setExact(true))
                .selectOption(say("plan.aMethod"));
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(say("plan.putInAnotherBlock")))
                .getByLabel(say("plan.method"), new Locator.GetByLabelOptions().setExact(true))
                .selectOption(say("method.REFERENCE_COMPARISON"));
        odile.button(say("plan.putItIn")).click();
        odile.button(say("plan.onlyMine")).click();
        Locator block = page.getByTestId("blocks").locator("li").nth(1);
        block.getByText(say("setting.title")).click();
        block.getByLabel(say("setting.sureWay")).fill("slurred");
        block.getByLabel(say("setting.triedWay", "number", 1)).fill("double tongued");
        assertThat(block).containsText("double tongued");
        JsonObject log = played();
        assertThat(each(log.get("passes")).stream()
                        .filter(pass -> pass.get("compared").getAsBoolean()))
                .isNotEmpty()
                .allMatch(pass -> pass.get("manner").toString().contains("double tongued")
                        && pass.get("verdict").getAsString().equals("CLEAN"));
        page.navigate("/log/" + log.getAsJsonObject("entry").get("runId").getAsLong());
        assertThat(page.getByText(say("log.comparedHint", "reference", "slurred")))
                .isVisible();
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(say("log.same")))
                        .first())
                .isVisible();
    }

    @Test
    void aTransitionIsCountedAndItsPlanFollows() {
        endTheFirst();
        JsonObject passage = passage();
        long id = passage.get("id").getAsLong();
        odile.tell("POST", "/passages/" + id + "/transitions/2/changes", "{}");
        page.navigate("/counts");
        assertThat(page.getByText("3→4")).isVisible();
        long change = JsonParser.parseString(odile.api("/api/changes"))
                .getAsJsonObject()
                .getAsJsonArray("changes")
                .get(0)
                .getAsJsonObject()
                .get("id")
                .getAsLong();
        odile.tell(
                "POST",
                "/changes/" + change + "/counts",
                "{ clientId: crypto.randomUUID(), seconds: 60, clean: 160, secondsAgo: null }");
        plan(each(passage.get("sections")).get(0).get("id").getAsLong());
        assertThat(page.getByText(say("slow.change", "tempo", 40)).first()).isVisible();
    }
}

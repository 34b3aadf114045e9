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
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;

/** What was chosen is played, what was felt is heeded, and nothing that was planned or begun is lost on the way. */
class KeepsItsWordTest {

    private static final Pattern RUN = Pattern.compile(".*/run/\\d+");

    private final Musician odile = Shared.somebodyPlayingFast();
    private final Page page = odile.page;

    private void end() {
        page.keyboard().press("Escape");
        page.getByText(say("run.endItHere")).click();
        assertThat(page.getByText(say("run.notesOnThisWorkout"))).isVisible();
        odile.untilArrived();
    }

    private void plan() {
        page.navigate("/");
        page.getByText(say("today.changeThisPlan")).click();
        assertThat(blocks().first()).isVisible();
    }

    private Locator blocks() {
        return page.getByTestId("blocks").locator("li");
    }

    private Locator own() {
        return page.getByTestId("blocks").getByText(say("plan.own"), new Locator.GetByTextOptions().setExact(true));
    }

    private void add(String what, String method) {
        int before = own().count();
        page.getByLabel(say("plan.what"), new Page.GetByLabelOptions().setExact(true))
                .selectOption(what);
        if (method != null) {
            page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(say("plan.putInAnotherBlock")))
                    .getByLabel(say("plan.method"), new Locator.GetByLabelOptions().setExact(true))
                    .selectOption(method);
        }
        odile.button(say("plan.putItIn")).click();
        assertThat(own()).hasCount(before + 1);
    }

    private String run() {
        page.waitForURL(RUN);
        odile.untilReady();
        return page.url().replaceAll(".*/run/", "");
    }

    private JsonObject log(String run) {
        return JsonParser.parseString(odile.api("/api/log/" + run)).getAsJsonObject();
    }

    private static List<JsonObject> each(JsonElement array) {
        return StreamSupport.stream(array.getAsJsonArray().spliterator(), false)
                .map(JsonElement::getAsJsonObject)
                .toList();
    }

    /** The methods and parts of the blocks in which a pass was played. */
    private static Set<String> played(JsonObject log) {
        JsonObject played = log.getAsJsonObject("played");
        List<JsonObject> blocks = each(played.get("blocks"));
        return each(played.get("stretches")).stream()
                .filter(stretch -> !stretch.get("form").getAsString().equals("REST"))
                .map(stretch -> blocks.get(stretch.get("block").getAsInt()))
                .flatMap(block -> List.of(
                        block.get("part").getAsString(), block.get("method").getAsString())
                        .stream())
                .collect(Collectors.toSet());
    }

    @Test
    void whatWasChosenIsStillThereAfterLookingElsewhereAndIsPlayed() {
        end();
        plan();
        add(say("plan.aMethod"), say("method.CHANGE_COUNT"));
        add(say("plan.aMethod"), say("method.TEMPO_SWEEP"));
        add(say("plan.aPerformanceRun"), null);
        page.navigate("/passages");
        plan();
        assertThat(own()).hasCount(3);
        page.reload();
        assertThat(own()).hasCount(3);
        assertThat(page.getByText(say("draft.lasts"))).isVisible();
        page.getByRole(
                        AriaRole.SPINBUTTON,
                        new Page.GetByRoleOptions()
                                .setName(say("plan.minutesLabel"))
                                .setExact(true))
                .fill("25");
        assertThat(own()).hasCount(3);
        odile.button(say("plan.beginThisWorkout")).click();
        String run = run();
        odile.playCleanlyToTheEnd();
        odile.untilArrived();
        assertThat(played(log(run))).contains("CHANGE_COUNT", "TEMPO_SWEEP", "PERFORM");
        page.navigate("/");
        page.getByText(say("today.changeThisPlan")).click();
        assertThat(blocks().first()).isVisible();
        assertThat(own()).hasCount(0);
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    @Test
    void nothingButMyBlocksAtHalfTheTarget() {
        end();
        plan();
        add(say("plan.slowInAVariationOr"), null);
        odile.button(say("plan.onlyMine")).click();
        assertThat(blocks()).hasCount(2);
        blocks().nth(1).getByText(say("setting.title")).click();
        blocks().nth(1).getByText(say("setting.half")).click();
        assertThat(blocks().nth(1)).containsText(say("block.set", "tempo", 60));
        odile.button(say("plan.beginThisWorkout")).click();
        String run = run();
        odile.playCleanlyToTheEnd();
        odile.untilArrived();
        assertThat(each(log(run).getAsJsonObject("played").get("stretches")).stream()
                        .filter(stretch -> stretch.get("form").getAsString().equals("CONTROLLED"))
                        .map(stretch -> stretch.get("tempo").getAsDouble())
                        .collect(Collectors.toSet()))
                .containsExactly(60.0);
    }

    @Test
    void aWorkoutThatIsOpenIsAskedAboutAndEndedWithAllThatWasPlayed() {
        odile.playToTheCue();
        page.keyboard().press("j");
        odile.untilReady();
        odile.untilArrived();
        String first = page.url().replaceAll(".*/run/", "");
        page.navigate("/");
        assertThat(odile.button(say("open.end"))).isVisible();
        page.getByText(say("today.changeThisPlan")).click();
        odile.button(say("plan.beginThisWorkout")).click();
        assertThat(page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName(say("open.title"))))
                .isVisible();
        odile.button(say("common.cancel")).click();
        assertThat(blocks().first()).isVisible();
        odile.button(say("plan.beginThisWorkout")).click();
        odile.button(say("open.endAndBegin")).click();
        String second = run();
        assertThat(second).isNotEqualTo(first);
        JsonObject log = log(first);
        assertThat(log.getAsJsonObject("entry").get("outcome").getAsString()).isEqualTo("STOPPED");
        assertThat(log.get("passes").getAsJsonArray()).isNotEmpty();
        page.navigate("/log");
        odile.button(say("open.end")).click();
        assertThat(odile.button(say("open.end"))).isHidden();
        assertThat(log(second).getAsJsonObject("entry").get("outcome").getAsString())
                .isEqualTo("STOPPED");
    }

    @Test
    void tensionIsSaidOfOnePassAndAskedOnceMore() {
        String run = page.url().replaceAll(".*/run/", "");
        odile.playToTheCue();
        page.keyboard().press("3");
        page.keyboard().press("j");
        odile.untilReady();
        odile.playToTheCue();
        assertThat(page.getByText(say("run.tenseStill", "tension", 3))).isVisible();
        page.keyboard().press("j");
        odile.untilReady();
        odile.playToTheCue();
        assertThat(page.getByText(say("run.tenseStill", "tension", 3))).isHidden();
        page.keyboard().press("j");
        odile.untilReady();
        end();
        List<JsonObject> passes = each(log(run).get("passes"));
        assertThat(passes).hasSizeGreaterThan(2);
        assertThat(passes.stream().filter(pass -> !pass.get("tension").isJsonNull()))
                .hasSize(1)
                .allMatch(pass -> pass.get("tension").getAsInt() == 3);
        page.navigate("/log/" + run);
        assertThat(page.getByText(say("log.notSaid")).first()).isAttached();
    }
}

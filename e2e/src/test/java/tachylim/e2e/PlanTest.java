package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A plan is put right by hand and by keys, kept as a template, and warmed up for by lines of one's own. */
class PlanTest {

    private final Musician odile = Shared.somebodyPlaying();
    private final Page page = odile.page;

    private void plan() {
        page.keyboard().press("Escape");
        page.getByText(say("run.endItHere")).click();
        assertThat(page.getByText(say("run.notesOnThisWorkout"))).isVisible();
        page.navigate("/");
        page.getByText(say("today.changeThisPlan")).click();
        assertThat(blocks().first()).isVisible();
    }

    private Locator blocks() {
        return page.getByTestId("blocks").locator("li");
    }

    /** What a block is called in the list. */
    private String name(int block) {
        return blocks().nth(block).locator("p").first().innerText();
    }

    private Locator slider(String name) {
        return page.getByRole(
                        AriaRole.SLIDER, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + ", block")))
                .first();
    }

    private Locator minutes() {
        return page.getByRole(
                AriaRole.SPINBUTTON,
                new Page.GetByRoleOptions().setName(say("plan.minutesLabel")).setExact(true));
    }

    @Test
    void blocksAreTimedAndMovedOnTheTimeline() {
        plan();
        Locator end = slider("Minutes of Controlled");
        double before = Double.parseDouble(end.getAttribute("aria-valuenow"));
        end.focus();
        for (int i = 0; i < 4; i++) {
            page.keyboard().press("ArrowRight");
        }
        assertThat(end).hasAttribute("aria-valuenow", String.valueOf((int) before + 2));
        Locator grip = slider("Position of .*");
        int place = Integer.parseInt(grip.getAttribute("aria-valuenow"));
        String moved = name(place - 1);
        String neighbour = name(place);
        grip.focus();
        page.keyboard().press("ArrowRight");
        assertThat(blocks().nth(place)).containsText(moved);
        assertThat(blocks().nth(place - 1)).containsText(neighbour);
        page.getByLabel(say("plan.undo")).click();
        assertThat(blocks().nth(place - 1)).containsText(moved);
    }

    @Test
    void aSessionIsKeptAndTakenAgain() {
        plan();
        minutes().fill("12");
        odile.button(say("plan.templates")).click();
        page.getByLabel(say("plan.saveThisWorkoutAs")).fill("Twelve");
        odile.button(say("common.save")).click();
        assertThat(odile.button("Use Twelve")).isVisible();
        page.keyboard().press("Escape");
        page.reload();
        assertThat(blocks().first()).isVisible();
        odile.button(say("plan.templates")).click();
        odile.button("Use Twelve").click();
        assertThat(minutes()).hasValue("12");
        assertThat(odile.button(say("plan.beginThisWorkout"))).isEnabled();
    }

    @Test
    void everySessionBeginsWithTheWarmUpThatWasPutDown() {
        plan();
        page.navigate("/settings");
        odile.button(say("settings.myOwn")).click();
        page.getByLabel(say("settings.whatLine", "i", 1)).fill("Walk, then shoulders");
        page.getByLabel(say("settings.whatLine", "i", 2)).fill("Long, easy strokes");
        page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName(say("common.warmUp")))
                .getByText(say("common.save"), new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByText(say("settings.keptEveryWorkoutBeginsSo")).first())
                .isVisible();
        page.navigate("/");
        page.getByText(say("today.changeThisPlan")).click();
        assertThat(page.getByText("Your own warm-up of 5 min")).isVisible();
        odile.button(say("plan.beginThisWorkout")).click();
        assertThat(page.getByRole(
                        AriaRole.HEADING, new Page.GetByRoleOptions().setName(say("run.awayFromTheInstrument"))))
                .isVisible();
        assertThat(page.getByText("Walk, then shoulders", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(odile.stage()).hasAttribute("data-state", "ready");
        assertThat(page.getByText("Long, easy strokes").first()).isVisible();
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }
}

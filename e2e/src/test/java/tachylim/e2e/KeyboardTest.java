package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** The story once more with the keyboard alone: whatever is used is first reached with Tab. */
class KeyboardTest {

    private static final int MOST_TABS = 60;

    private Page page;

    /** Tabs until what has the focus is called {@code name}. */
    private void tabTo(String name) {
        for (int i = 0; i < MOST_TABS; i++) {
            String focused = (String) page.evaluate("""
                    () => { const e = document.activeElement;
                            return (e?.getAttribute('aria-label') ?? e?.labels?.[0]?.innerText ?? e?.innerText ?? '').trim(); }""");
            if (focused.startsWith(name)) {
                assertThat((Boolean) page.evaluate("() => document.activeElement.matches(':focus-visible')"))
                        .as("the focus on %s is seen", name)
                        .isTrue();
                return;
            }
            page.keyboard().press("Tab");
        }
        throw new AssertionError("Tab does not reach " + name);
    }

    private void type(String field, String text) {
        tabTo(field);
        page.keyboard().press("Control+a");
        page.keyboard().type(text);
    }

    private void press(String button) {
        tabTo(button);
        page.keyboard().press("Enter");
    }

    @Test
    void fromTheFirstPageToALoggedWorkout() {
        Musician odile = Shared.stranger();
        page = odile.page;
        page.navigate("/");
        // A key pressed before there is anything to go to goes nowhere.
        assertThat(page.getByText("I'm new here")).isVisible();
        press("I'm new here");
        type("Name", odile.name);
        type("Password", Musician.PASSWORD);
        page.keyboard().press("Enter");
        assertThat(page.getByText("Step 1 of 3")).isVisible();

        tabTo("another instrument");
        page.keyboard().press("ArrowUp");
        press("Next: the passage");
        assertThat(page.getByText("Step 2 of 3")).isVisible();
        type("Title", "Nine Lanterns");
        type("Bars", "1");
        press("3");
        assertThat(page.locator("svg .abcjs-note").first()).isVisible();
        type("Target tempo", "104");
        press("Next: how fast today");
        type("Clean at", "88");
        press("Start your first workout");
        assertThat(odile.stage()).hasAttribute("data-state", "ready");
        page.evaluate("() => document.activeElement.blur()");

        odile.hurry().playToTheEnd();
        type("Notes on this workout", "Third finger first.");
        press("Save note");
        press("Go to Today");
        assertThat(page.getByText(say("today.leftToday"))).isVisible();
        press("Ceiling");
        assertThat(page.getByRole(
                        AriaRole.HEADING, new Page.GetByRoleOptions().setName(say("ceiling.howOftenItIsClean"))))
                .isVisible();
        press("Load");
        assertThat(page.getByText(say("load.effortByDay"))).isVisible();
        press("Log");
        assertThat(page.getByText("Third finger first.")).isVisible();
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }
}

package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A change is counted clean for a minute, by one key, and kept even where the network is gone. */
class CountTest {

    private Musician odile;
    private Page page;

    private void aChange() {
        odile = Shared.somebodyNew();
        page = odile.page;
        page.navigate("/counts");
        page.getByLabel(say("count.between")).fill("G7 and C");
        page.getByLabel(say("first.targetTempo")).fill("112");
        odile.button(say("count.addIt")).click();
        assertThat(page.getByText(say("count.atBestAMinuteNeeded", "needed", 56)))
                .isVisible();
        odile.button("Count G7 and C").click();
    }

    private Locator at(String state) {
        return page.locator("[data-testid=counting][data-at=" + state + "]");
    }

    private int counted() {
        return Integer.parseInt(page.getByTestId("counted").innerText());
    }

    private int count(String key, int presses) {
        assertThat(at("ready")).isVisible();
        page.keyboard().press("Space");
        assertThat(at("counting")).isVisible();
        for (int i = 0; i < presses; i++) {
            page.keyboard().press(key);
        }
        assertThat(at("over")).isVisible();
        return counted();
    }

    @Test
    void oneKeyForEachCleanChange() {
        aChange();
        int counted = count("j", 6);
        assertThat(counted).isBetween(1, 6);
        page.keyboard().press("k");
        assertThat(page.getByTestId("counted")).hasText(String.valueOf(counted - 1));
        odile.button(say("count.oneMore")).click();
        page.keyboard().press("Space");
        assertThat(at("ready")).isVisible();
        assertThat(page.getByText(counted + " " + say("count.atBestAMinuteNeeded", "needed", 56)))
                .isAttached();
        assertThat(page.getByText("Once today.")).isAttached();
        assertThat(count("PageDown", 3)).as("a pedal does it too").isBetween(1, 3);
        odile.button(say("count.discard")).click();
        odile.button(say("common.close")).click();
        page.navigate("/load");
        assertThat(page.getByText(say("load.effortByDay"))).isVisible();
        assertThat(page.getByText(Pattern.compile("^3\\.3$")).first()).isVisible();
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    @Test
    void aCountWithoutANetworkArrivesLater() {
        aChange();
        count("j", 4);
        page.context().setOffline(true);
        page.keyboard().press("Space");
        assertThat(page.getByText("One count hasn't been sent yet")).isAttached();
        page.context().setOffline(false);
        assertThat(page.getByText("One count hasn't been sent yet")).not().isAttached();
        assertThat(page.getByText("Once today.")).isAttached();
        page.reload();
        assertThat(page.getByText("Once today.")).isVisible();
    }
}

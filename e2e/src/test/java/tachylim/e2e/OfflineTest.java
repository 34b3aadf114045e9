package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A phone in a cellar: the application opens, and what was seen can be read. */
@ExtendWith(LeaveWithTheTest.class)
class OfflineTest {

    private static final Pattern CUT_OFF = Pattern.compile("No connection to Tachylim since");

    /** Waits until this browser keeps the application. */
    static void settled(Page page) {
        page.evaluate("() => navigator.serviceWorker.ready");
        page.waitForFunction("() => navigator.serviceWorker.controller");
    }

    private static Musician somebodyInstalled() {
        BrowserContext context = Shared.BROWSING.installed(Shared.APP, 1280, 800);
        return new Musician(Shared.BROWSING.page(context));
    }

    @Test
    void itOpensWithoutANetworkWithWhatWasSeenLast() {
        Musician odile = somebodyInstalled().registered();
        odile.page.navigate("/passages");
        settled(odile.page);
        odile.page.reload();
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(say("common.passages"))))
                .isVisible();
        odile.page.context().setOffline(true);
        odile.page.reload();
        assertThat(odile.page.getByText(CUT_OFF)).isVisible();
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(say("common.passages"))))
                .isVisible();
        odile.page.context().setOffline(false);
        assertThat(odile.page.getByText(CUT_OFF)).isHidden();
    }
}

package tachylim.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import java.util.ArrayDeque;
import java.util.Deque;

/**
 * Windows of one browser that tests take one after another, each with nothing left in it of the test before: to open one and
 * to read the pages into it for the first time costs more than most tests do.
 */
final class Windows {

    private final Browsing browsing;
    private final App app;
    private final Deque<Page> free = new ArrayDeque<>();

    Windows(Browsing browsing, App app) {
        this.browsing = browsing;
        this.app = app;
    }

    /** A window in which nobody is signed in and nothing is kept, until the test is over. */
    Page taken() {
        Page page = free.isEmpty() ? browsing.lasting(app) : free.pop();
        LeaveWithTheTest.then(() -> left(page));
        return page;
    }

    /** Emptied for the next, or closed where it cannot be. */
    private void left(Page page) {
        if (!page.isClosed() && isEmptied(page)) {
            free.push(page);
        } else {
            quiet(page);
            page.context().close();
        }
    }

    /** Nothing else is open, and nothing stands in the way of a request: one that is still under way would trip over it. */
    private static void quiet(Page page) {
        BrowserContext context = page.context();
        context.pages().stream().filter(other -> other != page).forEach(Page::close);
        if (!page.isClosed()) {
            page.unrouteAll();
        }
        context.unrouteAll();
    }

    private static final String EMPTIED = """
            async () => {
              localStorage.clear();
              sessionStorage.clear();
              for (const { name } of await indexedDB.databases())
                await new Promise((resolve, reject) => {
                  const gone = indexedDB.deleteDatabase(name);
                  gone.onsuccess = resolve;
                  gone.onerror = gone.onblocked = reject;
                });
            }""";

    private static boolean isEmptied(Page page) {
        BrowserContext context = page.context();
        try {
            quiet(page);
            context.setOffline(false);
            page.setViewportSize(Browsing.WIDTH, Browsing.HEIGHT);
            page.navigate("/favicon.svg");
            page.evaluate(EMPTIED);
            context.clearCookies();
            page.navigate("about:blank");
            return true;
        } catch (PlaywrightException isBroken) {
            return false;
        }
    }
}

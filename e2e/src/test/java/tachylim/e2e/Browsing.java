package tachylim.e2e;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Debian's Chromium, headless, and a record of everything its console complained about. */
final class Browsing implements AutoCloseable {

    private static final List<String> FLAGS = List.of(
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--autoplay-policy=no-user-gesture-required");

    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final Browser browser = playwright
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(FLAGS));
    private final List<String> complaints = new ArrayList<>();

    Browsing() {
        PlaywrightAssertions.setDefaultAssertionTimeout(Shared.PATIENCE_MS);
    }

    /** Somebody with a browser window of this size. */
    BrowserContext somebody(String base, int width, int height) {
        return unhurried(somebodyInAHurry(base, width, height));
    }

    /** The same, where musical time runs as fast on the pages as the server lets it. */
    BrowserContext somebodyInAHurry(String base, int width, int height) {
        return opened(new Browser.NewContextOptions().setBaseURL(base).setViewportSize(width, height));
    }

    BrowserContext somebody(App app, int width, int height) {
        return somebody(app.base(), width, height);
    }

    private BrowserContext opened(Browser.NewContextOptions options) {
        BrowserContext context = browser.newContext(options.setLocale("en-GB"));
        context.setDefaultTimeout(Shared.PATIENCE_MS);
        LeaveWithTheTest.opened(context);
        return context;
    }

    /** What is played by the clock takes a while on these pages, so that what happens meanwhile can be seen. */
    private static BrowserContext unhurried(BrowserContext context) {
        return at(Shared.UNHURRIED, context);
    }

    /** From their next loading on, musical time runs so many times faster on these pages. */
    private static BrowserContext at(int speed, BrowserContext context) {
        context.unroute(GREETING);
        context.route(GREETING, route -> {
            try {
                APIResponse greeting = route.fetch();
                route.fulfill(new Route.FulfillOptions()
                        .setResponse(greeting)
                        .setBody(greeting.text().replace("\"speed\":" + Shared.SPEED, "\"speed\":" + speed)));
            } catch (PlaywrightException withoutANetwork) {
                route.abort();
            }
        });
        return context;
    }

    private static final String GREETING = "**/api/greeting";

    /** From here on musical time runs so many times faster on this page. */
    static void at(int speed, Page page) {
        at(speed, page.context());
        page.reload();
    }

    /** Somebody's other browser, in another zone of time, signed in as in the first. */
    BrowserContext in(String zone, BrowserContext first) {
        BrowserContext context = unhurried(opened(new Browser.NewContextOptions()
                .setBaseURL(Shared.APP.base())
                .setViewportSize(1280, 800)
                .setTimezoneId(zone)));
        context.addCookies(first.cookies());
        return context;
    }

    BrowserContext somebody(App app) {
        return somebody(app, 1280, 800);
    }

    Page page(BrowserContext context) {
        Page page = context.newPage();
        page.onConsoleMessage(message -> {
            if (message.type().equals("error")) {
                complaints.add(page.url() + ": " + message.text());
            }
        });
        page.onPageError(error -> complaints.add(page.url() + ": " + error));
        return page;
    }

    /** What the console complained about, but for requests that were cut off or refused on purpose. */
    List<String> complaints() {
        return complaints.stream()
                .filter(complaint -> !complaint.contains("Failed to load resource"))
                .toList();
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}

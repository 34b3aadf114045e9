package tachylim.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

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

    /** How large a window is, unless a test is about another size. */
    static final int WIDTH = 1280;

    static final int HEIGHT = 800;

    private static final Path CHROMIUM = Path.of("/usr/bin/chromium");

    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final Browser browser;
    private final List<String> complaints = new ArrayList<>();

    /** With more flags than usual, as for devices that are none. */
    Browsing(String... more) {
        PlaywrightAssertions.setDefaultAssertionTimeout(Shared.PATIENCE_MS);
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(CHROMIUM)
                        .setArgs(Stream.concat(FLAGS.stream(), Stream.of(more)).toList()));
    }

    /** Somebody with a browser window of this size. */
    BrowserContext somebody(String base, int width, int height) {
        return forOneTest(of(base, width, height));
    }

    BrowserContext somebody(App app, int width, int height) {
        return somebody(app.base(), width, height);
    }

    /** A window that stays when a test is over. */
    Page lasting(App app) {
        return page(opened(of(app.base(), WIDTH, HEIGHT)));
    }

    /** Somebody whose browser keeps the application, as it is without a test. */
    BrowserContext installed(App app, int width, int height) {
        return forOneTest(of(app.base(), width, height).setServiceWorkers(ServiceWorkerPolicy.ALLOW));
    }

    /** The browser of somebody whose profile lies in a folder: it is found there again when it is opened anew. */
    BrowserContext profile(App app, Path folder) {
        BrowserContext context = playwright
                .chromium()
                .launchPersistentContext(
                        folder,
                        new BrowserType.LaunchPersistentContextOptions()
                                .setExecutablePath(CHROMIUM)
                                .setArgs(FLAGS)
                                .setBaseURL(app.base())
                                .setViewportSize(WIDTH, HEIGHT)
                                .setLocale("en-GB"));
        context.setDefaultTimeout(Shared.PATIENCE_MS);
        context.addInitScript(UNHURRIED);
        context.addInitScript(PAGES_SEND);
        return context;
    }

    /** To keep the application in each window takes long, and answers for the server where a test wants none. */
    private static Browser.NewContextOptions of(String base, int width, int height) {
        return new Browser.NewContextOptions()
                .setBaseURL(base)
                .setViewportSize(width, height)
                .setServiceWorkers(ServiceWorkerPolicy.BLOCK);
    }

    private BrowserContext forOneTest(Browser.NewContextOptions options) {
        BrowserContext context = opened(options);
        LeaveWithTheTest.then(context::close);
        return context;
    }

    private BrowserContext opened(Browser.NewContextOptions options) {
        BrowserContext context = browser.newContext(options.setLocale("en-GB"));
        context.setDefaultTimeout(Shared.PATIENCE_MS);
        context.addInitScript(UNHURRIED);
        context.addInitScript(PAGES_SEND);
        return context;
    }

    /**
     * What is played by the clock takes a while on these pages, so that what happens meanwhile can be seen. The page is told so
     * in its own window: with its requests routed through here it would keep no scripts from one page to the next.
     */
    private static final String UNHURRIED = """
            const ask = window.fetch;
            window.fetch = async (what, how) => {
              const answer = await ask(what, how);
              if (new URL(answer.url || 'http://none/').pathname !== '/api/greeting') return answer;
              let speed = %d;
              try { speed = sessionStorage.getItem('e2e.speed') ?? speed; } catch { /* It keeps nothing. */ }
              const { status, headers } = answer;
              return new Response((await answer.text()).replace('"speed":%d', `"speed":${speed}`), { status, headers });
            };""".formatted(Shared.UNHURRIED, Shared.SPEED);

    /** What a worker asks for in the background is not cut off together with its pages: here it is not asked to. */
    private static final String PAGES_SEND =
            "Object.defineProperty(globalThis.ServiceWorkerRegistration?.prototype ?? {}, 'sync', { value: undefined });";

    /** From the next loading on, musical time runs so many times faster on this page. */
    static void at(int speed, Page page) {
        page.evaluate("speed => sessionStorage.setItem('e2e.speed', speed)", speed);
    }

    /** Somebody's other browser, in another zone of time, signed in as in the first. */
    BrowserContext in(String zone, BrowserContext first) {
        BrowserContext context = forOneTest(of(Shared.APP.base(), WIDTH, HEIGHT).setTimezoneId(zone));
        context.addCookies(first.cookies());
        return context;
    }

    /** The same somebody with a phone in the hand: a finger, and no pointer. */
    BrowserContext onAPhone(App app, BrowserContext first) {
        BrowserContext context =
                forOneTest(of(app.base(), 390, 844).setHasTouch(true).setIsMobile(true));
        context.addCookies(first.cookies());
        return context;
    }

    BrowserContext somebody(App app) {
        return somebody(app, WIDTH, HEIGHT);
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

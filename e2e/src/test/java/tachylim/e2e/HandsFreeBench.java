package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/**
 * A whole workout by the clock on the wall, in which no key is pressed once it plays: a made-up player is listened to. It takes many
 * minutes of a quiet machine, since sound cannot be hurried.
 */
@Timeout(value = 60, unit = TimeUnit.MINUTES)
class HandsFreeBench {

    private static final double LONGEST_MS = 40 * 60_000.0;
    private static final double LOOKS_EVERY_MS = 15_000;
    private static final double MEGA = 1e6;
    private static final int STANDS = 160;

    /** What is kept of the page while it listens: a take, its figures and its picture, and no more with each pass. */
    private static final double MOST_GROWN_MB = 64;

    private static final String HEAP = "() => performance.memory.usedJSHeapSize";

    private static final String WATCHED = """
            () => {
              window.longTasks = [];
              new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => longTasks.push(duration)))
                .observe({ type: 'longtask' });
            }""";

    @Test
    void aWorkoutIsPlayedAndJudgedWithoutAHand() {
        try (App app = App.start("e2e_hands_free", 1);
                Browsing browsing = new Browsing("--enable-precise-memory-info")) {
            Page page = browsing.page(browsing.somebody(app));
            Musician odile = new Musician(page).registered();
            Browsing.at(1, page);
            odile.tell("POST", "/passages", """
                    { title: 'Kestrel Weather', instrument: 'MALLET', targetBpm: 138, neededOn: null, cleanAt: 110, played: true,
                      music: { source: 'ABC', meter: '4/4', beatUnit: '', bars: 0,
                        text: 'M:4/4\\nL:1/16\\nK:F\\nDFAG FECD FGAc _BAGF' },
                      version: 0, confirmed: null, clientId: crypto.randomUUID() }""");
            page.navigate("/run/" + odile.begun(odile.firstSection(), 5));
            odile.untilReady();
            page.keyboard().press("h");
            page.getByLabel(say("heard.dialog.input")).selectOption("made-up");
            odile.button(say("heard.dialog.switchOn")).click();
            odile.button(say("run.goOn")).click();
            page.keyboard().press("g");
            page.evaluate(WATCHED);
            double before = ((Number) page.evaluate(HEAP)).doubleValue();
            page.keyboard().press("Space");

            untilOver(page);
            odile.untilArrived();
            double grown = (((Number) page.evaluate(HEAP)).doubleValue() - before) / MEGA;
            List<?> longTasks = (List<?>) page.evaluate("() => longTasks");
            System.out.printf("The page grew by %.0f MB; tasks over 50 ms, in ms: %s%n", grown, longTasks);
            assertThat(grown).isLessThan(MOST_GROWN_MB);

            JsonArray passes = JsonParser.parseString(odile.api(page.url().replaceAll(".*/run/", "/api/log/")))
                    .getAsJsonObject()
                    .getAsJsonArray("passes");
            int heard = 0;
            int clean = 0;
            for (JsonElement one : passes) {
                JsonObject pass = one.getAsJsonObject();
                if (!pass.get("heard").isJsonNull()) {
                    heard++;
                    JsonObject told = pass.getAsJsonObject("heard");
                    clean += told.get("clean").getAsInt() == told.get("passes").getAsInt() ? 1 : 0;
                }
                // Nothing was confirmed, so that what was clean counts as played.
                assertThat(pass.get("verdict").isJsonNull()
                                || !pass.get("verdict").getAsString().equals("CLEAN"))
                        .isTrue();
            }
            System.out.printf("%d of %d steps were heard, %d of them clean%n", heard, passes.size(), clean);
            assertThat(heard).isGreaterThanOrEqualTo(passes.size() - 1);
            assertThat(clean).isEqualTo(heard);
            page.navigate(page.url().replace("/run/", "/log/"));
            assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(say("take.kept")))
                            .getByRole(AriaRole.LISTITEM)
                            .first())
                    .isVisible();
            assertThat(browsing.complaints()).isEmpty();
        }
    }

    /** Waits for the end, and tells meanwhile where the page stands. */
    private static void untilOver(Page page) {
        Locator over = page.getByText(say("run.notesOnThisWorkout"));
        Locator.WaitForOptions awhile = new Locator.WaitForOptions().setTimeout(LOOKS_EVERY_MS);
        long begun = System.nanoTime();
        while (true) {
            try {
                over.waitFor(awhile);
                return;
            } catch (TimeoutError later) {
                double seconds = (System.nanoTime() - begun) / 1e9;
                String stands = page.getByRole(AriaRole.MAIN).innerText().replaceAll("\\s+", " ");
                System.out.printf(
                        Locale.ROOT,
                        "%4.0f s, %.0f MB: %s%n",
                        seconds,
                        ((Number) page.evaluate(HEAP)).doubleValue() / MEGA,
                        stands.substring(0, Math.min(STANDS, stands.length())));
                assertThat(seconds * 1000).isLessThan(LONGEST_MS);
            }
        }
    }
}

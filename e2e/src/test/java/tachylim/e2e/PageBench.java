package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/**
 * How long a page's own thread works from a key to the next step and from an edit to the plan that is drawn, at the machine's pace and
 * four times slower; and what the first page weighs and a whole workout leaves behind. It wants a quiet machine.
 */
@Timeout(value = 60, unit = TimeUnit.MINUTES)
class PageBench {

    private static final double DEMO_PATIENCE_MS = 900_000;
    private static final int STEPS = Integer.getInteger("tachylim.page.steps", 24);
    private static final int EDITS = Integer.getInteger("tachylim.page.edits", 20);
    private static final double MEGA = 1e6;
    private static final double KILO = 1024;

    private static final String[] KEYS = {"j", "k", "j", "l", "k"};

    @Test
    void whatAHandWaitsFor() {
        try (App app = App.start("e2e_page", Shared.SPEED, "--tachylim.demo=true", "--tachylim.demo-days=15");
                Browsing browsing = new Browsing("--enable-precise-memory-info")) {
            Page page = browsing.page(browsing.somebody(app));
            page.navigate("/");
            page.getByText(say("welcome.openTheDemo")).click();
            page.getByText(say("today.leftToday")).waitFor(new Locator.WaitForOptions().setTimeout(DEMO_PATIENCE_MS));
            weigh(page);
            Musician odile = new Musician(page);
            for (int slower : new int[] {1, 4}) {
                edit(odile, slower);
                play(odile, slower);
            }
            assertThat(browsing.complaints()).isEmpty();
        }
    }

    /** What is fetched of a server that nothing was fetched of before. */
    private static void weigh(Page page) {
        CDPSession session = page.context().newCDPSession(page);
        JsonObject off = new JsonObject();
        off.addProperty("cacheDisabled", true);
        session.send("Network.enable");
        session.send("Network.setCacheDisabled", off);
        page.reload();
        page.getByText(say("today.leftToday")).waitFor();
        double bytes = ((Number) page.evaluate("""
                () => performance.getEntriesByType('navigation').concat(performance.getEntriesByType('resource'))
                  .filter(({ name }) => /\\.(js|css|json)$|\\/$/.test(name) && !name.includes('/api/'))
                  .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0)""")).doubleValue();
        System.out.printf("Today, its scripts, styles and words, as they are sent: %.0f kB%n", bytes / KILO);
        session.detach();
    }

    private static void slow(Page page, int times) {
        JsonObject rate = new JsonObject();
        rate.addProperty("rate", times);
        page.context().newCDPSession(page).send("Emulation.setCPUThrottlingRate", rate);
    }

    private static void play(Musician odile, int slower) {
        Page page = odile.page;
        Browsing.at(Shared.UNHURRIED, page);
        page.navigate("/run/" + odile.begun(odile.firstSection(), 30));
        odile.untilReady();
        assertThat(odile.stage()).hasAttribute("data-carried", "true");
        page.evaluate(Trace.MARKED, List.of("data-ordinal"));
        double before = heap(page);
        slow(page, slower);
        List<Trace.Drawn> steps = new ArrayList<>();
        for (int i = 0; i < STEPS && !odile.hasEnded(); i++) {
            if (odile.play()) {
                boolean set = page.getByText(say("run.howManyWereCleanOne")).count() > 0;
                String key = set ? "j" : KEYS[i % KEYS.length];
                Trace.of(page, () -> page.keyboard().press(key)).drawn().ifPresent(steps::add);
            }
            if (!odile.hasEnded()) {
                odile.untilReady();
            }
        }
        slow(page, 1);
        tell("next step", slower, steps);
        if (!odile.hasEnded()) {
            odile.playToTheEnd();
        }
        System.out.printf(Locale.ROOT, "A whole workout leaves %.1f MB behind%n", (heap(page) - before) / MEGA);
    }

    private static double heap(Page page) {
        CDPSession session = page.context().newCDPSession(page);
        session.send("HeapProfiler.collectGarbage");
        session.detach();
        return ((Number) page.evaluate("() => performance.memory.usedJSHeapSize")).doubleValue();
    }

    private static void edit(Musician odile, int slower) {
        Page page = odile.page;
        page.navigate("/plan/" + odile.firstSection());
        Locator minutes = page.getByRole(
                AriaRole.SLIDER,
                new Page.GetByRoleOptions().setName(say("plan.minutesLabel")).setExact(true));
        minutes.waitFor();
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.evaluate(Trace.MARKED, List.of("d"));
        slow(page, slower);
        List<Trace.Drawn> edits = new ArrayList<>();
        for (int i = 0; i < EDITS; i++) {
            String key = i % 4 < 2 ? "ArrowRight" : "ArrowLeft";
            Trace.of(page, () -> minutes.press(key)).drawn().ifPresent(edits::add);
        }
        slow(page, 1);
        tell("plan edit", slower, edits);
    }

    private static void tell(String what, int slower, List<Trace.Drawn> all) {
        double[] work = all.stream().mapToDouble(Trace.Drawn::work).sorted().toArray();
        double[] latency =
                all.stream().mapToDouble(Trace.Drawn::latency).sorted().toArray();
        System.out.printf(
                Locale.ROOT,
                "%s, %d times slower, %d times: main thread %.0f ms (median), %.0f (nine of ten), %.0f (most);"
                        + " from hand to screen %.0f, %.0f, %.0f%n",
                what,
                slower,
                all.size(),
                of(work, 0.5),
                of(work, 0.9),
                of(work, 1),
                of(latency, 0.5),
                of(latency, 0.9),
                of(latency, 1));
    }

    private static double of(double[] sorted, double share) {
        return sorted[Math.min(sorted.length - 1, (int) (share * sorted.length))];
    }
}

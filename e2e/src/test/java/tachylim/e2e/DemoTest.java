package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The demo: every view of it. */
class DemoTest {

    private static final double DEMO_PATIENCE_MS = 900_000;

    /** Enough for every view, and written in a fifth of the time. */
    private static final int DAYS = 15;

    private static final int[][] SIZES = {{1280, 800}, {768, 1024}, {360, 640}};

    private static App demo;
    private static BrowserContext odile;

    @BeforeAll
    static void openTheDemo() {
        demo = App.start("e2e_demo", Shared.SPEED, "--tachylim.demo=true", "--tachylim.demo-days=" + DAYS);
        odile = Shared.BROWSING.somebody(demo);
        Page page = Shared.BROWSING.page(odile);
        page.navigate("/");
        page.getByText(say("welcome.openTheDemo")).click();
        page.getByText(say("today.leftToday")).waitFor(new Locator.WaitForOptions().setTimeout(DEMO_PATIENCE_MS));
        page.close();
    }

    @AfterAll
    static void closeTheDemo() {
        demo.close();
    }

    private static JsonElement api(String path) {
        return JsonParser.parseString(odile.request().get(path).text());
    }

    private static List<JsonObject> list(JsonElement array) {
        return StreamSupport.stream(((JsonArray) array).spliterator(), false)
                .map(JsonElement::getAsJsonObject)
                .toList();
    }

    @Test
    void theFirstBurstIsMovedByKey() {
        long needed = api("/api/today")
                .getAsJsonObject()
                .getAsJsonObject("plan")
                .getAsJsonObject("wish")
                .get("sectionId")
                .getAsLong();
        Page page = Shared.BROWSING.page(odile);
        page.navigate("/plan/" + needed);
        page.getByText("Interval bursts").first().click();
        Locator handle = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("First burst"));
        handle.focus();
        page.keyboard().press("ArrowUp");
        com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat(handle)
                .hasAttribute("aria-valuetext", "104% of the ceiling");
        page.close();
    }

    /** Her last test is there to be shown, and its pictures to be taken along. */
    @Test
    void aCeilingTestIsLookedAtAndItsPictureTakenAlong() throws IOException {
        Page page = Shared.BROWSING.page(odile);
        page.navigate("/ceiling/" + tested());
        page.locator("a[href^='/ceiling/test/']").first().click();
        page.getByText(say("ceiling.passByPass")).waitFor();
        for (String kind : List.of("SVG", "PNG")) {
            Download taken = page.waitForDownload(() -> page.getByRole(
                            AriaRole.BUTTON, new Page.GetByRoleOptions().setName("How often it is clean as " + kind))
                    .click());
            assertThat(taken.suggestedFilename()).endsWith("." + kind.toLowerCase(Locale.ROOT));
            assertThat(Files.size(taken.path())).isGreaterThan(2_000);
        }
        page.close();
    }

    /** A word of the product's own says what it means, and goes again by a key. */
    @Test
    void aTermIsExplainedOneTapAway() {
        Page page = Shared.BROWSING.page(odile);
        page.navigate("/ceiling");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions()
                                .setName(say("ceiling.comfortableName"))
                                .setExact(true))
                .click();
        Locator meaning = page.getByText(say("term.comfortable"));
        com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat(meaning)
                .isVisible();
        page.keyboard().press("Escape");
        com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat(meaning)
                .isHidden();
        page.close();
    }

    private static long tested() {
        return list(api("/api/passages")).stream()
                .flatMap(passage -> list(passage.get("sections")).stream())
                .map(section -> section.get("id").getAsLong())
                .filter(id -> !api("/api/sections/" + id + "/ceiling")
                        .getAsJsonObject()
                        .getAsJsonArray("tests")
                        .isEmpty())
                .findFirst()
                .orElseThrow();
    }

    private static List<String> views() {
        JsonObject passage = list(api("/api/passages")).get(0);
        long section = passage.getAsJsonArray("sections")
                .get(0)
                .getAsJsonObject()
                .get("id")
                .getAsLong();
        long run = list(api("/api/log").getAsJsonObject().get("entries"))
                .get(0)
                .get("runId")
                .getAsLong();
        return List.of(
                "/",
                "/passages",
                "/passages/new",
                "/passages/" + passage.get("id").getAsLong(),
                "/passages/" + passage.get("id").getAsLong() + "/sheet",
                "/plan/" + section,
                "/ceiling/" + section,
                "/season",
                "/load",
                "/log",
                "/log/month",
                "/log/" + run,
                "/settings",
                "/counts",
                "/recording",
                "/learned",
                "/start");
    }

    @ParameterizedTest
    @MethodSource("views")
    void axeFindsNothingOnAnyViewAtAnySize(String view) {
        List<String> found = new ArrayList<>();
        Page page = Shared.BROWSING.page(odile);
        page.navigate(view);
        assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
        for (int[] size : SIZES) {
            page.setViewportSize(size[0], size[1]);
            found.addAll(found(page));
        }
        assertThat(found).isEmpty();
        assertThat(Shared.BROWSING.complaints()).isEmpty();
        page.close();
    }

    @Test
    void axeFindsNothingInAWorkout() {
        List<String> found = new ArrayList<>();
        Page page = Shared.BROWSING.page(odile);
        page.navigate("/");
        assertThat(page.getByText(say("today.leftToday"))).isVisible();
        page.keyboard().press("Space");
        page.waitForURL("**/run/*");
        assertThat(page.locator("[data-state=ready]")).isVisible();
        found.addAll(found(page));
        page.keyboard().press("?");
        assertThat(page.getByText(say("run.aPedalWorksAsThe"))).isVisible();
        found.addAll(found(page));
        page.keyboard().press("Escape");
        page.keyboard().press("x");
        assertThat(page.getByText(say("run.noGoOn"))).isVisible();
        found.addAll(found(page));
        page.keyboard().press("Escape");
        Musician musician = new Musician(page);
        musician.playToTheCue();
        for (int[] size : SIZES) {
            page.setViewportSize(size[0], size[1]);
            found.addAll(found(page));
        }
        musician.answer("k");
        musician.untilReady();
        // A rest is looked at for as long as it lasts for a musician.
        musician.at(1);
        page.keyboard().press("r");
        assertThat(page.locator("[data-state=rest]")).isVisible();
        found.addAll(found(page));
        page.keyboard().press("Escape");
        assertThat(page.getByText(say("run.paused"))).isVisible();
        found.addAll(found(page));
        page.getByText(say("run.endItHere")).click();
        assertThat(page.getByText(say("run.notesOnThisWorkout"))).isVisible();
        found.addAll(found(page));
        page.close();
        assertThat(found).isEmpty();
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/sign-in", "/register"})
    void axeFindsNothingBeforeSigningIn(String view) {
        Page stranger = Shared.BROWSING.page(Shared.BROWSING.somebody(demo));
        stranger.navigate(view);
        assertThat(stranger.getByLabel(say("welcome.password"))).isVisible();
        assertThat(found(stranger)).isEmpty();
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    /** What can be pressed and is smaller than a fingertip; a link within a sentence is as high as its line. */
    private static final String SMALL = """
            least => [...document.querySelectorAll('a[href], button, summary, select, input, textarea, [role=slider], [role=radio]')]
              .filter(one => one.getClientRects().length > 0 && !one.closest('.sr-only, p'))
              .map(one => [one, (one.closest('label') ?? one).getBoundingClientRect()])
              .filter(([, { width, height }]) => width < least || height < least)
              .map(([one, { width, height }]) =>
                `${one.getAttribute('aria-label') ?? one.textContent}: ${width.toFixed()} by ${height.toFixed()}`)""";

    private static final double FINGERTIP = 44 - 0.5;

    @Test
    void whateverIsPressedIsLargeEnoughForAFinger() {
        List<String> found = new ArrayList<>();
        Page page = Shared.BROWSING.page(Shared.BROWSING.onAPhone(demo, odile));
        for (String view : views()) {
            page.navigate(view);
            assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
            page.waitForLoadState(LoadState.NETWORKIDLE);
            ((List<?>) page.evaluate(SMALL, FINGERTIP)).forEach(one -> found.add(view + " " + one));
        }
        page.close();
        assertThat(found).isEmpty();
    }

    /** With words a third longer, as in other languages, no page is wider than its window, on a phone neither. */
    @Test
    void longerWordsFitEveryView() {
        List<String> found = new ArrayList<>();
        Page page = Shared.BROWSING.page(odile);
        page.route(
                "**/assets/en-*.json",
                route -> route.fulfill(new Route.FulfillOptions()
                        .setContentType("application/json")
                        .setBody(Words.marked(route.fetch().text()))));
        for (String view : views()) {
            page.navigate(view);
            assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
            assertThat(page.getByText("⟦").first()).isVisible();
            for (int width : List.of(390, 1024, 1280)) {
                page.setViewportSize(width, 800);
                if (!fits(page)) {
                    found.add(view + " at " + width + ": " + page.evaluate(WIDER));
                }
            }
            for (Object unmarked : (List<?>) page.evaluate(UNMARKED)) {
                found.add(view + " says " + unmarked);
            }
        }
        page.close();
        assertThat(found).isEmpty();
    }

    /** The letters, words and lines of whoever reads with more space between them. */
    private static final String SPACED = """
            () => {
              const spaced = new CSSStyleSheet();
              spaced.replaceSync(`* { letter-spacing: 0.12em !important; word-spacing: 0.16em !important; line-height: 1.5 !important }
                p { margin-bottom: 2em !important }`);
              document.adoptedStyleSheets = [...document.adoptedStyleSheets, spaced];
            }""";

    /** Text that its own box cuts off. */
    private static final String CUT = """
            () => [...document.querySelectorAll('body *')]
              .filter(one => !(one instanceof SVGElement) && one.clientWidth > 1 && one.getClientRects().length > 0)
              .filter(one => [...one.childNodes].some(part => part.nodeType === Node.TEXT_NODE && part.textContent.trim()))
              .filter(one => {
                const { overflowX, overflowY } = getComputedStyle(one);
                const cuts = overflow => overflow === 'hidden' || overflow === 'clip';
                return cuts(overflowX) && one.scrollWidth > one.clientWidth + 1
                  || cuts(overflowY) && one.scrollHeight > one.clientHeight + 1;
              })
              .map(one => one.textContent.slice(0, 60))""";

    @Test
    void moreSpaceBetweenLettersAndLinesCutsNothingOff() {
        List<String> found = new ArrayList<>();
        Page page = Shared.BROWSING.page(odile);
        for (String view : views()) {
            page.navigate(view);
            assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
            page.waitForLoadState(LoadState.NETWORKIDLE);
            page.evaluate(SPACED);
            for (int width : List.of(390, 1280)) {
                page.setViewportSize(width, 800);
                if (!fits(page)) {
                    found.add(view + " at " + width + ": " + page.evaluate(WIDER));
                }
                ((List<?>) page.evaluate(CUT)).forEach(one -> found.add(view + " at " + width + " cuts off: " + one));
            }
        }
        page.close();
        assertThat(found).isEmpty();
    }

    /** Whether a page fits its window, once its pictures have been drawn for the new width. */
    private static boolean fits(Page page) {
        try {
            page.waitForFunction(
                    "() => document.documentElement.scrollWidth <= document.documentElement.clientWidth",
                    null,
                    new Page.WaitForFunctionOptions().setTimeout(SETTLING_MS));
            return true;
        } catch (TimeoutError wider) {
            return false;
        }
    }

    private static final double SETTLING_MS = 10_000;

    /** The part that reaches farthest beyond the window, if any does; what scrolls by itself may. */
    private static final String WIDER = """
            () => {
              const width = document.documentElement.clientWidth;
              if (document.documentElement.scrollWidth <= width) return "";
              const far = [...document.querySelectorAll("main *")]
                .filter((one) => one.getBoundingClientRect().right > width + 1)
                .map((one) => one.tagName + " " + one.textContent.slice(0, 60));
              return far.at(-1) ?? "the page itself";
            }
            """;

    /** What stands beside a control, or heads a column, and did not come from the catalogue. */
    private static final String UNMARKED = """
            () => [...document.querySelectorAll("nav a, th[scope=col], legend, label > span:first-child")]
              .map((one) => one.textContent.trim())
              .filter((text) => /[A-Za-z]{3}/.test(text) && !text.includes("⟦"))
            """;

    /** What is wrong, alone, and in the page itself, since none has frames: that takes half the time. */
    private static AxeBuilder axe(Page page) {
        AxeRunOptions wrong = new AxeRunOptions();
        wrong.setResultTypes(List.of("violations"));
        return new AxeBuilder(page).options(wrong).setLegacyMode(true);
    }

    private static List<String> found(Page page) {
        return axe(page).analyze().getViolations().stream()
                .map(rule -> page.url() + ": " + rule.getId() + " "
                        + rule.getNodes().get(0).getHtml())
                .toList();
    }

    @Test
    void nothingIsWiderThanATabletOrAPhone() {
        Page page = Shared.BROWSING.page(odile);
        for (int width : new int[] {1024, 390}) {
            page.setViewportSize(width, width == 390 ? 844 : 768);
            for (String view : views()) {
                page.navigate(view);
                assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
                assertThat((Integer) page.evaluate("() => document.documentElement.scrollWidth"))
                        .as(view + " at " + width)
                        .isLessThanOrEqualTo(width);
            }
        }
        page.close();
    }
}

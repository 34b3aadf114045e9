package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A phone on a music stand: what a thumb needs, and what an ear and a finger find. */
class OnTheStandTest {

    private static final double LEAST = 44;

    private record Size(int width, int height) {}

    private static final List<Size> PHONES =
            List.of(new Size(360, 640), new Size(390, 844), new Size(640, 360), new Size(844, 390));

    private static Locator heading(Page page, String name) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void answersTensionAndSymptomAreInReachWithoutScrollingHoweverAPhoneIsHeld() {
        Musician odile = Shared.somebodyPlaying();
        odile.play();
        String ordinal = odile.ordinal();
        for (Size size : PHONES) {
            odile.page.setViewportSize(size.width(), size.height());
            Stream.of(
                            say("verdict.CLEAN"),
                            say("verdict.ROUGH"),
                            say("verdict.BROKE"),
                            say("run.loose"),
                            say("run.locked"),
                            say("run.symptomStop"))
                    .map(name -> odile.page.getByRole(
                            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name))))
                    .forEach(button -> {
                        BoundingBox box = button.boundingBox();
                        assertThat(box.height).as("%s at %s", button, size).isGreaterThanOrEqualTo(LEAST - 0.5);
                        assertThat(box.width).as("%s at %s", button, size).isGreaterThanOrEqualTo(LEAST - 0.5);
                        assertThat(box.y + box.height)
                                .as("%s at %s", button, size)
                                .isLessThanOrEqualTo(size.height());
                    });
            assertThat(odile.page.locator("kbd:visible")).hasCount(0);
            assertThat(odile.ordinal()).as("turning the phone changes nothing").isEqualTo(ordinal);
        }
    }

    private static final List<String> PAGES = List.of(
            "/",
            "/passages",
            "/passages/new",
            "/ceiling",
            "/season",
            "/load",
            "/log",
            "/log/month",
            "/counts",
            "/learned",
            "/recording",
            "/settings",
            "/start",
            "/nowhere");

    /** The narrowest phone, and a screen of 1280 by 800 on which everything is four times as large. */
    @ParameterizedTest
    @ValueSource(ints = {640, 200})
    void noPageIsWiderThanTheNarrowestPhone(int height) {
        Musician odile = Shared.somebodyPlaying();
        odile.page.setViewportSize(320, height);
        Stream.concat(Stream.of(odile.page.url(), "/plan/" + odile.firstSection()), PAGES.stream())
                .forEach(path -> {
                    odile.page.navigate(path);
                    assertThat(odile.page.getByRole(AriaRole.HEADING).first()).isVisible();
                    // Pictures are drawn anew for the width that they find.
                    odile.page.waitForFunction("() => document.documentElement.scrollWidth <= 320");
                });
    }

    @Test
    void thePlacesAreLargeEnoughForAThumb() {
        Musician odile = Shared.somebodyNew();
        odile.page.setViewportSize(320, 640);
        odile.page.navigate("/passages");
        Locator places = odile.page.getByRole(AriaRole.NAVIGATION).getByRole(AriaRole.LINK);
        assertThat(heading(odile.page, say("common.passages"))).isVisible();
        assertThat(places.all()).hasSizeGreaterThan(6).allSatisfy(place -> {
            assertThat(place.boundingBox().width).isGreaterThanOrEqualTo(LEAST - 0.5);
            assertThat(place.boundingBox().height).isGreaterThanOrEqualTo(LEAST - 0.5);
        });
    }

    @Test
    void theFocusGoesToTheHeadingOfThePageThatIsOpenedAndBackItIsWhereItWas() {
        Musician odile = Shared.somebodyNew();
        odile.page.setViewportSize(1024, 400);
        odile.page.navigate("/settings");
        assertThat(heading(odile.page, odile.name)).isVisible();
        odile.page.evaluate(
                "() => new Promise(done => { addEventListener('scrollend', () => setTimeout(done), { once: true }); scrollTo(0, 500); })");
        odile.page
                .getByRole(AriaRole.NAVIGATION)
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText(say("common.load")))
                .dispatchEvent("click");
        assertThat(odile.page.locator("h1:focus")).hasCount(1);
        assertThat((double) ((Number) odile.page.evaluate("() => scrollY")).doubleValue())
                .isZero();
        odile.page.goBack();
        assertThat(heading(odile.page, odile.name)).isVisible();
        odile.page.waitForFunction("() => scrollY === 500");
    }

    @Test
    void aWrongAddressIsSaid() {
        Musician odile = Shared.somebodyNew();
        assertThat(odile.page.navigate("/no/such/page").status()).isEqualTo(404);
        assertThat(heading(odile.page, say("common.thereIsNoSuchPage"))).isVisible();
        odile.page.navigate("/plan/abc");
        assertThat(heading(odile.page, say("common.thereIsNoSuchPage"))).isVisible();
        assertThat(odile.page.request().get("/api/nothing").headers().get("content-type"))
                .contains("json");
    }

    @Test
    void aPageThatIsOlderThanTheServerSaysSoOnceAndWorksOn() {
        Musician odile = Shared.somebodyNew();
        odile.page.route("**/api/**", OnTheStandTest::ofAnotherBuild);
        odile.page.navigate("/passages");
        assertThat(odile.page.getByText(say("offline.newer"))).isVisible();
        odile.button(say("offline.later")).click();
        assertThat(odile.page.getByText(say("offline.newer"))).isHidden();
        odile.page.navigate("/load");
        assertThat(odile.page.getByRole(AriaRole.HEADING).first()).isVisible();
        assertThat(odile.page.getByText(say("offline.newer"))).isHidden();
    }

    private static void ofAnotherBuild(Route route) {
        var answer = route.fetch();
        Map<String, String> headers = new HashMap<>(answer.headers());
        headers.put("tachylim-page", "index-newer.js");
        route.fulfill(new Route.FulfillOptions().setResponse(answer).setHeaders(headers));
    }

    @Test
    void theEndOfAPlanFollowsTheHandHoweverSlowlyItGoes() {
        Musician odile = Shared.somebodyPlaying();
        odile.endRun(odile.page.url().replaceAll(".*/run/", ""));
        odile.page.navigate("/");
        odile.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(say("today.changeThisPlan")))
                .click();
        Locator end = odile.page.getByRole(
                AriaRole.SLIDER,
                new Page.GetByRoleOptions().setName(say("plan.minutesLabel")).setExact(true));
        int before = Integer.parseInt(end.getAttribute("aria-valuenow"));
        BoundingBox box = end.boundingBox();
        double x = box.x + box.width / 2;
        double y = box.y + box.height / 2;
        odile.page.mouse().move(x, y);
        odile.page.mouse().down();
        for (int step = 1; step <= 200; step++) {
            odile.page.mouse().move(x - step, y);
        }
        odile.page.mouse().up();
        assertThat(Integer.parseInt(end.getAttribute("aria-valuenow"))).isLessThan(before - 2);
    }
}

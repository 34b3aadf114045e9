package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What happens on the page when something does not go as it should: nothing played is lost, and it is said. */
class FirmGroundTest {

    private static final String EVENTS = "**/api/runs/*/events";

    /** What becomes of the next answer that is sent. */
    private Consumer<Route> way = Route::resume;

    /**
     * Somebody whose answers go the {@link #way} of the test. It is there before the page is: a page that is open may send one
     * answer more past what is put in its way.
     */
    private Musician somebodyPlayingFast() {
        Musician odile = Shared.somebodyNew();
        odile.page.context().route(EVENTS, route -> way.accept(route));
        return odile.atTheFirstPass(Shared.SPEED);
    }

    private static Arguments trouble(String name, BiConsumer<Route, Integer> answer) {
        return Arguments.of(name, answer);
    }

    private static void fulfil(Route route, int status, String body) {
        route.fulfill(new Route.FulfillOptions()
                .setStatus(status)
                .setContentType("application/problem+json")
                .setBody(body));
    }

    static Stream<Arguments> troubles() {
        return Stream.of(
                trouble(
                        "a server error",
                        (route, n) -> fulfil(route, 500, "{\"status\":500,\"detail\":\"Something went wrong here.\"}")),
                trouble(
                        "too many requests",
                        (route, n) -> fulfil(route, 429, "{\"status\":429,\"detail\":\"Wait a moment.\"}")),
                trouble(
                        "a change at once",
                        (route, n) -> fulfil(
                                route, 409, "{\"status\":409,\"code\":\"changed\",\"detail\":\"Changed elsewhere.\"}")),
                trouble(
                        "no database",
                        (route, n) -> fulfil(
                                route, 503, "{\"status\":503,\"code\":\"database\",\"detail\":\"Not just now.\"}")),
                trouble(
                        "a success that says nothing",
                        (route, n) -> route.fulfill(
                                new Route.FulfillOptions().setStatus(200).setBody(""))),
                trouble(
                        "a no from a server that is behind",
                        (route, n) -> fulfil(
                                route,
                                409,
                                "{\"status\":409,\"code\":\"out-of-step\",\"detail\":\"Answered elsewhere.\"}")),
                trouble("no answer", (route, n) -> route.abort()));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("troubles")
    void anAnswerThatIsNotSettledIsSentAgainUntilItIs(String name, BiConsumer<Route, Integer> trouble) {
        Musician odile = somebodyPlayingFast();
        AtomicInteger tries = new AtomicInteger();
        way = route -> {
            if (route.request().method().equals("POST") && tries.incrementAndGet() <= 2) {
                trouble.accept(route, tries.get());
            } else {
                route.resume();
            }
        };
        odile.play();
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Warm-up 2 of 2")))
                .isVisible();
        odile.untilArrived();
        assertThat(tries.get()).isGreaterThanOrEqualTo(3);
        way = Route::resume;
        odile.playToTheCue();
        odile.page.keyboard().press("j");
        odile.untilTold("/api/log", "\"passes\":3,");
    }

    @Test
    void aTensionPutRightWhileItsAnswerIsOnItsWayArrives() {
        Musician odile = somebodyPlayingFast();
        odile.playToTheCue();
        AtomicInteger sent = new AtomicInteger();
        way = route -> {
            if (sent.incrementAndGet() == 1) {
                odile.page.keyboard().press("4");
            }
            route.resume();
        };
        odile.page.keyboard().press("k");
        odile.page.keyboard().press("j");
        assertThat(odile.page.getByText("tension 4")).isVisible();
        odile.untilTold("/api/log", "\"worstTension\":4");
    }

    @Test
    void aSymptomDoesNotWaitBehindAnAnswer() {
        Musician odile = somebodyPlayingFast();
        way = route -> {
            if (route.request().postData().contains("\"JUDGED\"")) {
                fulfil(route, 500, "{\"status\":500}");
            } else {
                route.resume();
            }
        };
        odile.playToTheCue();
        odile.page.keyboard().press("j");
        assertThat(odile.page.getByText("Your answer is saved").first()).isVisible();
        odile.page.keyboard().press("x");
        odile.button(say("run.yesStopForHours", "hours", 48)).click();
        assertThat(odile.page.getByText(say("run.stoppedForASymptom")).first()).isVisible();
        way = Route::resume;
        odile.page.navigate("/load");
        assertThat(odile.page.getByText(say("load.restingAfterASymptom"))).isVisible();
        odile.page.waitForFunction(
                "() => fetch('/api/log').then(r => r.text()).then(t => t.includes('\"passes\":3,'))");
    }

    @Test
    void whatWasLeftOnItsWayIsSentWhereverTheApplicationOpens() {
        Musician odile = somebodyPlayingFast();
        BrowserContext context = odile.page.context();
        odile.playToTheCue();
        way = Route::abort;
        odile.page.keyboard().press("k");
        odile.page.keyboard().press("j");
        assertThat(odile.page.getByText("Your answer is saved").first()).isVisible();
        odile.page.close();
        way = Route::resume;
        Page later = Shared.BROWSING.page(context);
        later.navigate("/settings");
        later.waitForFunction("() => fetch('/api/log').then(r => r.text()).then(t => t.includes('\"rough\":1,'))");
    }

    @Test
    void aBrowserThatKeepsNothingIsToldAndPlays() {
        Musician odile = new Musician(Shared.BROWSING.page(Shared.BROWSING.somebody(Shared.APP))).register();
        odile.page.addInitScript(
                "for (const name of ['localStorage', 'sessionStorage'])"
                        + " Object.defineProperty(window, name, { get() { throw new DOMException('denied', 'SecurityError'); } });");
        odile.page.navigate("/start");
        odile.firstWorkout();
        assertThat(odile.page.getByText("This browser stores nothing").first()).isVisible();
        odile.playAndAnswer("j");
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Warm-up 2 of 2")))
                .isVisible();
    }

    @Test
    void aFullStorageSwallowsNoAnswer() {
        Musician odile = Shared.somebodyPlaying();
        odile.page.evaluate(
                "() => { Storage.prototype.setItem = () => { throw new DOMException('full', 'QuotaExceededError'); }; }");
        odile.playAndAnswer("j");
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Warm-up 2 of 2")))
                .isVisible();
    }

    @Test
    void aPageThatCannotBeDrawnSaysSo() {
        // A page of its own, since what it complains about is on purpose.
        Page page = Shared.somebodyNew().page.context().newPage();
        page.route(
                "**/assets/Load-*.js",
                route -> route.fulfill(new Route.FulfillOptions()
                        .setStatus(200)
                        .setContentType("text/javascript")
                        .setBody("export default () => { throw new Error('broken'); };")));
        page.navigate("/load");
        assertThat(page.getByText(say("common.thisPageCouldNotBe"))).isVisible();
        page.getByText(say("common.toToday")).click();
        assertThat(page.getByText(say("today.nothingToPlayYet"))).isVisible();
    }

    @Test
    void aSymptomIsReportedFromAnyPageAndCanBeTakenBack() {
        Musician odile = Shared.somebodyNew();
        odile.page.navigate("/log");
        odile.button(say("symptom.symptom")).click();
        odile.button(say("symptom.yesRestForHours", "hours", 48)).click();
        assertThat(odile.page
                        .getByText(say("symptom.keptNoPlayingForHours", "hours", 48))
                        .first())
                .isVisible();
        odile.page.navigate("/load");
        assertThat(odile.page.getByText(say("load.restingAfterASymptom"))).isVisible();
        odile.button(say("symptom.madeByMistake")).click();
        odile.button(say("symptom.itWasAMistake")).click();
        assertThat(odile.page.getByText("withdrawn")).isVisible();
        assertThat(odile.page.getByText(say("load.restingAfterASymptom"))).isHidden();
    }

    @Test
    void whatIsPlayedAlongOnThePracticeSheetCountsAndIsClosedInTheRest() {
        Musician odile = Shared.somebodyNew();
        odile.page.navigate("/passages/new");
        odile.page.getByLabel(say("first.title")).fill("Nine Lanterns");
        odile.page
                .getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(say("sheet.notesLabel")))
                .fill("L:1/8\nM:2/4\nK:C\nCDEF GABc");
        odile.page.getByText(say("sheet.savePassage")).click();
        odile.page.getByLabel("I play along").first().check();
        odile.page.getByLabel(say("sheet.tempoToHearItAt")).first().fill("300");
        odile.button(say("sheet.hear", "label", "the passage")).click();
        odile.page.waitForFunction(
                "() => fetch('/api/load').then(r => r.json()).then(l => l.days.length === 1 && l.days[0].playedSeconds > 0)");
        odile.button(say("symptom.symptom")).click();
        odile.button(say("symptom.yesRestForHours", "hours", 48)).click();
        odile.page.getByText(say("today.noPlayingForNow")).waitFor();
        odile.page.goBack();
        assertThat(odile.page.getByLabel("I play along").first()).isDisabled();
        assertThat(odile.page.getByText("don’t play until").first()).isVisible();
    }

    @Test
    void anotherZoneIsOfferedAndNeverAssumed() {
        Musician odile = Shared.somebodyNew();
        String home = odile.api("/api/greeting").replaceAll(".*\"zone\":\"([^\"]+)\".*", "$1");
        Page elsewhere = Shared.BROWSING.page(Shared.BROWSING.in("Pacific/Kiritimati", odile.page.context()));
        elsewhere.navigate("/");
        Locator offer = elsewhere.getByText("This browser is in Kiritimati");
        assertThat(offer).isVisible();
        assertThat(odile.api("/api/greeting"))
                .contains("\"zone\":\"" + home + "\"")
                .contains("\"movingTo\":null");
        elsewhere.getByText(say("settings.iLiveHereNow")).click();
        assertThat(offer).isHidden();
        assertThat(odile.api("/api/greeting")).contains("\"movingTo\":\"Pacific/Kiritimati\"");
    }
}

package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Duration;
import java.util.List;
import java.util.regex.Pattern;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A phone in a cellar: the application opens, and what was seen can be read. */
@ExtendWith(LeaveWithTheTest.class)
class OfflineTest {

    private static final Pattern CUT_OFF = Pattern.compile("No connection to Tachylim since");

    /** Waits until this browser keeps the application, and what was asked for at such an address. */
    static void settled(Page page, String asked) {
        Awaitility.await()
                .atMost(Duration.ofMillis((long) Shared.PATIENCE_MS))
                .pollInSameThread()
                .pollInterval(Duration.ofMillis(50))
                .until(() -> (boolean) page.evaluate("""
                        async asked => !!navigator.serviceWorker.controller
                          && (await (await caches.open('tachylim-seen')).keys()).some(({ url }) => url.includes(asked))""", asked));
    }

    private static Musician somebodyInstalled() {
        BrowserContext context = Shared.BROWSING.installed(Shared.APP, 1280, 800);
        return new Musician(Shared.BROWSING.page(context));
    }

    @Test
    void itOpensWithoutANetworkWithWhatWasSeenLast() {
        Musician odile = somebodyInstalled().registered();
        odile.page.navigate("/passages");
        settled(odile.page, "/api/passages");
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

    @Test
    void todaysWorkoutIsBegunPlayedAndReloadedWithoutANetworkAndArrivesWhole() {
        Musician odile = somebodyInstalled().registered();
        odile.atTheFirstPass(Shared.SPEED);
        odile.endRun(odile.page.url().replaceAll(".*/run/", ""));
        odile.page.waitForResponse("**/api/packed", () -> odile.page.navigate("/"));
        settled(odile.page, "/api/today?easy=false");
        BrowserContext context = odile.page.context();
        context.setOffline(true);
        odile.page.reload();
        assertThat(odile.page.getByText(CUT_OFF)).isVisible();
        odile.page
                .getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + say("today.begin"))))
                .click();
        odile.page.waitForURL("**/run/packed-*");
        odile.playAndAnswer("j");
        odile.untilReady();
        odile.playAndAnswer("k");
        odile.untilReady();
        String before = odile.stage().getAttribute("data-ordinal");
        odile.page.reload();
        odile.untilReady();
        assertThat(odile.stage()).hasAttribute("data-ordinal", before);
        odile.playCleanlyToTheEnd();
        assertThat(odile.page.getByText(say("run.whatMovedIsSaidAs"))).isVisible();
        List<String> answers = odile.unsent();
        odile.page.reload();
        assertThat(odile.page.getByText(say("run.whatMovedIsSaidAs"))).isVisible();
        context.setOffline(false);
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(say("run.whatMoved"))))
                .isVisible();
        String run = Shared.APP.ask("select max(id) from run where account_id = (select id from account where name = '"
                + odile.name + "')");
        String kept = odile.api("/api/runs/" + run + "/events");
        assertThat(answers).isNotEmpty().allSatisfy(one -> assertThat(kept).contains(one));
        assertThat(Shared.APP.ask("select outcome from run where id = " + run)).isEqualTo("PLAYED");
    }

    /** Played in a cellar and put away: the browser sends it once there is a network, though no page of it is open. */
    @Test
    void whatWaitsIsSentThoughNoPageIsOpen() {
        Musician odile = somebodyInstalled().registered();
        odile.page.navigate("/");
        settled(odile.page, "/api/today?easy=false");
        odile.atTheFirstPass(Shared.SPEED);
        String run = odile.page.url().replaceAll(".*/run/", "");
        assertThat(odile.stage()).hasAttribute("data-carried", "true");
        BrowserContext context = odile.page.context();
        context.setOffline(true);
        odile.playAndAnswer("j");
        odile.untilReady();
        List<String> answers = odile.unsent();
        Page other = Shared.BROWSING.page(context);
        other.navigate("/favicon.svg");
        odile.page.close();
        context.setOffline(false);
        CDPSession session = context.newCDPSession(other);
        session.on("ServiceWorker.workerRegistrationUpdated", told -> {
            for (JsonElement one : told.getAsJsonArray("registrations")) {
                JsonObject sync = new JsonObject();
                sync.addProperty("origin", Shared.APP.base());
                sync.add("registrationId", one.getAsJsonObject().get("registrationId"));
                sync.addProperty("tag", "tachylim-outbox");
                sync.addProperty("lastChance", false);
                session.send("ServiceWorker.dispatchSyncEvent", sync);
            }
        });
        session.send("ServiceWorker.enable");
        Musician later = new Musician(other);
        Awaitility.await()
                .atMost(Duration.ofMillis((long) Shared.PATIENCE_MS))
                .pollInSameThread()
                .until(() -> later.unsent().isEmpty());
        String kept = later.api("/api/runs/" + run + "/events");
        assertThat(answers).isNotEmpty().allSatisfy(one -> assertThat(kept).contains(one));
    }
}

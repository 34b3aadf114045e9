package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.time.Duration;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The whole story, as somebody new lives it, and what goes wrong in the middle of it. */
class StoryTest {

    private static final int SLOW = 4;

    private static double ceilingIn(String json) {
        var matcher = Pattern.compile("\"ceiling\":\\{\"low\":[\\d.]+,\"middle\":([\\d.]+)")
                .matcher(json);
        assertThat(matcher.find()).isTrue();
        return Double.parseDouble(matcher.group(1));
    }

    /** Two minutes are counted in moves, of which the slowest beginner makes one in ten seconds. */
    @Test
    void theFirstClickIsThreeStepsAndUnderTwoMinutesAway() {
        Musician odile = Shared.stranger().register().firstWorkout();
        odile.page.keyboard().press("Space");
        odile.page.waitForFunction(
                "() => ['playing', 'judge'].includes(document.querySelector('[data-state]').dataset.state)");
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Warm-up 1 of 2")))
                .isVisible();
        Duration slowest = Duration.ofSeconds(10).multipliedBy(odile.moves() + 1);
        assertThat(slowest).isLessThan(Duration.ofMinutes(2));
    }

    @Test
    void typeAPassagePlanItPlayItLoseTheServerAndSeeWhatChanged() {
        Musician odile = Shared.somebodyNew();
        Page page = odile.page;
        typeAPassage(page);
        cutIntoBars(page);
        plan(page);
        String section = page.url().replaceAll(".*/plan/", "");
        double before = ceilingIn(odile.api("/api/sections/" + section + "/ceiling"));

        odile.button(say("plan.beginThisWorkout")).click();
        page.waitForURL(Pattern.compile(".*/run/\\d+"));
        for (int pass = 0; pass < 4; pass++) {
            odile.playAndAnswer("j");
        }
        loseTheServerInMidPass(odile);
        odile.hurry().playCleanlyToTheEnd();

        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(say("run.played"))))
                .isVisible();
        page.getByLabel(say("run.notesOnThisWorkout")).fill("The turn in bar 1 wants the outside mallet.");
        odile.button(say("run.saveNote")).click();
        assertThat(page.getByText(say("run.noteSaved")).first()).isVisible();
        seeWhatChanged(odile, section, before);
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    private static Locator notes(Page page) {
        return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(say("sheet.notesLabel")));
    }

    private static void typeAPassage(Page page) {
        page.navigate("/passages/new");
        page.getByLabel(say("first.title")).fill("Kestrel Weather");
        page.getByLabel(say("first.targetTempo")).fill("138");
        notes(page).fill("M:4/4\nL:1/16\nK:F\nDFAG FECD FGAc _BA/0G");
        assertThat(page.getByText("Line 4, column 21, at “G”")).isVisible();
        notes(page).fill("M:4/4\nL:1/16\nK:F\nDFAG FECD FGAc _BAGF | EDCD FDA,D CDEF GAGE | D4");
        assertThat(page.getByText("33 notes · 3 bars")).isVisible();
        assertThat(page.locator("svg .abcjs-note").first()).isVisible();
        page.getByLabel(say("sheet.cleanAt"), new Page.GetByLabelOptions().setExact(true))
                .fill("112");
        page.getByText(say("sheet.savePassage")).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Kestrel Weather")))
                .isVisible();
    }

    private static void cutIntoBars(Page page) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(say("sheet.sections")))
                .click();
        page.getByText(say("sheet.cut"), new Page.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByText("2 sections")).isVisible();
        page.getByLabel("Difficulty of bar 2").selectOption("5");
        assertThat(page.getByLabel("Difficulty of bar 2")).hasValue("5");
    }

    private static void plan(Page page) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Plan bar 1"))
                .click();
        page.getByRole(
                        AriaRole.SPINBUTTON,
                        new Page.GetByRoleOptions()
                                .setName(say("plan.minutesLabel"))
                                .setExact(true))
                .fill("10");
        assertThat(page.getByText("on top of the 10 minutes")).isVisible();
        assertThat(page.getByText("a climb and its probes come first").first()).isVisible();
    }

    private static void loseTheServerInMidPass(Musician odile) {
        odile.playToTheCue();
        Shared.APP.kill();
        odile.page.keyboard().press("j");
        assertThat(odile.page.getByText("Your answer is saved here")).isVisible();
        Shared.APP.launch();
        assertThat(odile.page.getByText("No connection.")).isHidden();
        odile.untilReady();
        odile.page.reload();
        odile.untilReady();
        String run = odile.page.url().replaceAll(".*/run/", "");
        assertThat(odile.api("/api/log/" + run)).containsPattern("\"passes\":[1-9]");
    }

    private static void seeWhatChanged(Musician odile, String section, double before) {
        Page page = odile.page;
        assertThat(ceilingIn(odile.api("/api/sections/" + section + "/ceiling")))
                .isGreaterThan(before);
        page.navigate("/ceiling/" + section);
        assertThat(page.getByRole(
                        AriaRole.HEADING, new Page.GetByRoleOptions().setName(say("ceiling.howOftenItIsClean"))))
                .isVisible();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText(Pattern.compile("Clean up to \\d+|Too few passes yet; about \\d+"));
        page.navigate("/load");
        assertThat(page.getByText("effort minutes left")).isVisible();
        page.navigate("/log");
        assertThat(page.getByText("The turn in bar 1 wants the outside mallet."))
                .isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Kestrel Weather, bar 1"))
                .click();
        assertThat(page.getByText("Filled: played. Dashed: planned.")).isVisible();
    }

    @Test
    void aReloadInARestTakesNothingAwayAndSendsNothingTwice() {
        Musician odile = Shared.somebodyPlaying();
        // A pass and a rest that last long enough for a hand on a busy machine.
        odile.at(SLOW);
        odile.page.keyboard().press("Space");
        assertThat(odile.stage()).hasAttribute("data-state", "playing");
        odile.page.keyboard().press("l");
        odile.untilReady();
        odile.page.keyboard().press("r");
        assertThat(odile.stage()).hasAttribute("data-state", "rest");
        odile.page
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(say("run.itBrokeGoingToNote", "at", 3)))
                .first()
                .click();
        assertThat(odile.page.getByText(say("run.notedItBrokeGoingTo", "at", 3)))
                .isVisible();
        odile.hurry();
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Warm-up 2 of 2")))
                .isVisible();
        odile.page.keyboard().press("3");
        odile.playToTheCue();
        odile.page.keyboard().press("3");
        odile.page.keyboard().press("k");
        odile.page.keyboard().press("j");
        String run = odile.page.url().replaceAll(".*/run/", "");
        odile.untilTold("/api/log/" + run, "\"passes\":4,", "\"broke\":1,", "\"rough\":1,", "\"worstTension\":3");
    }

    @Test
    void anAnswerGivenWithoutANetworkArrivesWhenItIsBack() {
        // At its own tempo: a pass of the warm-up that is over goes on by itself, and is answered by nobody.
        Musician odile = Shared.somebodyNew().atTheFirstPass(1);
        BrowserContext context = odile.page.context();
        odile.page.keyboard().press("Space");
        odile.page.waitForFunction(
                "() => ['playing', 'judge'].includes(document.querySelector('[data-state]').dataset.state)");
        context.setOffline(true);
        odile.page.keyboard().press("l");
        assertThat(odile.page.getByText("Your answer is saved here")).isVisible();
        context.setOffline(false);
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Warm-up 2 of 2")))
                .isVisible();
        assertThat(odile.page.getByText("Last: broke down at 46")).isVisible();
    }

    /** The page carries the core: begun once, a workout needs nobody else, and what was answered arrives once and in order. */
    @Test
    void aWorkoutGoesOnToItsEndWithoutANetwork() {
        Musician odile = Shared.somebodyPlayingFast();
        odile.playAndAnswer("j");
        assertThat(odile.stage()).hasAttribute("data-carried", "true");
        String run = odile.page.url().replaceAll(".*/run/", "");
        BrowserContext context = odile.page.context();
        context.setOffline(true);
        odile.playToTheEnd();
        assertThat(odile.page.getByText(say("run.notesOnThisWorkout"))).isVisible();
        context.setOffline(false);
        odile.untilTold("/api/log/" + run, "\"outcome\":\"PLAYED\"");
        odile.untilTold("/api/runs/" + run + "?holder=" + java.util.UUID.randomUUID(), "\"ended\":\"PLAYED\"");
    }

    /** Played in a cellar and the tab closed there: another one sends it from whatever page it opens at, and says so until it has. */
    @Test
    void whatWasPlayedWithoutANetworkIsSentThoughItsTabIsClosed() {
        Musician odile = Shared.somebodyPlayingFast();
        odile.playAndAnswer("j");
        assertThat(odile.stage()).hasAttribute("data-carried", "true");
        String run = odile.page.url().replaceAll(".*/run/", "");
        BrowserContext context = odile.page.context();
        Page today = Shared.BROWSING.page(context);
        today.navigate(Shared.APP.base() + "/log");
        assertThat(today.getByRole(AriaRole.HEADING).first()).isVisible();
        context.setOffline(true);
        odile.playAndAnswer("j");
        odile.untilReady();
        odile.playAndAnswer("k");
        odile.untilReady();
        List<String> answers = odile.unsent();
        odile.page.close();
        int waiting = answers.size();
        assertThat(waiting).isGreaterThanOrEqualTo(2);
        assertThat(today.getByText(Pattern.compile("Waiting to be sent: " + waiting + "\\.")))
                .isVisible();
        context.setOffline(false);
        assertThat(today.getByText(Pattern.compile("Waiting to be sent"))).isHidden();
        String kept = new Musician(today).api("/api/runs/" + run + "/events");
        assertThat(answers).allSatisfy(one -> assertThat(kept).contains(one));
    }

    @Test
    void whoSignsOutWhileSomethingWaitsIsAskedFirst() {
        Musician odile = Shared.somebodyNew();
        odile.page.route("**/api/symptoms", Route::abort);
        odile.page.navigate("/log");
        odile.button(say("symptom.symptom")).click();
        odile.page
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Yes")))
                .click();
        odile.page.navigate("/settings");
        assertThat(odile.page.getByText("Waiting to be sent: 1.")).isVisible();
        odile.button(say("settings.signOut")).click();
        assertThat(odile.page.getByText("One answer waits to be sent.")).isVisible();
        odile.button(say("settings.stay")).click();
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(odile.name)))
                .isVisible();
        odile.button(say("settings.signOut")).click();
        odile.button(say("settings.signOutAllTheSame")).click();
        assertThat(odile.button(say("welcome.signIn"))).isVisible();
    }

    /** Three pedals, as page turners send them. */
    @Test
    void aWorkoutIsPlayedWithThreePedals() {
        Musician odile = Shared.somebodyPlayingFast();
        odile.playWithPedals();
        assertThat(odile.page.getByText(say("run.notesOnThisWorkout"))).isVisible();
    }

    @Test
    void aSecondWindowIsToldAndMayTakeOver() {
        Musician odile = Shared.somebodyPlaying();
        Page second = Shared.BROWSING.page(odile.page.context());
        second.navigate(odile.page.url());
        assertThat(second.getByText(say("run.thisWorkoutGoesOnIn"))).isVisible();
        second.getByText(say("run.takeOverHere")).click();
        assertThat(second.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Warm-up 1 of 2")))
                .isVisible();
        odile.page.keyboard().press("Space");
        assertThat(odile.page.getByText(say("run.thisWorkoutGoesOnIn"))).isVisible();
    }

    @Test
    void aSymptomStopsPlayingAtOnceAndForTwoDays() {
        Musician odile = Shared.somebodyPlaying();
        odile.page.keyboard().press("Space");
        odile.page.keyboard().press("x");
        assertThat(odile.page.getByText(say("run.stoppedPainNumbnessOrTingling")))
                .isVisible();
        odile.button(say("run.yesStopForHours", "hours", 48)).click();
        assertThat(odile.page.getByText(say("run.stoppedForASymptom")).first()).isVisible();
        odile.page.getByText(say("common.toToday")).click();
        assertThat(odile.page.getByText(say("today.noPlayingForNow"))).isVisible();
        assertThat(odile.page.getByText("see a doctor").first()).isVisible();
    }

    @Test
    void theTitleIsTextWhateverIsInIt() {
        Musician odile = Shared.somebodyNew();
        odile.page.navigate("/passages/new");
        odile.page.getByLabel(say("first.title")).fill("<img src=x onerror=alert(1)> דף 🎵");
        notes(odile.page).fill("K:C\nCDEF");
        odile.page.getByText(say("sheet.savePassage")).click();
        assertThat(odile.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("<img src=x onerror=alert(1)> דף 🎵");
        assertThat(odile.page.locator("main img").count()).isZero();
    }

    @Test
    void anAccountCanBeLeftAndDeleted() {
        Musician odile = Shared.somebodyNew();
        odile.page.navigate("/settings");
        odile.button(say("settings.signOut")).click();
        assertThat(odile.page.getByText(say("welcome.iAmNewHere"))).isVisible();
        odile.page.getByLabel(say("welcome.name")).fill(odile.name);
        odile.page.getByLabel(say("welcome.password")).fill(Musician.PASSWORD);
        odile.button(say("welcome.signIn")).click();
        odile.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(odile.name))
                .click();
        odile.button(say("settings.deleteEverything")).click();
        odile.page.getByLabel(say("settings.yourPassword")).fill(Musician.PASSWORD);
        odile.button(say("settings.deleteEverything")).last().click();
        assertThat(odile.page.getByText(say("welcome.iAmNewHere"))).isVisible();
    }
}

package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.regex.Pattern;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;

/** The weeks ahead, and what is kept of those behind: moved, put right, taken along. */
class SeasonTest {

    private final Musician odile = Shared.somebodyNew();
    private final Page page = odile.page;

    private Locator day(int ahead) {
        return page.getByRole(AriaRole.OPTION).nth(ahead);
    }

    private Locator answer() {
        return page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText(say("sheet.ofLabel")));
    }

    private Locator section(String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name));
    }

    /** A workout that is begun, played a little and ended. */
    private void somePractice() {
        odile.atTheFirstPass(Shared.SPEED);
        for (int pass = 0; pass < 3; pass++) {
            odile.playAndAnswer("j");
        }
        odile.untilReady();
        page.keyboard().press("Escape");
        odile.button(say("run.endItHere")).click();
        assertThat(page.getByText(say("run.notesOnThisWorkout"))).isVisible();
        odile.untilArrived();
    }

    @Test
    void aDayIsMovedByKeysAndByDraggingAndSaysWhatThatDoes() {
        somePractice();
        page.navigate("/season");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText(Pattern.compile("weeks|ready|early|course"));
        day(1).focus();
        page.keyboard().press("Shift+ArrowRight");
        assertThat(answer()).containsText(say("season.offMark"));
        assertThat(day(1)).hasAttribute("aria-label", Pattern.compile(".*day off.*"));
        assertThat(day(2)).hasAttribute("aria-selected", "true");
        BoundingBox from = day(4).boundingBox();
        BoundingBox to = day(6).boundingBox();
        page.mouse().move(from.x + from.width / 2, from.y + from.height - 80);
        page.mouse().down();
        page.mouse()
                .move(
                        to.x + to.width / 2,
                        to.y + to.height - 80,
                        new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(day(4)).hasAttribute("aria-label", Pattern.compile(".*day off.*"));
        day(4).focus();
        odile.button(say("season.asUsual")).click();
        assertThat(day(4)).not().hasAttribute("aria-label", Pattern.compile(".*day off.*"));
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    @Test
    void aPerformanceBringsATaperAndADayOffItsWords() {
        somePractice();
        page.navigate("/season");
        page.getByLabel(say("welcome.name")).fill("Recital at Lantern Quay");
        String soon = odile.api("/api/season").replaceAll("(?s).*\"today\":\"([^\"]+)\".*", "$1");
        String date = java.time.LocalDate.parse(soon).plusDays(9).toString();
        page.getByLabel(say("season.day"), new Page.GetByLabelOptions().setExact(true))
                .fill(date);
        odile.button(say("season.addIt")).click();
        assertThat(section("Performances")).containsText("Recital at Lantern Quay");
        day(9).focus();
        assertThat(section("The chosen day")).containsText("Recital at Lantern Quay");
        assertThat(section("The chosen day")).containsText("Before a performance");
        String weekday = java.time.LocalDate.parse(soon)
                .getDayOfWeek()
                .getDisplayName(java.time.format.TextStyle.SHORT, java.util.Locale.UK);
        section("Days off")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(weekday))
                .click();
        assertThat(day(0)).hasAttribute("aria-label", Pattern.compile(".*day off.*"));
        odile.button(say("season.openAnAddress")).click();
        String address = page.getByLabel(say("season.theAddressShownThisOnce")).inputValue();
        assertThat(page.request().get(address).text()).startsWith("BEGIN:VCALENDAR");
        odile.button(say("season.closeIt")).click();
        assertThat(odile.button(say("season.openAnAddress"))).isVisible();
        assertThat(page.request().get(address).status()).isEqualTo(404);
    }

    @Test
    void whatMattersIsKeptAndWhatWasLearnedIsLookedAt() {
        somePractice();
        page.navigate("/season");
        Locator matters = page.getByLabel(Pattern.compile("How much .* matters"));
        matters.selectOption("MOST");
        assertThat(matters).isEnabled();
        page.reload();
        assertThat(matters).hasValue("MOST");
        page.navigate("/ceiling");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(say("learned.title")))
                .click();
        assertThat(page).hasURL(Pattern.compile(".*/learned$"));
        assertThat(page.getByText(say("learned.GAIN.usual", "from", 1))).isVisible();
        // What is only usual has nothing to be forgotten.
        assertThat(page.getByText(say("learned.TIRING.usual"))).isVisible();
        assertThat(page.getByText(say("learned.forget"))).hasCount(0);
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    @Test
    void whatWasSaidIsPutRightAndPracticeAwayIsPutDown() {
        somePractice();
        page.navigate("/log");
        page.getByLabel(say("log.wordsInNotesFocusOr")).fill("nothing is like this");
        assertThat(page.getByText(say("log.noWorkoutIsLikeThat"))).isVisible();
        page.getByLabel(say("log.wordsInNotesFocusOr")).fill("");
        page.locator("a[href^='/log/']:not([href='/log/month'])").first().click();
        page.getByText(Pattern.compile("answer by answer")).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Correct pass \\d+")))
                .last()
                .click();
        odile.button(say("log.withdraw")).click();
        assertThat(page.getByText("corrected").last()).isVisible();
        page.navigate("/log/month");
        page.getByLabel(say("plan.minutesLabel")).fill("25");
        page.getByLabel(say("log.note")).fill("scales by the window");
        odile.button(say("log.logIt")).click();
        assertThat(section("Away from the app")).containsText("scales by the window");
        page.navigate("/");
        assertThat(page.getByText(say("since.played", "days", 0)).first()).isVisible();
    }

    private static String unpacked(byte[] file) throws IOException {
        return new String(new GZIPInputStream(new ByteArrayInputStream(file)).readAllBytes(), StandardCharsets.UTF_8);
    }

    @Test
    void allOfAnAccountIsTakenAlongIntoAnEmptyOne() throws IOException {
        somePractice();
        page.navigate("/settings");
        Download taken = page.waitForDownload(
                () -> page.getByText(say("settings.allOfItInOne")).click());
        byte[] file = Files.readAllBytes(taken.path());
        Musician other = Shared.somebodyNew();
        other.page.navigate("/settings");
        other.page
                .getByLabel(say("settings.theFileOfAnAccount"))
                .setInputFiles(new FilePayload("tachylim.json.gz", "application/gzip", file));
        assertThat(other.page
                        .getByText(say("settings.passagesHereNowWorkouts", "passages", 1, "sessions", 1))
                        .first())
                .isVisible();
        assertThat(unpacked(other.page.request().get("/api/exports/account").body()))
                .isEqualTo(unpacked(file));
        other.page.navigate("/log");
        assertThat(other.page.locator("a[href^='/log/']:not([href='/log/month'])"))
                .hasCount(1);
    }

    @Test
    void aNotebookIsLookedAtBeforeAnyOfItIsKept() {
        page.navigate("/settings");
        Locator file = page.getByLabel(say("settings.aCsvOfPractice"));
        file.setInputFiles(csv("date,minutes\n2026-13-40,20\n2026-03-02,-1\n"));
        assertThat(page.getByText(say("settings.ofRowsCannotBeRead", "problems", 2, "rows", 2)))
                .isVisible();
        assertThat(page.getByText("Row 2, date: Give a day such as 2026-03-02."))
                .isVisible();
        file.setInputFiles(csv("date,minutes,note\n2026-03-02,20,scales\n2026-03-03,15,\n"));
        odile.button(say("settings.takeOver", "rows", 2)).click();
        assertThat(page.getByText(say("settings.entriesTakenOver", "kept", 2)).first())
                .isVisible();
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }

    private static FilePayload csv(String text) {
        return new FilePayload("notebook.csv", "text/csv", text.getBytes(StandardCharsets.UTF_8));
    }
}

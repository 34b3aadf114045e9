package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The practice sheet after the notes are on it: sections, joins, drills, articulations and cells of one's own, and files of other programs. */
class PracticeSheetWorkTest {

    private static final String ABC =
            "M:4/4\nL:1/16\nK:F\nDFAG FECD FGAc BAGF|EDCD FDCD CDEF GAGE|FAcA BcAG AGFG ABcA|D16|]";

    private Page page;

    @BeforeEach
    void aPassageOnThePracticeSheet() {
        page = Shared.somebodyNew().page;
        page.navigate("/passages/new");
        page.getByLabel(say("first.title")).fill("Kiln Road");
        page.getByLabel(say("sheet.notesLabel"), new Page.GetByLabelOptions().setExact(true))
                .fill(ABC);
        page.getByLabel(say("first.targetTempo")).fill("126");
        button(say("sheet.savePassage")).click();
        assertThat(heading("Kiln Road")).isVisible();
        assertThat(page.locator("path[data-transition]").first()).isAttached();
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private Locator heading(String name) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
    }

    private void tab(String name) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)).click();
    }

    @Test
    void sectionsAreNamedAndRatedAndPutTogetherHardestFirst() {
        tab(say("sheet.sections"));
        page.getByLabel(say("sheet.howMany")).fill("1");
        button(say("sheet.cut")).click();
        assertThat(page.getByText("3 sections")).isVisible();
        page.getByLabel("Name of bar 3").fill("the turn");
        page.getByLabel("Difficulty of bar 3").focus();
        assertThat(page.getByLabel("Name of the turn")).isVisible();
        page.getByLabel("Difficulty of the turn").selectOption("5");
        page.getByLabel(say("sheet.orderOfTheSections")).selectOption(new SelectOption().setLabel("hardest first"));
        Locator together = page.getByLabel(say("sheet.puttingTogether"));
        assertThat(together.getByText(Pattern.compile("the turn, then"))).isVisible();
        together.getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions().setHasText("Practise"))
                .first()
                .click();
        page.waitForURL(Pattern.compile(".*/plan/\\d+"));
        assertThat(page.getByText(Pattern.compile("Still open before speed")).first())
                .isVisible();
    }

    @Test
    void articulationsAreAddedMovedAndChosen() {
        tab(say("sheet.articulations"));
        page.getByLabel(say("sheet.anotherArticulation")).fill("paired strokes");
        button(say("plan.putItIn")).click();
        assertThat(page.getByLabel(say("sheet.articulations"))
                        .getByRole(AriaRole.LISTITEM)
                        .last())
                .containsText("paired strokes");
        button("Move paired strokes up").click();
        assertThat(page.getByLabel(say("sheet.articulations"))
                        .getByRole(AriaRole.LISTITEM)
                        .last())
                .not()
                .containsText("paired strokes");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("paired strokes"))
                .click();
        assertThat(page.getByText(say("sheet.wantedAtSpeed"), new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.reload();
        tab(say("sheet.articulations"));
        assertThat(page.getByRole(
                        AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^paired strokes"))))
                .isChecked();
    }

    @Test
    void aCellIsTappedAndOneThatCannotBeIsRefused() {
        button(say("sheet.tapIt")).focus();
        tapAfter(0, 0.5, 0.75, 1);
        button(say("sheet.done")).click();
        assertThat(page.getByLabel(say("sheet.weightsOfYourCell"))).hasValue("2-1-1");
        page.getByLabel(say("sheet.weightsOfYourCell")).fill("2-0-1");
        button(say("sheet.showIt")).click();
        assertThat(page.getByText(Pattern.compile("A length lies between"))).isVisible();
        page.getByLabel(say("sheet.weightsOfYourCell")).fill("3, 1, 2");
        button(say("sheet.showIt")).click();
        assertThat(heading(say("variation.ownCell", "cell", "3-1-2", "stretched", "false")))
                .isVisible();
    }

    /** Taps at so many seconds, whenever the machine gets to them. */
    private void tapAfter(double... seconds) {
        CDPSession keys = page.context().newCDPSession(page);
        double began = System.currentTimeMillis() / 1e3;
        for (double after : seconds) {
            for (String type : List.of("keyDown", "keyUp")) {
                JsonObject key = new JsonObject();
                key.addProperty("type", type);
                key.addProperty("key", " ");
                key.addProperty("code", "Space");
                key.addProperty("timestamp", began + after);
                keys.send("Input.dispatchKeyEvent", key);
            }
        }
    }

    @Test
    void theNotesAroundALinkAreHeardAndDrilled() {
        page.locator("path[data-transition='20'][stroke=transparent]").first().dispatchEvent("click");
        Locator transition = page.getByLabel("Transition 21 to 22");
        assertThat(transition.getByRole(AriaRole.LISTITEM)).hasCount(4);
        transition
                .getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions().setHasText(say("sheet.hearWindow")))
                .first()
                .click();
        page.waitForFunction(
                "() => document.querySelectorAll('section[aria-label=\"Transition 21 to 22\"] button').length > 0");
        assertThat(transition
                        .getByRole(AriaRole.BUTTON)
                        .filter(new Locator.FilterOptions().setHasText(say("sheet.stop")))
                        .first())
                .isVisible();
        transition
                .getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions().setHasText("Drill 4 notes"))
                .click();
        page.waitForURL(Pattern.compile(".*/plan/\\d+"));
        assertThat(page.getByText(Pattern.compile("notes.20\\W+23")).first()).isVisible();
        page.goBack();
        assertThat(heading("Kiln Road")).isVisible();
    }

    @Test
    void aNetworkThatIsGoneStopsNothingOnThisMachine() {
        page.evaluate("() => window.dispatchEvent(new Event('offline'))");
        page.getByText(say("readiness.COUNTED")).click();
        assertThat(page.getByText(say("sheet.ofThePreparationStillOpen", "open", 4)))
                .isVisible();
        button(say("sheet.chooseForMe")).click();
        assertThat(page.getByText(Pattern.compile("Today's variations, [\\d.,]+ minutes")))
                .isVisible();
    }

    private void upload(String name, byte[] bytes) {
        page.navigate("/passages/new");
        tab(say("sheet.fromAFile"));
        page.getByLabel(say("sheet.aFileOfMusic"))
                .setInputFiles(new FilePayload(name, "application/octet-stream", bytes));
    }

    private byte[] exported(String as) {
        String passage = page.url().replaceAll(".*/passages/", "");
        return page.request()
                .get("/api/passages/" + passage + "/export?as=" + as)
                .body();
    }

    @Test
    void whatWasWrittenAsMusicXmlIsReadInAgain() {
        byte[] file = exported("MUSICXML");
        upload("kiln.musicxml", file);
        assertThat(button(say("sheet.takeTheseNotes", "notes", 49))).isVisible();
        assertThat(page.getByText(say("sheet.nothingOfTheFileIs"))).isVisible();
        assertThat(button(say("sheet.savePassage"))).isHidden();
        page.getByLabel(say("sheet.fromBar")).selectOption("2");
        page.getByLabel(say("sheet.toBar")).selectOption("3");
        button(say("sheet.takeTheseNotes", "notes", 32)).click();
        assertThat(page.getByLabel(say("first.title"))).hasValue("Kiln Road");
        assertThat(button(say("sheet.savePassage"))).isVisible();
        assertThat(page.getByText(Pattern.compile("^32 notes · 2 bars"))).isVisible();
    }

    @Test
    void aMidiFileShowsItsGridAndCanBeDrawnToAnother() {
        byte[] file = exported("MIDI");
        upload("kiln.mid", file);
        assertThat(page.getByText(say("read.drawn", "grid", say("grid.places", "places", 4))))
                .isVisible();
        assertThat(button(say("sheet.takeTheseNotes", "notes", 49))).isVisible();
        page.getByLabel(say("sheet.gridToDrawTo")).selectOption("2");
        assertThat(page.getByText(say("read.drawn", "grid", say("grid.places", "places", 2))))
                .isVisible();
        assertThat(button(say("sheet.takeTheseNotes", "notes", 25))).isVisible();
    }

    @Test
    void aBrokenFileGetsASentenceAndTakesNothingAway() {
        page.navigate("/passages/new");
        page.getByLabel(say("first.title")).fill("Kept all the same");
        tab(say("sheet.fromAFile"));
        page.getByLabel(say("sheet.aFileOfMusic"))
                .setInputFiles(new FilePayload(
                        "broken.xml", "text/xml", "<score-partwise><part></oops>".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("damaged or incomplete near line 1");
        page.reload();
        assertThat(page.getByLabel(say("first.title"))).hasValue("Kept all the same");
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }
}

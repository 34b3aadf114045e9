package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Preparing a passage on the real page: read in, cut, marked, and turned into variations. */
class PracticeSheetTest {

    private static final String TUNE = """
            X:1
            T:Harbour Steps
            M:2/4
            L:1/16
            K:G
            |: GABc dBAG | FGAB c2A2 :| G8 |]

            X:2
            T:Second Tide
            M:3/4
            L:1/8
            K:D
            !trill!DEFGAB | d6 |
            """;

    private Page page;

    @BeforeEach
    void aNewPlayer() {
        page = Shared.somebodyNew().page;
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private Locator tab(String name) {
        return page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name));
    }

    private void keepAs(String target) {
        page.getByLabel(say("first.targetTempo")).fill(target);
        button(say("sheet.savePassage")).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .not()
                .hasText(say("passages.newPassage"));
        notesAreDrawn();
    }

    private void notesAreDrawn() {
        assertThat(page.locator("path[data-transition]").first()).isAttached();
    }

    /** The passage of the file, kept. */
    private void readIn() {
        page.navigate("/passages/new");
        tab(say("sheet.fromAFile")).click();
        page.getByLabel(say("sheet.aFileOfMusic"))
                .setInputFiles(new FilePayload("tunes.abc", "text/plain", TUNE.getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByText(say("sheet.takeTheseNotes", "notes", 15))).isVisible();
        button(say("sheet.takeTheseNotes", "notes", 15)).click();
        assertThat(page.getByLabel(say("first.title"))).hasValue("Harbour Steps");
        keepAs("112");
    }

    @Test
    void aFileIsReadInWithItsLineBarsAndRepeatsChosen() {
        page.navigate("/passages/new");
        tab(say("sheet.fromAFile")).click();
        page.getByLabel(say("sheet.aFileOfMusic"))
                .setInputFiles(new FilePayload("tunes.abc", "text/plain", TUNE.getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByText(say("sheet.takeTheseNotes", "notes", 15))).isVisible();
        page.getByLabel(say("sheet.repeatsWrittenOut")).check();
        assertThat(page.getByText(say("sheet.takeTheseNotes", "notes", 29))).isVisible();
        page.getByLabel(say("sheet.lineOfTheFile")).selectOption("1");
        assertThat(page.getByText("trill")).isVisible();
        page.getByLabel(say("sheet.toBar")).selectOption("1");
        assertThat(page.getByText(say("sheet.takeTheseNotes", "notes", 6))).isVisible();
        page.getByLabel(say("sheet.aFileOfMusic"))
                .setInputFiles(new FilePayload(
                        "broken.mid", "audio/midi", "MThd and then nothing".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByText("This MIDI file is damaged or incomplete.")).isVisible();
    }

    @Test
    void notesAreEnteredStepByStepAndUndone() {
        page.navigate("/passages/new");
        tab(say("sheet.stepByStep")).click();
        Locator pad = page.getByLabel(Pattern.compile("^Enter notes"));
        pad.focus();
        for (String key : "6 g a b c d".split(" ")) {
            page.keyboard().press(key);
        }
        assertThat(page.getByLabel(say("sheet.notesEntered", "notes", 5))).isVisible();
        page.keyboard().press("Backspace");
        assertThat(page.getByLabel(say("sheet.notesEntered", "notes", 4))).isVisible();
        button(say("plan.redo")).click();
        assertThat(page.getByLabel(say("sheet.notesEntered", "notes", 5))).isVisible();
        page.getByLabel("C sharp 4").click();
        assertThat(page.getByLabel(say("sheet.notesEntered", "notes", 6))).isVisible();
        button(say("sheet.takeTheNotes")).click();
        page.getByLabel(say("first.title")).fill("Six steps");
        keepAs("90");
        assertThat(page.getByLabel(say("sheet.notesIn", "title", "Six steps", "notes", 6, "bars", 1)))
                .isVisible();
    }

    @Test
    void aPassageIsCutByHandWithClickAndKeyAndJoinedAgain() {
        readIn();
        tab(say("sheet.sections")).click();
        page.locator("rect[data-note='8']").click();
        button(say("sheet.cutAtNote", "cursor", 9)).click();
        assertThat(page.getByText("2 sections")).isVisible();
        page.getByLabel(Pattern.compile("^The notes\\.")).focus();
        for (int i = 0; i < 4; i++) {
            page.keyboard().press("ArrowRight");
        }
        page.keyboard().press("c");
        assertThat(page.getByText("3 sections")).isVisible();
        assertThat(page.getByText("Joining sections")).isVisible();
        page.getByLabel(say("sheet.orderOfTheSections")).selectOption("LAST_TO_FIRST");
        assertThat(page.getByText(Pattern.compile("^" + say("sheet.neighbours")))
                        .first())
                .isVisible();
        page.getByLabel(Pattern.compile("^The notes\\.")).focus();
        page.keyboard().press("c");
        assertThat(page.getByText("2 sections")).isVisible();
    }

    @Test
    void marksAreWrittenWithAKeyEach() {
        readIn();
        tab(say("sheet.marks")).click();
        page.getByLabel(say("sheet.kindOfMark")).selectOption("FINGERING");
        page.getByLabel(Pattern.compile("^Mark fingers")).focus();
        page.keyboard().type("123");
        for (String key : "1 2 3".split(" ")) {
            assertThat(page.getByLabel(say("sheet.whatWasDecided"))
                            .getByText(Pattern.compile("note " + key + ": " + key)))
                    .isVisible();
        }
        assertThat(page.getByLabel(Pattern.compile("^Mark fingers"))
                        .getByText("Note 4")
                        .first())
                .isVisible();
        page.keyboard().press("ArrowLeft");
        page.keyboard().press("Backspace");
        assertThat(page.getByText("note 3: fingers removed")).isVisible();
    }

    @Test
    void variationsAreChosenForTheTransitionThatBreaks() throws IOException {
        readIn();
        page.locator("path[data-transition='4'][stroke=transparent]").first().dispatchEvent("click");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Transition 5–6")))
                .isVisible();
        button(say("sheet.itBrokeHere")).click();
        assertThat(page.getByLabel("Transition 5 to 6").getByText("broke down once in four weeks"))
                .isVisible();
        button(say("sheet.itBrokeHere")).click();
        assertThat(page.getByLabel("Transition 5 to 6").getByText("broke down 2 times in four weeks"))
                .isVisible();
        Locator variation = page.getByLabel("Transition 5 to 6")
                .getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions()
                        .setHasText(say("variation.shortLong", "cell", "1-2", "stretched", "true")));
        variation.click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions()
                                .setName(say("variation.shortLong", "cell", "1-2", "stretched", "true"))))
                .isVisible();
        page.keyboard().press("Escape");
        button(say("sheet.chooseForMe")).click();
        assertThat(page.getByText(Pattern.compile("Today's variations, [\\d.,]+ minutes")))
                .isVisible();
        assertThat(page.getByText("you break down most at " + say("coverage.span", "from", 5, "to", 6))
                        .first())
                .isVisible();
        page.getByLabel(Pattern.compile("^played")).first().click();
        assertThat(page.getByLabel(Pattern.compile("^played")).first()).isChecked();

        page.getByText(say("sheet.groupsAcrossTheBeat")).click();
        button(say("variation.groups", "size", 3, "stopping", "true")).click();
        assertThat(page.getByText("Matches the target at")).isVisible();
        Locator heard = page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions().setHasText(say("sheet.hearIt")));
        heard.click();
        page.waitForSelector(".abcjs-note.lit");
        Download file = page.waitForDownload(() -> page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText("ABC"))
                .click());
        assertThat(Files.readString(file.path())).contains("T:Harbour Steps, Groups of 3");
        page.keyboard().press("Escape");

        page.getByLabel(say("sheet.weightsOfYourCell")).fill("3-2-1");
        button(say("sheet.showIt")).click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions()
                                .setName(say("variation.ownCell", "cell", "3-2-1", "stretched", "false"))))
                .isVisible();
    }

    @Test
    void readinessIsTickedOffAndAsksForNothingElse() {
        readIn();
        assertThat(page.getByText(say("sheet.ofThePreparationStillOpen", "open", 5)))
                .isVisible();
        page.getByText(say("readiness.COUNTED")).click();
        assertThat(page.getByText(say("sheet.ofThePreparationStillOpen", "open", 4)))
                .isVisible();
        page.getByText(say("readiness.COUNTED")).click();
        assertThat(page.getByText(say("lost.takenBack"))).isVisible();
    }

    @Test
    void theSheetForTheStandShowsEveryVariation() {
        readIn();
        button(say("sheet.printOrExport")).click();
        page.getByText(say("sheet.aSheetForTheStand")).click();
        assertThat(button(say("sheet.print"))).isVisible();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile(
                                        "^" + say("variation.longShort", "cell", "2-1", "stretched", "false") + " "))))
                .isVisible();
        assertThat(paperSizes()).containsOnly("594.95996 841.91998");
        page.getByLabel(say("sheet.paperSize")).selectOption("letter");
        assertThat(page.locator(".paper-letter")).isVisible();
        assertThat(paperSizes()).containsOnly("612 792");
    }

    /** The size of each page as it would be printed, in points. */
    private List<String> paperSizes() {
        String pdf =
                new String(page.pdf(new Page.PdfOptions().setPreferCSSPageSize(true)), StandardCharsets.ISO_8859_1);
        return Pattern.compile("/MediaBox \\[0 0 ([\\d. ]+)]")
                .matcher(pdf)
                .results()
                .map(found -> found.group(1))
                .toList();
    }
}

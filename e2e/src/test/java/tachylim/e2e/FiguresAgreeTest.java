package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static tachylim.e2e.Words.say;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Every figure that stands on more than one page of a played account is the same on all of them. */
class FiguresAgreeTest {

    /** A figure, and how it stands in the words of a page. */
    private record Figure(String what, String path, Pattern words) {

        static Figure of(String what, String path, String words) {
            return new Figure(what, path, Pattern.compile(words));
        }
    }

    private static List<Figure> figures(String plan, String log) {
        String drawn = "ceiling(?: about)? (\\d+)(?:, still a guess| ± \\d+)?target 120";
        String left = "(\\d+(?:\\.\\d)?) of 30 effort min";
        return List.of(
                Figure.of("the ceiling", "/", drawn),
                Figure.of("the ceiling", plan, drawn),
                Figure.of("the ceiling", "/ceiling", "(?:about |The ceiling is )(\\d+) BPM"),
                Figure.of("what is left of today", "/", left),
                Figure.of("what is left of today", plan, left),
                Figure.of("what is left of today", plan, "effort min, (\\d+(?:\\.\\d)?) left"),
                Figure.of("what is left of today", "/load", left),
                Figure.of("what today allows", "/", "limit (\\d+(?:\\.\\d)?) effort min"),
                Figure.of("what today allows", plan, "limit (\\d+(?:\\.\\d)?) effort min"),
                Figure.of("what today allows", log, "limit (\\d+(?:\\.\\d)?) effort min"),
                Figure.of("what today allows", "/load", "of (\\d+(?:\\.\\d)?) effort minutes"),
                Figure.of("what was played", "/load", "first(\\d+(?:\\.\\d)?) of 30"),
                Figure.of("what was played", "/load", ": (\\d+(?:\\.\\d)?) effort minutes, "),
                Figure.of("what was played", "/log", "min(\\d+(?:\\.\\d)?) effort min"),
                Figure.of("what was played", log, "effort min(\\d+(?:\\.\\d)?)Filled"),
                Figure.of("the fastest clean pass", "/log", "clean at (\\d+) BPM"),
                Figure.of("the fastest clean pass", log, "fastest clean pass at (\\d+) BPM"));
    }

    private final Musician odile = Shared.somebodyPlayingFast();
    private final Page page = odile.page;

    @Test
    void whatStandsTwiceIsTheSame() {
        odile.playCleanlyToTheEnd();
        odile.untilArrived();
        String run = page.url().replaceAll(".*/run/(\\d+).*", "$1");
        JsonObject passage = JsonParser.parseString(odile.api("/api/passages"))
                .getAsJsonArray()
                .get(0)
                .getAsJsonObject();
        JsonArray sections = passage.getAsJsonArray("sections");
        assertThat(sections).hasSize(1);
        long section = sections.get(0).getAsJsonObject().get("id").getAsLong();
        String plan = "/plan/" + section;
        String log = "/log/" + run;
        Map<String, String> pages = new HashMap<>();
        for (String path : List.of("/", plan, "/ceiling", "/load", "/log", log)) {
            page.navigate(path);
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                    .isVisible();
            page.waitForLoadState(LoadState.NETWORKIDLE);
            // The words of pictures are read to those who cannot see them, and are no less true.
            pages.put(path, page.locator("#main").textContent().replace('\u00a0', ' '));
        }
        Map<String, Map<Figure, String>> seen = new TreeMap<>();
        for (Figure figure : figures(plan, log)) {
            Matcher matcher = figure.words().matcher(pages.get(figure.path()));
            assertThat(matcher.find())
                    .as(figure.what() + " on " + figure.path() + ": " + pages.get(figure.path()))
                    .isTrue();
            seen.computeIfAbsent(figure.what(), none -> new HashMap<>()).put(figure, matcher.group(1));
        }
        seen.forEach((what, all) -> assertThat(all.values().stream().distinct())
                .as(what + " " + all)
                .hasSize(1));
        JsonObject entry = JsonParser.parseString(odile.api("/api/log/" + run)).getAsJsonObject();
        JsonObject totals = entry.getAsJsonObject("played").getAsJsonObject("totals");
        JsonObject told = entry.getAsJsonObject("entry");
        for (String figure : new String[] {"clean", "rough", "broke"}) {
            assertThat(told.get(figure).getAsInt())
                    .as(figure)
                    .isEqualTo(totals.get(figure).getAsInt());
        }
        assertThat(told.get("effort").getAsDouble())
                .isCloseTo(totals.get("effort").getAsDouble(), within(1e-9));
        page.navigate("/log/" + run);
        int judged = totals.get("clean").getAsInt()
                + totals.get("rough").getAsInt()
                + totals.get("broke").getAsInt();
        assertThat(page.getByText(say("log.itsAndWhatWasSaid", "passes", judged)))
                .isVisible();
        assertThat(Shared.BROWSING.complaints()).isEmpty();
    }
}

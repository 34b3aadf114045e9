package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static tachylim.e2e.Words.say;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/**
 * Players who answer while networks go and come, pages are loaded anew, tabs are closed and browsers restarted, by a seed: what they
 * answered is compared with what is kept.
 */
@Timeout(value = 60, unit = TimeUnit.MINUTES)
class AwayBench {

    private static final int ROUNDS = Integer.getInteger("tachylim.away.rounds", 200);
    private static final long SEED = Long.getLong("tachylim.away.seed", 27);

    /** So many rounds a player plays at most: what a day allows is done by then. */
    private static final int OF_ONE = 40;

    private final Random chance = new Random(SEED);
    private final App app = App.start("e2e_away", Shared.SPEED);
    private final Browsing browsing = new Browsing();
    private int rounds;
    private int answers;
    private int lost;
    private int doubled;
    private final int[] done = new int[Doing.values().length];

    private enum Doing {
        ANSWER,
        CUT,
        CONNECT,
        RELOAD,
        CLOSE,
        RESTART,
    }

    private static final Doing[] AWAY = {Doing.RELOAD, Doing.CLOSE, Doing.RESTART};

    /** Somebody with a browser of their own, and what they have answered in it. */
    private final class Player {

        private final Path folder;
        private BrowserContext browser;
        private Musician musician;
        private boolean cut;
        private int seen;

        /** What was said of which step. */
        private final Map<String, String> given = new LinkedHashMap<>();

        Player() throws IOException {
            folder = Files.createTempDirectory("away");
            open();
            musician.registered().atTheFirstPass(Shared.UNHURRIED);
            musician.endRun(musician.page.url().replaceAll(".*/run/", ""));
            musician.page.waitForResponse("**/api/packed", () -> musician.page.navigate("/"));
            OfflineTest.settled(musician.page, "/api/today?easy=false");
            cut(chance.nextBoolean());
            begin();
        }

        private void open() {
            browser = browsing.profile(app, folder);
            Page page = browser.pages().get(0);
            if (musician == null) {
                musician = new Musician(page);
            }
            musician.page = page;
            browser.setOffline(cut);
        }

        private void cut(boolean now) {
            cut = now;
            browser.setOffline(now);
        }

        private void begin() {
            musician.page
                    .getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(Pattern.compile("^" + say("today.begin"))))
                    .click();
            musician.page.waitForURL("**/run/*");
            musician.untilReady();
        }

        /** Plays a pass and answers it: it counts as answered once the page has gone on. */
        private void answer() {
            if (musician.play()) {
                String key = chance.nextInt(4) == 0 ? "k" : "j";
                String place = musician.ordinal();
                musician.answer(key);
                given.put(place, key);
            }
        }

        /** Where the page stands now: never before where it stood. */
        private void look() {
            if (!musician.hasEnded()) {
                int now = Integer.parseInt(musician.ordinal());
                lost += Math.max(0, seen - now);
                seen = now;
            }
        }

        private Doing next() {
            if (chance.nextInt(2) == 0) {
                return Doing.ANSWER;
            }
            if (chance.nextInt(2) == 0) {
                return cut ? Doing.CONNECT : Doing.CUT;
            }
            return AWAY[chance.nextInt(AWAY.length)];
        }

        /** One round; whether there is more to play. */
        boolean plays() {
            Doing doing = next();
            done[doing.ordinal()]++;
            String here = musician.page.url();
            switch (doing) {
                case ANSWER -> answer();
                case CUT -> cut(true);
                case CONNECT -> cut(false);
                case RELOAD -> musician.page.reload();
                case CLOSE -> {
                    Page closed = musician.page;
                    musician.page = browser.newPage();
                    closed.close();
                    musician.page.navigate(chance.nextBoolean() ? here : "/log");
                    musician.page.navigate(here);
                }
                case RESTART -> {
                    browser.close();
                    open();
                    musician.page.navigate(here);
                }
            }
            try {
                musician.untilReady();
            } catch (TimeoutError stuck) {
                throw new AssertionError(
                        "Round %d, %s, cut off: %s, from %s, at %s: %s"
                                .formatted(
                                        rounds,
                                        doing,
                                        cut,
                                        here,
                                        musician.page.url(),
                                        musician.page.locator("body").innerText()),
                        stuck);
            }
            look();
            return !musician.hasEnded();
        }

        /** Comes back to the network, waits until everything has arrived, and compares. */
        void comesBack() throws IOException {
            cut(false);
            musician.page.navigate("/log");
            Awaitility.await()
                    .atMost(Duration.ofMinutes(3))
                    .pollInSameThread()
                    .pollInterval(Duration.ofMillis(100))
                    .until(() -> musician.unsent().isEmpty());
            String of = "from run_event where run_id = (select max(id) from run where account_id ="
                    + " (select id from account where name = '" + musician.name + "'))";
            int kept = Integer.parseInt(app.ask("select count(*) " + of));
            lost += Math.max(0, seen - kept);
            // Only a rest may have gone on by itself since it was looked at last.
            doubled += Math.max(0, kept - seen - 2);
            given.forEach((place, key) -> {
                String verdict = app.ask("select coalesce(told, verdict) " + of + " and ordinal = " + place);
                boolean same = verdict != null
                        && (verdict.matches("[\\d.]+") || verdict.equals(key.equals("j") ? "CLEAN" : "ROUGH"));
                lost += same ? 0 : 1;
            });
            answers += given.size();
            browser.close();
            try (Stream<Path> files = Files.walk(folder)) {
                files.sorted(Comparator.reverseOrder())
                        .forEach(file -> file.toFile().delete());
            }
        }
    }

    @AfterEach
    void close() {
        browsing.close();
        app.close();
    }

    @Test
    void nothingThatWasAnsweredIsLostOrDoubled() throws IOException {
        while (rounds < ROUNDS) {
            Player player = new Player();
            for (int i = 0; i < OF_ONE && rounds < ROUNDS; i++) {
                rounds++;
                if (!player.plays()) {
                    break;
                }
            }
            player.comesBack();
        }
        StringBuilder said = new StringBuilder("%d rounds by the seed %d:".formatted(rounds, SEED));
        for (Doing one : Doing.values()) {
            said.append(" %d %s,".formatted(done[one.ordinal()], one));
        }
        System.out.println(said + " %d passes judged, %d lost, %d doubled".formatted(answers, lost, doubled));
        assertThat(lost + doubled).isZero();
    }
}

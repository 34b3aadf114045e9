package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static tachylim.e2e.Words.say;

import com.google.gson.JsonParser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.function.IntPredicate;
import java.util.regex.Pattern;
import org.awaitility.Awaitility;

/** Somebody using the pages: the moves that stories are made of. */
final class Musician {

    static final String PASSWORD = "a lantern at the quay";

    private static final Pattern RUN = Pattern.compile(".*/run/\\d+");

    /** The window at hand: closed ones are followed by others. */
    Page page;

    final String name = "player-" + UUID.randomUUID().toString().substring(0, 8);

    private int moves;

    Musician(Page page) {
        this.page = page;
    }

    Locator button(String label) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(label));
    }

    private void click(Locator what) {
        moves++;
        what.click();
    }

    private void fill(Locator field, String text) {
        moves++;
        field.fill(text);
    }

    /** How many things were pressed or filled in so far. */
    int moves() {
        return moves;
    }

    Musician register() {
        page.navigate("/register");
        fill(page.getByLabel(say("welcome.name")), name);
        fill(page.getByLabel(say("welcome.password")), PASSWORD);
        click(button(say("welcome.register")));
        assertThat(page.getByText("Step 1 of 3")).isVisible();
        return this;
    }

    /** The three steps from an empty account to the first workout. */
    Musician firstWorkout() {
        click(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(say("common.malletsAndDrums"))));
        click(button(say("first.nextThePassage")));
        assertThat(page.getByText("Step 2 of 3")).isVisible();
        fill(page.getByLabel(say("first.targetTempo")), "120");
        // The rhythm is drawn when the engraver is there, and moves what is below it.
        assertThat(page.getByRole(
                        AriaRole.IMG, new Page.GetByRoleOptions().setName(say("first.theRhythmOfThePassage"))))
                .isVisible();
        click(button(say("first.nextHowFastToday")));
        assertThat(page.getByText("Step 3 of 3")).isVisible();
        fill(page.getByLabel(say("sheet.cleanAt"), new Page.GetByLabelOptions().setExact(true)), "92");
        click(button(say("first.beginTheFirstWorkout")));
        page.waitForURL(RUN);
        untilReady();
        return this;
    }

    /** What {@link #register} does, told to the server at once, for whoever is about something else. */
    Musician registered() {
        page.navigate("/favicon.svg");
        page.evaluate(told("tell('POST', '/account', { name, password, zone })"), List.of(name, PASSWORD));
        return this;
    }

    /** Where {@link #firstWorkout} leads, told to the server at once. */
    Musician atTheFirstPass(int speed) {
        Browsing.at(speed, page);
        page.navigate("/run/" + page.evaluate(told(FIRST_WORKOUT), List.of(name, PASSWORD)));
        untilReady();
        return this;
    }

    private static String told(String what) {
        return """
                async ([name, password]) => {
                  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
                  const tell = async (method, path, body) => {
                    const headers = { 'Content-Type': 'application/json' };
                    const token = /XSRF-TOKEN=([^;]+)/.exec(document.cookie);
                    if (token) headers['X-XSRF-TOKEN'] = token[1];
                    const answer = await fetch('/api' + path, { method, headers, body: body && JSON.stringify(body) });
                    const text = await answer.text();
                    if (!answer.ok) throw new Error(text);
                    return text && JSON.parse(text);
                  };
                  await tell('GET', '/greeting');
                  return %s;
                }""".formatted(what);
    }

    /** Tells the server something by hand, as a page would. */
    void tell(String method, String path, String body) {
        page.evaluate(told("tell('%s', '%s', %s)".formatted(method, path, body)), List.of("", PASSWORD));
    }

    /** A workout of so many minutes on a section, as it is usually planned, begun at once. */
    Object begun(long section, int minutes) {
        return page.evaluate(told("""
                await (async () => {
                  const holder = crypto.randomUUID();
                  sessionStorage.setItem('tachylim.window', holder);
                  const usual = await tell('GET', '/sections/%d/plan');
                  return (await tell('POST', '/runs', { plan: { ...usual.wish, minutes: %d, blocks: [] }, holder })).id;
                })()""".formatted(section, minutes)), List.of(name, PASSWORD));
    }

    private static final String FIRST_WORKOUT = """
            await (async () => {
              const holder = crypto.randomUUID();
              sessionStorage.setItem('tachylim.window', holder);
              const made = await tell('POST', '/passages', {
                title: 'My first passage', instrument: 'MALLET', targetBpm: 120, neededOn: null, cleanAt: 92, played: true,
                music: { source: 'PAPER', meter: '4/4', beatUnit: '', bars: 2, text: '4' },
                version: 0, confirmed: null, clientId: crypto.randomUUID() });
              const usual = await tell('GET', `/sections/${made.passage.sections[0].id}/plan`);
              const run = await tell('POST', '/runs', { plan: { ...usual.wish, minutes: 10 }, holder });
              return run.id;
            })()""";

    /** Waits until something holds on the page. It is looked at now and then: at every frame, looking alone would keep it busy. */
    private void until(String holds, Object of) {
        try {
            page.waitForFunction(holds, of, new Page.WaitForFunctionOptions().setPollingInterval(LOOKS_EVERY_MS));
        } catch (TimeoutError late) {
            throw new AssertionError("It stands at: " + page.evaluate("""
                    () => JSON.stringify({ ...document.querySelector('[data-state]')?.dataset, seen: document.visibilityState,
                      says: document.body.innerText.slice(0, 3000) })"""), late);
        }
    }

    private void until(String holds) {
        until(holds, null);
    }

    private static final double LOOKS_EVERY_MS = 25;

    /** What a page says while the next step waits for the server. */
    private static final String SENT = say("run.yourAnswerIsKeptAnd");

    Locator stage() {
        return page.locator("[data-state]").first();
    }

    private String state() {
        return stage().getAttribute("data-state");
    }

    boolean hasEnded() {
        return page.getByText(say("run.notesOnThisWorkout")).isVisible();
    }

    /** Waits until the step is ready to be played, or the workout is over: a rest ends by itself. */
    void untilReady() {
        until("""
                ([sent, over]) => {
                  const says = document.body.textContent;
                  return document.querySelector('[data-state=ready] button:not(:disabled)') && !says.includes(sent)
                    || says.includes(over);
                }""", List.of(SENT, say("run.notesOnThisWorkout")));
    }

    /** The ids of the answers that wait in this browser until the server has them, whoever gave them. */
    List<String> unsent() {
        return ((List<?>) page.evaluate("""
                async () => {
                  const done = request => new Promise((resolve, reject) => {
                    request.onsuccess = () => resolve(request.result);
                    request.onerror = () => reject(request.error);
                  });
                  if (!(await indexedDB.databases()).some(({ name }) => name === 'tachylim-outbox')) return [];
                  const database = await done(indexedDB.open('tachylim-outbox'));
                  const answers = await done(database.transaction('answers').objectStore('answers').getAll());
                  database.close();
                  return answers.filter(({ sent }) => !sent).map(({ id }) => id);
                }""")).stream().map(String.class::cast).toList();
    }

    /** Ends a workout that was begun, as another window would. */
    void endRun(String run) {
        tell("POST", "/runs/" + run + "/events", """
                { clientId: crypto.randomUUID(), holder: crypto.randomUUID(), ordinal: 0, kind: 'STOPPED', seconds: 0 }""");
    }

    String ordinal() {
        return stage().getAttribute("data-ordinal");
    }

    /**
     * Plays the pass at hand to its end.
     *
     * @return whether it wants an answer; one that does not has gone on by itself
     */
    boolean play() {
        return play("Space");
    }

    private static final String PLAYED = """
            ([before, interrupted]) => {
              const stage = document.querySelector('[data-state]');
              return !stage || stage.dataset.state === 'judge' || stage.dataset.ordinal !== before
                || stage.dataset.state === 'ready' && document.body.textContent.includes(interrupted);
            }""";

    /** What a page says when the sound of this machine was taken away: the pass is played again, as anybody would. */
    private static final String INTERRUPTED = say("run.soundInterrupted");

    private static final int MOST_TRIES = 3;

    private boolean play(String key) {
        untilReady();
        String before = ordinal();
        int tries = 0;
        do {
            // Another window may leave the focus on the first button of this one, which a key would press.
            page.evaluate("() => document.activeElement?.blur()");
            page.keyboard().press(key);
            until(PLAYED, List.of(before, INTERRUPTED));
        } while (++tries < MOST_TRIES && page.getByText(INTERRUPTED).count() > 0);
        return stage().count() > 0 && state().equals("judge") && ordinal().equals(before);
    }

    /**
     * Plays on to the end of a pass that wants an answer: only then it may have been clean.
     *
     * @return how many passes that were
     */
    int playToTheCue() {
        int passes = 1;
        while (!play()) {
            untilReady();
            passes++;
        }
        return passes;
    }

    /** Plays one pass with keys alone and answers it, if it wants to be answered. */
    void playAndAnswer(String key) {
        if (!play()) {
            return;
        }
        answer(key);
    }

    /** Answers a pass that was played, and waits until the page has gone on. */
    void answer(String key) {
        page.keyboard().press(key);
        if (page.getByText(say("run.howManyWereCleanOne")).count() > 0 && !key.equals("j")) {
            page.keyboard().press("j");
        }
        until("""
                sent => !document.body.textContent.includes(sent)
                  && !['playing', 'judge'].includes(document.querySelector('[data-state]')?.dataset.state)""", SENT);
    }

    /** From here on musical time runs as fast as the server lets it. */
    Musician hurry() {
        return at(Shared.SPEED);
    }

    /** From here on musical time runs so many times faster. */
    Musician at(int speed) {
        Browsing.at(speed, page);
        page.reload();
        untilReady();
        return this;
    }

    /** Plays on until the workout is over; every seventh pass is rough. */
    void playToTheEnd() {
        playToTheEnd(pass -> pass % 7 == 0);
    }

    /** Plays on until the workout is over, and every pass is clean: whoever plays so is faster than was believed. */
    void playCleanlyToTheEnd() {
        playToTheEnd(pass -> false);
    }

    private void playToTheEnd(IntPredicate isRough) {
        untilReady();
        for (int pass = 1; !hasEnded() && pass < 200; pass++) {
            playAndAnswer(isRough.test(pass) ? "k" : "j");
            untilReady();
        }
    }

    /** Plays on until the workout is over with three pedals alone; every fifth pass is rough. */
    void playWithPedals() {
        untilReady();
        for (int pass = 1; !hasEnded() && pass < 200; pass++) {
            if (play("PageDown")) {
                boolean rough = pass % 5 == 0;
                page.keyboard().press(rough ? "PageUp" : "PageDown");
                if (rough && page.getByText(say("run.howManyWereCleanOne")).count() > 0) {
                    page.keyboard().press("PageDown");
                }
            }
            untilReady();
        }
    }

    /** Waits until all that was answered has arrived: the page does not wait for it. */
    void untilArrived() {
        Awaitility.await()
                .atMost(Duration.ofMillis((long) Shared.PATIENCE_MS))
                .pollInSameThread()
                .pollInterval(Duration.ofMillis(50))
                .until(() -> unsent().isEmpty());
    }

    /** Waits until the log, or a session of it, says something: an answer may still be on its way. */
    void untilTold(String path, String... wanted) {
        until(
                "([path, wanted]) => fetch(path).then(r => r.text()).then(t => wanted.every(w => t.includes(w)))",
                List.of(path, List.of(wanted)));
    }

    /** The first section of the first passage. */
    long firstSection() {
        return JsonParser.parseString(api("/api/passages"))
                .getAsJsonArray()
                .get(0)
                .getAsJsonObject()
                .getAsJsonArray("sections")
                .get(0)
                .getAsJsonObject()
                .get("id")
                .getAsLong();
    }

    /** What is behind an address of the API, as text. */
    String api(String path) {
        return page.request().get(path).text();
    }
}

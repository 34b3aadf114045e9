package tachylim.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static tachylim.e2e.Words.say;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A microphone on Run: a made-up player, a device that hears a hum, and none at all. */
class HearingTest {

    private static final String AT_HAND = """
            async () => {
              const holder = sessionStorage.getItem('tachylim.window');
              const run = await (await fetch(`/api${location.pathname.replace('run', 'runs')}?holder=${holder}`)).json();
              const { pass } = run.step;
              return pass !== null && pass.kind !== 'WARM_UP' && pass.ask === 'VERDICT' && pass.seconds < 25;
            }""";

    /** Plays on to a short pass that is judged, where musical time is that of the clock. */
    private static Musician atAJudgedPass(Musician musician) {
        musician.untilReady();
        for (int pass = 0; !(boolean) musician.page.evaluate(AT_HAND); pass++) {
            Assertions.assertThat(pass).isLessThan(40);
            musician.playAndAnswer("j");
            musician.untilReady();
            musician.untilArrived();
        }
        musician.at(1);
        // What is to be heard the page knows once it has taken the run up.
        assertThat(musician.stage()).hasAttribute("data-carried", "true");
        return musician;
    }

    private static void switchOn(Page page, String input) {
        page.keyboard().press("h");
        page.getByLabel(say("heard.dialog.input")).selectOption(input);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(say("heard.dialog.switchOn")))
                .click();
    }

    private static void goOn(Page page) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(say("run.goOn")))
                .click();
    }

    @Test
    void whatWasHeardIsSuggestedAndTakenByOneKeyAndKeptAsFigures() {
        Musician odile = atAJudgedPass(Shared.somebodyPlayingFast());
        switchOn(odile.page, "made-up");
        odile.button(say("heard.line.play")).click();
        assertThat(odile.page.getByText(Pattern.compile("This is what I hear"))).isVisible();
        goOn(odile.page);
        assertThat(odile.page.getByText(say("heard.listening"))).isVisible();
        odile.page.keyboard().press("Space");
        assertThat(odile.button(say("run.asHeard"))).isVisible();
        assertThat(odile.page.getByText(say("verdict.CLEAN")).first()).isVisible();
        assertThat(odile.page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(say("heard.picture"))))
                .isVisible();
        odile.page.keyboard().press("Enter");
        odile.untilArrived();
        odile.untilTold("/api/takes/trust/MALLET", "\"confirmed\":1");
    }

    @Test
    void whereItKeepsGoingNoKeyIsNeededAndWhatWentWrongIsTaken() {
        Musician odile = atAJudgedPass(Shared.somebodyPlayingFast());
        switchOn(odile.page, "made-up");
        odile.page.getByLabel(say("heard.player.how")).selectOption("stop");
        goOn(odile.page);
        odile.page.keyboard().press("g");
        String before = odile.stage().getAttribute("data-ordinal");
        // It begins by itself where it keeps going, but for the step that the page opened at.
        odile.page.keyboard().press("Space");
        odile.page.waitForFunction(
                "before => document.querySelector('[data-state]')?.dataset.ordinal !== before", before);
        odile.untilArrived();
        odile.untilTold("/api/takes/trust/MALLET", "\"confirmed\":0");
        odile.untilTold(odile.page.url().replaceAll(".*/run/", "/api/log/"), "BROKE");
    }

    // With devices that are none

    private static ByteBuffer wav(int samples, int rate) {
        ByteBuffer wav = ByteBuffer.allocate(44 + 2 * samples).order(ByteOrder.LITTLE_ENDIAN);
        wav.put("RIFF".getBytes()).putInt(36 + 2 * samples).put("WAVEfmt ".getBytes());
        wav.putInt(16).putShort((short) 1).putShort((short) 1).putInt(rate).putInt(2 * rate);
        return wav.putShort((short) 2)
                .putShort((short) 16)
                .put("data".getBytes())
                .putInt(2 * samples);
    }

    private static Path hum(Path folder) throws IOException {
        int rate = 44_100;
        int samples = 2 * rate;
        ByteBuffer wav = wav(samples, rate);
        for (int i = 0; i < samples; i++) {
            wav.putShort((short) (6_000 * Math.sin(2 * Math.PI * 110 * i / rate)));
        }
        return Files.write(folder.resolve("hum.wav"), wav.array());
    }

    @Test
    void aDeviceIsHeardUntilItIsUnpluggedAndNeverLetInWhereItIsRefused(@TempDir Path folder) throws IOException {
        String file = "--use-file-for-fake-audio-capture=" + hum(folder);
        try (Browsing browsing = new Browsing("--use-fake-device-for-media-stream", file)) {
            BrowserContext context = browsing.somebody(Shared.APP);
            context.addInitScript("""
                    const ask = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
                    navigator.mediaDevices.getUserMedia = async (what) => (window.heardBy = await ask(what));""");
            Musician odile = atAJudgedPass(
                    new Musician(browsing.page(context)).registered().atTheFirstPass(Shared.SPEED));

            switchOn(odile.page, "");
            assertThat(odile.page.getByText(say("deaf.refused")).first()).isVisible();

            context.grantPermissions(List.of("microphone"));
            odile.button(say("heard.dialog.switchOn")).click();
            assertThat(odile.page.getByText(say("heard.dialog.level"))).isVisible();
            odile.page.waitForFunction("() => document.querySelector('meter')?.value > 0.1");
            goOn(odile.page);
            odile.page.keyboard().press("Space");
            assertThat(odile.page.getByText(say("heard.cannot"))).isVisible();
            assertThat(odile.button(say("run.asHeard"))).not().isVisible();

            odile.page.evaluate("heardBy.getAudioTracks()[0].dispatchEvent(new Event('ended'))");
            assertThat(odile.page.getByText(say("deaf.unplugged"))).isVisible();
            odile.page.keyboard().press("k");
            odile.untilArrived();
            Assertions.assertThat(browsing.complaints()).isEmpty();
        }
    }

    // Other ways in than a microphone

    /** An instrument that tells what is struck, as a browser would; what it tells comes from the test. */
    private static final String PADS = """
            const pad = { id: 'pad', name: 'Practice pad', state: 'connected', onmidimessage: null };
            const access = { inputs: new Map([['pad', pad]]), onstatechange: null };
            navigator.requestMIDIAccess = async () => access;
            window.strike = (ms, velocity = 90) =>
              pad.onmidimessage?.({ data: new Uint8Array([0x99, 38, velocity]), timeStamp: ms });
            window.unplug = () => {
              pad.state = 'disconnected';
              access.onstatechange?.();
            };""";

    /** Strikes every note of the pass at hand when it is due, but for one that comes late. */
    private static final String STRIKE_ALL = """
            async (late) => {
              const holder = sessionStorage.getItem('tachylim.window');
              const run = await (await fetch(`/api${location.pathname.replace('run', 'runs')}?holder=${holder}`)).json();
              const { pass } = run.step;
              const { sections } = await (await fetch(`/api${location.pathname.replace('run', 'runs')}/score`)).json();
              const asked = await (
                await fetch(`/api/takes/sections/${sections[0].sectionId}?tempo=${pass.tempo}`)
              ).json();
              const notes = asked.toHear.passes[0];
              const beat = 60000 / pass.tempo;
              const from = performance.now() + 300 + pass.countIn * beat;
              const rounds = Math.max(1, pass.rounds);
              const over = notes.at(-1).beat + notes.at(-1).beats;
              const length = rounds > 1 ? ((pass.beats - over) / (rounds - 1)) * beat : 0;
              for (let round = 0; round < rounds; round++) {
                notes.forEach((note, i) => strike(from + round * length + note.beat * beat + (i === late ? 120 : 0)));
              }
              return notes.length;
            }""";

    @Test
    void aPadIsHeardUntilItIsUnplugged() {
        Musician odile = Shared.somebodyNew();
        odile.page.addInitScript(PADS);
        odile.page.reload();
        atAJudgedPass(odile.atTheFirstPass(Shared.SPEED));
        switchOn(odile.page, "keys:");
        assertThat(odile.page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("MIDI: Practice pad")))
                .isAttached();
        goOn(odile.page);
        odile.page.keyboard().press("Space");
        odile.page.evaluate(STRIKE_ALL, 5);
        assertThat(odile.button(say("run.asHeard"))).isVisible();
        assertThat(odile.page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(say("run.microphone"))))
                .containsText(Pattern.compile("slip: 1[12]\\d ms late into note 6"));
        odile.page.keyboard().press("Enter");
        odile.untilArrived();
        odile.untilTold("/api/takes/trust/MALLET", "\"confirmed\":1");
        odile.page.evaluate("unplug()");
        assertThat(odile.page.getByText(say("deaf.unplugged"))).isVisible();
    }

    private static long newPassage(Musician musician) {
        musician.tell("POST", "/passages", """
                { title: 'Kestrel Weather', instrument: 'MALLET', targetBpm: 138, neededOn: null, cleanAt: 110, played: true,
                  music: { source: 'ABC', meter: '4/4', beatUnit: '', bars: 0,
                    text: 'M:4/4\\nL:1/16\\nK:F\\nDFAG FECD FGAc _BAGF | D4' },
                  version: 0, confirmed: null, clientId: crypto.randomUUID() }""");
        return JsonParser.parseString(musician.api("/api/passages"))
                .getAsJsonArray()
                .get(0)
                .getAsJsonObject()
                .get("id")
                .getAsLong();
    }

    private static final int RATE = 22_050;
    private static final double PAUSE = 1.4;

    /** Seven passes of some notes, struck tones each; the third with one note late, the fifth left off in the middle. */
    private static Path sevenPasses(Path folder, JsonArray notes, double tempo) throws IOException {
        double beat = 60 / tempo;
        JsonObject last = notes.get(notes.size() - 1).getAsJsonObject();
        double each = (last.get("beat").getAsDouble() + 1) * beat + PAUSE;
        float[] sound = new float[(int) ((7 * each + PAUSE) * RATE)];
        for (int pass = 0; pass < 7; pass++) {
            int played = pass == 4 ? notes.size() / 2 : notes.size();
            for (int note = 0; note < played; note++) {
                JsonObject one = notes.get(note).getAsJsonObject();
                double late = pass == 2 && note == 4 ? 0.12 : 0;
                tone(
                        sound,
                        PAUSE + pass * each + one.get("beat").getAsDouble() * beat + late,
                        one.getAsJsonArray("pitches").get(0).getAsInt());
            }
        }
        ByteBuffer wav = wav(sound.length, RATE);
        for (float sample : sound) {
            wav.putShort((short) (30_000 * Math.max(-1, Math.min(1, sample))));
        }
        return Files.write(folder.resolve("seven.wav"), wav.array());
    }

    private static void tone(float[] sound, double at, int pitch) {
        double frequency = 440 * Math.pow(2, (pitch - 69) / 12.0);
        for (int i = 0; i < 0.3 * RATE; i++) {
            double level = 0.2 * Math.min(1, i / (0.004 * RATE)) * Math.exp(-i / (0.12 * RATE));
            for (int partial = 1; partial <= 4; partial++) {
                sound[(int) (at * RATE) + i] +=
                        (float) (level / partial * Math.sin(2 * Math.PI * partial * frequency * i / RATE));
            }
        }
    }

    @Test
    void aFileWithSevenPassesIsPutIntoTheLogAndItsTakesStayOnTheDevice(@TempDir Path folder) throws IOException {
        Musician odile = Shared.somebodyNew();
        long passage = newPassage(odile);
        odile.page.navigate("/recording");
        odile.page.getByLabel(say("recording.tempo")).fill("80");
        String section = odile.page.getByLabel(say("recording.section")).inputValue();
        JsonObject asked = JsonParser.parseString(odile.api("/api/takes/sections/" + section + "?tempo=80"))
                .getAsJsonObject();
        JsonArray notes =
                asked.getAsJsonObject("toHear").getAsJsonArray("passes").get(0).getAsJsonArray();
        odile.page.getByLabel(say("recording.file")).setInputFiles(sevenPasses(folder, notes, 80));
        odile.button(say("recording.listen")).click();
        Locator found = odile.page
                .getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHas(odile.page.locator("select")));
        assertThat(found).hasCount(7);
        assertThat(found.nth(0).locator("select")).hasValue("CLEAN");
        assertThat(found.nth(2).locator("select")).hasValue("ROUGH");
        assertThat(found.nth(4).locator("select")).hasValue("BROKE");
        found.nth(6).locator("select").selectOption("NONE");
        // Note by note, by keys alone.
        found.nth(2).getByRole(AriaRole.SLIDER).focus();
        for (int note = 1; note < 5; note++) {
            odile.page.keyboard().press("ArrowRight");
        }
        assertThat(found.nth(2).getByRole(AriaRole.SLIDER))
                .hasAttribute("aria-valuetext", Pattern.compile("Note 5 came 1[12]\\d ms late"));
        odile.page.keyboard().press("Enter");
        assertThat(found.nth(2).getByText(say("take.stop"))).isVisible();
        Assertions.assertThat(new AxeBuilder(odile.page).analyze().getViolations())
                .isEmpty();

        odile.button("Put 6 passes into the log").click();
        odile.page.waitForURL("**/log/month");
        odile.untilTold("/api/takes/evenness/" + passage, "\"passes\":6");
        odile.page.navigate("/passages/" + passage);
        odile.page
                .getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(say("sheet.even.title")))
                .click();
        Locator kept = odile.page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(say("take.kept")));
        assertThat(kept.getByRole(AriaRole.LISTITEM)).hasCount(6);
        kept.getByText(say("take.star")).first().click();
        odile.page.reload();
        odile.page
                .getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(say("sheet.even.title")))
                .click();
        assertThat(kept.getByText(say("take.star")).first()).hasAttribute("aria-pressed", "true");
        kept.getByText(say("take.forget")).last().click();
        assertThat(kept.getByRole(AriaRole.LISTITEM)).hasCount(5);
    }

    /** Two passes of some notes as a file of keys, the second with a wrong key. */
    private static Path keys(Path folder, JsonArray notes) throws Exception {
        int resolution = 480;
        Sequence sequence = new Sequence(Sequence.PPQ, resolution);
        Track track = sequence.createTrack();
        byte[] tempo = {0x0b, 0x71, (byte) 0xb0};
        track.add(new MidiEvent(new MetaMessage(0x51, tempo, 3), 0));
        for (int pass = 0; pass < 2; pass++) {
            for (int note = 0; note < notes.size(); note++) {
                JsonObject one = notes.get(note).getAsJsonObject();
                long tick = Math.round((4 + 20 * pass + one.get("beat").getAsDouble()) * resolution);
                int key = one.getAsJsonArray("pitches").get(0).getAsInt() + (pass == 1 && note == 3 ? 1 : 0);
                track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, key, 80), tick));
                track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, key, 0), tick + 60));
            }
        }
        Path file = folder.resolve("keys.mid");
        MidiSystem.write(sequence, 0, file.toFile());
        return file;
    }

    @Test
    void aFileOfKeysIsHeardToTheKey(@TempDir Path folder) throws Exception {
        Musician odile = Shared.somebodyNew();
        newPassage(odile);
        odile.page.navigate("/recording");
        odile.page.getByLabel(say("recording.tempo")).fill("80");
        String section = odile.page.getByLabel(say("recording.section")).inputValue();
        JsonArray notes = JsonParser.parseString(odile.api("/api/takes/sections/" + section + "?tempo=80"))
                .getAsJsonObject()
                .getAsJsonObject("toHear")
                .getAsJsonArray("passes")
                .get(0)
                .getAsJsonArray();
        odile.page.getByLabel(say("recording.file")).setInputFiles(keys(folder, notes));
        assertThat(odile.page.getByLabel(say("take.hands"))).isVisible();
        odile.button(say("recording.listen")).click();
        assertThat(odile.page.getByText("2 passes found")).isVisible();
        assertThat(odile.page.getByText("note 4 (bar 1, beat 1) sounded otherwise than written"))
                .isVisible();
    }

    @Test
    void aFileThatIsNoRecordingIsRefusedWithASentence(@TempDir Path folder) throws IOException {
        Musician odile = Shared.somebodyNew();
        newPassage(odile);
        odile.page.navigate("/recording");
        Path noise = Files.write(folder.resolve("broken.mp3"), new byte[5_000]);
        odile.page.getByLabel(say("recording.file")).setInputFiles(noise);
        odile.button(say("recording.listen")).click();
        assertThat(odile.page.getByRole(AriaRole.ALERT)).containsText(say("unheard.noSound"));
        Path keys = Files.write(folder.resolve("broken.mid"), "MThd and nothing else".getBytes());
        odile.page.getByLabel(say("recording.file")).setInputFiles(keys);
        odile.button(say("recording.listen")).click();
        assertThat(odile.page.getByRole(AriaRole.ALERT)).containsText(say("unheard.noKeys"));
    }
}

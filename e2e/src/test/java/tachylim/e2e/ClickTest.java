package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonParser;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The clicks of a real pass, rendered by the browser's own audio engine, against the core's programme. */
class ClickTest {

    private static final double MILLISECOND = 0.001;

    /** Renders a programme through the shipped click and finds where each sound begins. */
    private static final String RENDER = """
            async ([module, clicks]) => {
              const { schedule } = await import(module);
              const rate = 48000, lead = 0.25;
              const last = clicks[clicks.length - 1].seconds;
              const audio = new OfflineAudioContext(1, Math.ceil((last + lead + 0.5) * rate), rate);
              schedule(audio, clicks, lead);
              const data = (await audio.startRendering()).getChannelData(0);
              const onsets = [];
              let silent = rate;
              for (let i = 0; i < data.length; i++) {
                if (Math.abs(data[i]) > 0.02) {
                  if (silent > rate * 0.03) onsets.push(i / rate - lead);
                  silent = 0;
                } else silent++;
              }
              return onsets;
            }""";

    @Test
    void everyClickSoundsWithinAMillisecondOfItsTime() {
        Musician odile = Shared.somebodyPlaying();
        Page page = odile.page;
        String run = page.url().replaceAll(".*/run/", "");
        String window = (String) page.evaluate("() => sessionStorage.getItem('tachylim.window')");
        var step = JsonParser.parseString(odile.api("/api/runs/" + run + "?holder=" + window))
                .getAsJsonObject()
                .getAsJsonObject("step")
                .getAsJsonObject("pass");
        List<Double> programme = step.getAsJsonArray("clicks").asList().stream()
                .map(click -> click.getAsJsonObject().get("seconds").getAsDouble())
                .toList();
        List<?> onsets = (List<?>) page.evaluate(
                RENDER,
                List.of(
                        module(odile),
                        page.evaluate(
                                "text => JSON.parse(text)",
                                step.getAsJsonArray("clicks").toString())));

        assertThat(onsets).hasSize(programme.size()).hasSizeGreaterThan(20);
        for (int i = 0; i < programme.size(); i++) {
            assertThat(Math.abs(((Number) onsets.get(i)).doubleValue() - programme.get(i)))
                    .as("click %d at %.3f s", i, programme.get(i))
                    .isLessThan(MILLISECOND);
        }
    }

    /** Where the click is in the build of the pages. */
    private static String module(Musician odile) {
        return "/"
                + JsonParser.parseString(odile.api("/.vite/manifest.json"))
                        .getAsJsonObject()
                        .getAsJsonObject("src/click/clicks.ts")
                        .get("file")
                        .getAsString();
    }

    /**
     * Renders an hour of twelve clicks a second, a pass of a quarter of a minute after another, and finds how far each click is
     * from its time; with what the page's memory held after each ten minutes.
     */
    private static final String HOUR = """
            async module => {
              const { schedule } = await import(module);
              const rate = 8000, lead = 0.25, perSecond = 12, pass = 15, passes = 240;
              const audio = new OfflineAudioContext(1, (pass * passes + 1) * rate, rate);
              const clicks = Array.from({ length: pass * perSecond }, (_, i) =>
                ({ seconds: i / perSecond, kind: i % 48 === 0 ? "ACCENT" : i % 12 === 0 ? "BEAT" : "SUBDIVISION" }));
              const held = [];
              const play = at => {
                schedule(audio, clicks, lead + pass * at);
                if (at % 40 === 39) held.push(performance.memory.usedJSHeapSize);
              };
              play(0);
              for (let at = 1; at < passes; at++) {
                void audio.suspend(pass * at).then(() => { play(at); return audio.resume(); });
              }
              const data = (await audio.startRendering()).getChannelData(0);
              let found = 0, worst = 0, silent = rate;
              for (let i = 0; i < data.length; i++) {
                if (Math.abs(data[i]) > 0.02) {
                  if (silent > rate * 0.02) {
                    worst = Math.max(worst, Math.abs(i / rate - lead - found / perSecond));
                    found++;
                  }
                  silent = 0;
                } else silent++;
              }
              return { found, worst, held };
            }""";

    @Test
    @Tag("long")
    void anHourOfDenseClicksNeitherDriftsNorGrows() {
        Musician odile = Shared.somebodyNew();
        Map<?, ?> hour = (Map<?, ?>) odile.page.evaluate(HOUR, module(odile));
        assertThat(((Number) hour.get("found")).intValue()).isEqualTo(60 * 60 * 12);
        assertThat(((Number) hour.get("worst")).doubleValue()).isLessThan(MILLISECOND);
        List<Double> held = ((List<?>) hour.get("held"))
                .stream().map(bytes -> ((Number) bytes).doubleValue()).toList();
        assertThat(held.get(5)).as("the heap, every ten minutes: %s", held).isLessThan(held.get(0) + 20e6);
    }
}

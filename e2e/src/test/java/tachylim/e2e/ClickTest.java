package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonParser;
import com.microsoft.playwright.Page;
import java.util.List;
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
        Musician odile = Shared.somebodyNew().firstWorkout();
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
        String module = "/"
                + JsonParser.parseString(odile.api("/.vite/manifest.json"))
                        .getAsJsonObject()
                        .getAsJsonObject("src/click/clicks.ts")
                        .get("file")
                        .getAsString();

        List<?> onsets = (List<?>) page.evaluate(
                RENDER,
                List.of(
                        module,
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
}

package tachylim.e2e;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.StreamSupport;

/**
 * What a page's own thread does from one thing a hand does until that has been drawn, as the browser traces it: its tasks, not what
 * other threads do meanwhile.
 */
final class Trace {

    private static final List<String> CATEGORIES =
            List.of("disabled-by-default-devtools.timeline", "devtools.timeline", "blink.user_timing");

    private static final double MICRO = 1e-3;

    /** Marks when a hand does something, and when what changed after it has been drawn. */
    static final String MARKED = """
            looked => {
              const onScreen = () => requestAnimationFrame(() => {
                const { port1, port2 } = new MessageChannel();
                port1.onmessage = () => {
                  performance.mark('drawn');
                  window.isDrawn?.();
                };
                port2.postMessage(0);
              });
              for (const kind of ['keydown', 'pointermove'])
                addEventListener(kind, () => performance.mark('hand'), true);
              new MutationObserver(onScreen).observe(document.body, {
                subtree: true, attributes: true, attributeFilter: looked });
            }""";

    /** From a hand to what was drawn, in milliseconds: of the page's thread, and of the clock. */
    record Drawn(double work, double latency) {}

    private record Span(double from, double to) {}

    private final List<Span> tasks = new ArrayList<>();
    private final List<Double> hands = new ArrayList<>();
    private final List<Double> drawings = new ArrayList<>();

    private Trace(JsonArray events) {
        List<JsonObject> all = StreamSupport.stream(events.spliterator(), false)
                .map(JsonElement::getAsJsonObject)
                .toList();
        // The thread of the page is the one on which it marks.
        String page = all.stream()
                .filter(one -> named(one, "hand"))
                .map(Trace::thread)
                .findFirst()
                .orElse("");
        for (JsonObject one : all) {
            if (!thread(one).equals(page)) {
                continue;
            }
            double at = one.get("ts").getAsDouble() * MICRO;
            if (named(one, "hand")) {
                hands.add(at);
            } else if (named(one, "drawn")) {
                drawings.add(at);
            } else if (named(one, "RunTask") && one.has("dur")) {
                tasks.add(new Span(at, at + one.get("dur").getAsDouble() * MICRO));
            }
        }
        hands.sort(Comparator.naturalOrder());
        drawings.sort(Comparator.naturalOrder());
    }

    private static boolean named(JsonObject event, String name) {
        return event.get("name").getAsString().equals(name);
    }

    private static String thread(JsonObject event) {
        return event.get("pid") + "/" + event.get("tid");
    }

    /** What a page does from something that a hand does until it has drawn what follows, if anything does in some seconds. */
    static Trace of(Page page, Runnable hand) {
        Browser browser = page.context().browser();
        browser.startTracing(page, new Browser.StartTracingOptions().setCategories(CATEGORIES));
        page.evaluate("""
                () => {
                  window.drawing = new Promise(resolve => {
                    window.isDrawn = resolve;
                    setTimeout(resolve, 5000);
                  });
                }""");
        hand.run();
        page.evaluate("() => window.drawing");
        String text = new String(browser.stopTracing(), StandardCharsets.UTF_8);
        return new Trace(JsonParser.parseString(text).getAsJsonObject().getAsJsonArray("traceEvents"));
    }

    /** From the last thing that a hand did to what was drawn first after it; nothing where that was not seen. */
    Optional<Drawn> drawn() {
        if (hands.isEmpty()) {
            return Optional.empty();
        }
        double from = hands.get(hands.size() - 1);
        return drawings.stream().filter(one -> one > from).findFirst().map(to -> new Drawn(work(from, to), to - from));
    }

    private double work(double from, double to) {
        return tasks.stream()
                .mapToDouble(task -> Math.max(0, Math.min(to, task.to()) - Math.max(from, task.from())))
                .sum();
    }
}

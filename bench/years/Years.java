import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Opens every page of an account of five years again and again, plays one workout in it, and prints how long each took. */
public final class Years {

    private static final int WARM = 15;
    private static final int TIMES = 100;
    private static final int ANSWERS = 150;

    private final String base;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();

    private Years(String base) {
        this.base = base;
    }

    /** Takes the address of the server; with anything more it only waits until there is something to open. */
    public static void main(String[] args) throws Exception {
        Years years = new Years(args[0]);
        years.send("GET", "/api/greeting", null);
        years.send("POST", "/api/demo", "{}");
        if (args.length > 1) {
            return;
        }
        years.pages();
        years.answers();
    }

    private void pages() throws Exception {
        String section = first(send("GET", "/api/today", null), "\"sectionId\":(\\d+)");
        String passage = first(send("GET", "/api/passages", null), "\"id\":(\\d+)");
        String run = first(send("GET", "/api/log", null), "\"runId\":(-?\\d+)");
        String before = first(send("GET", "/api/log", null), "\"olderThan\":(-?\\d+)");
        Map<String, String> pages = new LinkedHashMap<>();
        pages.put("Today", "/api/today");
        pages.put("Passages", "/api/passages");
        pages.put("a practice sheet", "/api/passages/" + passage + "/practice-sheet");
        pages.put("Plan", "/api/sections/" + section + "/plan");
        pages.put("Ceiling", "/api/sections/" + section + "/ceiling");
        pages.put("Load", "/api/load");
        pages.put("Log", "/api/log");
        pages.put("Log, older", "/api/log?before=" + before);
        pages.put("Log, looked for", "/api/log?text=weather");
        pages.put("a month", "/api/log/month");
        pages.put("Season", "/api/season");
        pages.put("a session", "/api/log/" + run);
        for (Map.Entry<String, String> page : pages.entrySet()) {
            List<Double> took = new ArrayList<>();
            for (int i = 0; i < WARM + TIMES; i++) {
                long began = System.nanoTime();
                send("GET", page.getValue(), null);
                if (i >= WARM) {
                    took.add((System.nanoTime() - began) / 1e6);
                }
            }
            print(page.getKey(), took);
        }
    }

    private void answers() throws Exception {
        String section = first(send("GET", "/api/today", null), "\"sectionId\":(\\d+)");
        String plan = send("GET", "/api/sections/" + section + "/plan", null);
        String wish = (first(plan, "\"wish\":(\\{[^{}]*),\"blocks\"") + ",\"blocks\":[]}")
                .replaceFirst("\"minutes\":\\d+", "\"minutes\":60");
        String holder = UUID.randomUUID().toString();
        String view = send("POST", "/api/runs", "{\"plan\":" + wish + ",\"holder\":\"" + holder + "\"}");
        String run = first(view, "\"id\":(\\d+)");
        List<Double> took = new ArrayList<>();
        for (int i = 0; i < ANSWERS; i++) {
            Matcher rest = Pattern.compile("\"rest\":\\{[^{}]*\"seconds\":([\\d.]+)").matcher(step(view));
            boolean resting = rest.find();
            if (!resting && step(view).contains("\"pass\":null")) {
                break;
            }
            String body = "{\"clientId\":\"" + UUID.randomUUID() + "\",\"holder\":\"" + holder + "\",\"ordinal\":" + i
                    + (resting
                            ? ",\"kind\":\"RESTED\",\"seconds\":" + rest.group(1)
                            : ",\"kind\":\"JUDGED\",\"verdict\":\"CLEAN\",\"tension\":1")
                    + "}";
            long began = System.nanoTime();
            view = send("POST", "/api/runs/" + run + "/events", body);
            took.add((System.nanoTime() - began) / 1e6);
        }
        print("an answer, of " + took.size(), took);
        send("POST", "/api/runs/" + run + "/events", "{\"clientId\":\"" + UUID.randomUUID() + "\",\"holder\":\"" + holder
                + "\",\"ordinal\":0,\"kind\":\"STOPPED\",\"seconds\":0}");
    }

    private static String step(String view) {
        return view.substring(view.indexOf("\"step\":"), view.indexOf("\"upcoming\":"));
    }

    private static String first(String text, String pattern) {
        Matcher found = Pattern.compile(pattern).matcher(text);
        if (!found.find()) {
            throw new IllegalStateException("No " + pattern + " in " + text.substring(0, Math.min(400, text.length())));
        }
        return found.group(1);
    }

    private static void print(String what, List<Double> took) {
        Collections.sort(took);
        System.out.printf(
                Locale.ROOT,
                "%-24s median %6.1f ms   p95 %6.1f ms   most %6.1f ms%n",
                what,
                took.get(took.size() / 2),
                took.get((int) (took.size() * 0.95)),
                took.get(took.size() - 1));
    }

    private String send(String method, String path, String body) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .method(
                        method,
                        body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        if (body != null) {
            request.header("Content-Type", "application/json");
        }
        cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .ifPresent(token -> request.header("X-XSRF-TOKEN", token));
        HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 300) {
            throw new IllegalStateException(method + " " + path + ": " + answer.statusCode() + " " + answer.body());
        }
        return answer.body();
    }
}

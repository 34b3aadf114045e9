import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Many players at a musician's pace: each answers steps of a workout and looks at pages, about one request in two seconds. Prints
 * how long each kind of request took, as such and over what the same pace takes of an endpoint that does nothing.
 */
public final class Crowd {

    /** Musical time runs so many times faster, so that an answer is due every few seconds. */
    private static final int SPEED = 20;

    private static final String KESTREL = "M:4/4\\nL:1/16\\nK:F\\nDFAG FECD FGAc _BAGF | EDCD FDA,D CDEF GAGE | D4";
    private static final String EMPTY = "/actuator/health/liveness";
    private static final List<String> PAGES =
            List.of("/api/today", "/api/load", "/api/log", "/api/passages", "/api/season", "/api/changes");

    private static final Map<String, List<Double>> TOOK = new ConcurrentHashMap<>();
    private static final AtomicInteger ERRORS = new AtomicInteger();

    private final String base;
    private final Random random;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http;
    private final String holder = UUID.randomUUID().toString();
    private String section;
    private String run;

    private Crowd(String base, HttpClient.Builder client, int number) {
        this.base = base;
        this.random = new Random(number);
        this.http = client.cookieHandler(cookies).build();
    }

    /** Takes the address of the server, its process, how many players, and for how many seconds. */
    public static void main(String[] args) throws Exception {
        int players = Integer.parseInt(args[2]);
        long seconds = Long.parseLong(args[3]);
        List<Crowd> crowd = new ArrayList<>();
        for (int i = 0; i < players; i++) {
            crowd.add(new Crowd(args[0], HttpClient.newBuilder(), i));
        }
        ExecutorService threads = Executors.newFixedThreadPool(players);
        all(threads, crowd, Crowd::register);
        TOOK.clear();
        all(threads, crowd, one -> one.empty(Math.max(20, seconds / 5)));
        List<Double> nothing = TOOK.remove(EMPTY);
        double before = processor(args[1]);
        all(threads, crowd, one -> one.practise(seconds));
        double spent = processor(args[1]) - before;
        threads.shutdown();
        print(EMPTY, nothing, nothing);
        new TreeMap<>(TOOK).forEach((kind, took) -> print(kind, took, nothing));
        int requests = TOOK.values().stream().mapToInt(List::size).sum();
        System.out.printf(
                Locale.ROOT,
                "%d players, %d requests in %d s; %.1f ms of processor each; %d errors%n",
                players,
                requests,
                seconds,
                1000 * spent / requests,
                ERRORS.get());
    }

    private interface Doing {
        void by(Crowd one) throws Exception;
    }

    private static void all(ExecutorService threads, List<Crowd> crowd, Doing doing) throws Exception {
        List<Future<?>> doings = new ArrayList<>();
        for (Crowd one : crowd) {
            doings.add(threads.submit(() -> {
                doing.by(one);
                return null;
            }));
        }
        for (var one : doings) {
            one.get();
        }
    }

    /** Seconds of the processors that a process has had. */
    private static double processor(String pid) {
        return ProcessHandle.of(Long.parseLong(pid))
                .flatMap(process -> process.info().totalCpuDuration())
                .map(Duration::toMillis)
                .orElseThrow() / 1e3;
    }

    private void register() throws Exception {
        send("", "GET", "/api/greeting", null);
        String name = "crowd-" + UUID.randomUUID();
        while (!send("", "POST", "/api/account",
                        "{\"name\":\"" + name + "\",\"password\":\"a lantern at the quay\",\"zone\":\"Europe/Lisbon\"}")
                .contains("\"name\"")) {
            TimeUnit.MILLISECONDS.sleep(500 + random.nextInt(1_000));
        }
        send("", "PUT", "/api/account/habits",
                "{\"instrument\":\"MALLET\",\"usualMinutes\":600,\"roughCounts\":false,\"looseOnly\":false}");
        String passage = send("", "POST", "/api/passages", "{\"title\":\"Kestrel Weather\",\"instrument\":\"MALLET\","
                + "\"music\":{\"source\":\"ABC\",\"meter\":\"4/4\",\"beatUnit\":\"\",\"text\":\"" + KESTREL + "\",\"bars\":0},"
                + "\"targetBpm\":138,\"cleanAt\":110,\"played\":true,\"version\":0}");
        section = first(passage, "\"sections\":\\[\\{\"id\":(\\d+)");
        ERRORS.set(0);
    }

    private void empty(long seconds) throws Exception {
        long until = System.nanoTime() + seconds * 1_000_000_000;
        while (System.nanoTime() < until) {
            pause();
            send(EMPTY, "GET", EMPTY, null);
        }
    }

    private void practise(long seconds) throws Exception {
        long until = System.nanoTime() + seconds * 1_000_000_000;
        String view = null;
        // Nobody begins at the same moment as everybody else.
        TimeUnit.MILLISECONDS.sleep(random.nextInt((int) Math.min(30, seconds / 3) * 1_000));
        while (System.nanoTime() < until) {
            pause();
            if (view == null) {
                view = begin();
            } else if (random.nextInt(3) == 0) {
                String page = PAGES.get(random.nextInt(PAGES.size()));
                send(page, "GET", page, null);
            } else {
                view = answer(view);
            }
        }
    }

    private void pause() throws InterruptedException {
        TimeUnit.MILLISECONDS.sleep(1_000 + random.nextInt(2_000));
    }

    private String begin() throws Exception {
        String view = send("begin", "POST", "/api/runs", "{\"holder\":\"" + holder + "\",\"plan\":{\"sectionId\":" + section
                + ",\"minutes\":30,\"school\":\"INTERVAL_BURSTS\",\"bursts\":6,\"burstBeats\":2,\"controlledShare\":0.62,"
                + "\"firstBurstShare\":1.03,\"cleanInARow\":3,\"caution\":\"USUAL\",\"focus\":\"\",\"roughCounts\":false,"
                + "\"looseOnly\":false}}");
        run = first(view, "\"id\":(\\d+)");
        return run == null ? null : view;
    }

    /** Answers the step at hand, once the time it takes is over. */
    private String answer(String view) throws Exception {
        String rest = first(view, "\"rest\":\\{[^}]*?\"seconds\":([0-9.]+)");
        String pass = first(view, "\"pass\":\\{[^{}]*?\"seconds\":([0-9.]+)");
        if (rest == null && pass == null) {
            return null;
        }
        double seconds = Double.parseDouble(rest != null ? rest : pass);
        TimeUnit.MILLISECONDS.sleep((long) (1_000 * seconds / SPEED));
        String ordinal = first(view, "\"ordinal\":(\\d+)");
        String event = "{\"clientId\":\"" + UUID.randomUUID() + "\",\"holder\":\"" + holder + "\",\"ordinal\":" + ordinal
                + (rest != null
                        ? ",\"kind\":\"RESTED\",\"seconds\":" + Math.ceil(seconds) + "}"
                        : ",\"kind\":\"JUDGED\",\"verdict\":\"CLEAN\",\"tension\":" + random.nextInt(3) + "}");
        String next = send("answer", "POST", "/api/runs/" + run + "/events", event);
        if (next.contains("\"ended\":\"")) {
            return null;
        }
        return next.contains("\"ordinal\"") ? next : send("a run again", "GET", "/api/runs/" + run + "?holder=" + holder, null);
    }

    private String send(String kind, String method, String path, String body) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .timeout(Duration.ofSeconds(60))
                .header("Content-Type", "application/json")
                .method(method, body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .forEach(token -> request.setHeader("X-XSRF-TOKEN", token));
        long began = System.nanoTime();
        try {
            HttpResponse<String> response = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            if (!kind.isEmpty()) {
                TOOK.computeIfAbsent(kind, none -> Collections.synchronizedList(new ArrayList<>()))
                        .add((System.nanoTime() - began) / 1e6);
                if (response.statusCode() >= 400) {
                    ERRORS.incrementAndGet();
                    System.err.println(method + " " + path + ": " + response.statusCode() + " " + response.body());
                }
            }
            return response.body();
        } catch (IOException gone) {
            ERRORS.incrementAndGet();
            System.err.println(method + " " + path + ": " + gone);
            return "";
        }
    }

    private static String first(String text, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(text == null ? "" : text);
        if (!matcher.find()) {
            return null;
        }
        return matcher.group(1);
    }

    private static void print(String kind, List<Double> took, List<Double> nothing) {
        System.out.printf(
                Locale.ROOT,
                "%-28s %6d   p50 %7.1f ms (%5.1f)   p95 %7.1f ms (%5.1f)   p99 %7.1f ms (%5.1f)%n",
                kind,
                took.size(),
                share(took, 0.5),
                share(took, 0.5) / share(nothing, 0.5),
                share(took, 0.95),
                share(took, 0.95) / share(nothing, 0.95),
                share(took, 0.99),
                share(took, 0.99) / share(nothing, 0.99));
    }

    private static double share(List<Double> took, double share) {
        List<Double> sorted = took.stream().sorted().toList();
        return sorted.get((int) Math.min(sorted.size() - 1, Math.floor(share * sorted.size())));
    }
}

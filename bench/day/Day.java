import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Whole days of some players against a server whose clock runs faster and which is killed, with its database, again and again:
 * workouts, tests, counts, practice away, seasons, notebooks, exports and imports, calendars. Says what was confirmed and is lost,
 * what is there twice, and whose day is past a cap.
 */
public final class Day {

    private static final String KESTREL = "M:4/4\\nL:1/16\\nK:F\\nDFAG FECD FGAc _BAGF | EDCD FDA,D CDEF GAGE | D4";
    private static final Duration PATIENCE = Duration.ofMinutes(3);
    private static final ConcurrentLinkedQueue<String> FAULTS = new ConcurrentLinkedQueue<>();
    private static final Map<String, AtomicInteger> DONE = new ConcurrentSkipListMap<>();


    private final String base;
    private final int times;
    private final Random random;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).connectTimeout(Duration.ofSeconds(5)).build();
    private final String holder = UUID.randomUUID().toString();
    private final Map<String, Set<String>> confirmed = new LinkedHashMap<>();
    private String name;
    private String passage;
    private String section;
    private String change;
    private String calendar;
    private int counted;

    private Day(String base, int times, int number) {
        this.base = base;
        this.times = times;
        this.random = new Random(number);
    }

    /** Takes the address, how many times faster the clock runs, how many players, and for how many seconds of ours. */
    public static void main(String[] args) throws Exception {
        int players = Integer.parseInt(args[2]);
        long until = System.nanoTime() + Long.parseLong(args[3]) * 1_000_000_000;
        ExecutorService threads = Executors.newFixedThreadPool(players);
        List<Day> days = new ArrayList<>();
        List<Future<?>> all = new ArrayList<>();
        for (int i = 0; i < players; i++) {
            Day day = new Day(args[0], Integer.parseInt(args[1]), i);
            days.add(day);
            all.add(threads.submit(() -> {
                day.begin();
                while (System.nanoTime() < until) {
                    day.deed();
                }
                return null;
            }));
        }
        for (Future<?> one : all) {
            one.get();
        }
        for (Day day : days) {
            day.check();
        }
        threads.shutdown();
        int answers = days.stream()
                .flatMap(day -> day.confirmed.values().stream())
                .mapToInt(Set::size)
                .sum();
        System.out.println("done: " + DONE);
        System.out.printf(
                Locale.ROOT,
                "%d players, %d workouts, %d answers confirmed; %d faults%n",
                players,
                days.stream().mapToInt(day -> day.confirmed.size()).sum(),
                answers,
                FAULTS.size());
        FAULTS.stream().limit(20).forEach(System.out::println);
        System.exit(FAULTS.isEmpty() ? 0 : 1);
    }

    private void begin() throws Exception {
        send("GET", "/api/greeting", null);
        name = "day-" + UUID.randomUUID();
        register(name);
        send("PUT", "/api/account/habits",
                "{\"instrument\":\"MALLET\",\"usualMinutes\":40,\"roughCounts\":false,\"looseOnly\":false}");
        String made = send("POST", "/api/passages", "{\"title\":\"Kestrel Weather\",\"instrument\":\"MALLET\",\"music\":"
                + "{\"source\":\"ABC\",\"meter\":\"4/4\",\"beatUnit\":\"\",\"text\":\"" + KESTREL + "\",\"bars\":0},\"targetBpm\":138,"
                + "\"cleanAt\":110,\"played\":true,\"version\":0,\"clientId\":\"" + UUID.randomUUID() + "\"}");
        passage = first(made, "\"passage\":\\{\"id\":(\\d+)");
        section = first(made, "\"sections\":\\[\\{\"id\":(\\d+)");
        change = first(
                send("POST", "/api/changes", "{\"name\":\"G to C\",\"song\":\"\",\"target\":112,\"beats\":2}"),
                "\"changes\":\\[\\{\"id\":(\\d+)");
        calendar = first(send("POST", "/api/season/feed", "{}"), "\"address\":\"([^\"]+)\"");
    }

    private void register(String as) throws Exception {
        String made = "";
        while (!made.contains("\"name\"") && !made.contains("is taken")) {
            made = send("POST", "/api/account",
                    "{\"name\":\"" + as + "\",\"password\":\"a lantern at the quay\",\"zone\":\"Europe/Lisbon\"}");
        }
        if (made.contains("is taken")) {
            // It was taken, and the answer was lost.
            send("POST", "/api/session",
                    "{\"name\":\"" + as + "\",\"password\":\"a lantern at the quay\",\"zone\":\"Europe/Lisbon\"}");
        }
    }

    /** What somebody does next: mostly a workout, and between them what else there is. */
    private void deed() throws Exception {
        int next = random.nextInt(12);
        if (next < 4) {
            workout(next == 0 ? "CEILING_TEST" : "INTERVAL_BURSTS");
        } else if (next == 4) {
            counted++;
            send("POST", "/api/changes/" + change + "/counts",
                    "{\"clientId\":\"" + UUID.randomUUID() + "\",\"seconds\":60,\"clean\":" + (20 + random.nextInt(20)) + "}");
        } else if (next == 5) {
            send("POST", "/api/load/elsewhere", "{\"clientId\":\"" + UUID.randomUUID()
                    + "\",\"kind\":\"LESSON\",\"minutes\":" + (1 + random.nextInt(5)) + "}");
        } else if (next == 6) {
            send("GET", "/api/season", null);
            read(calendar, null);
        } else if (next == 7) {
            upload("/api/imports/practice?keep=true", ("date,minutes\n2026-01-0" + (1 + random.nextInt(9)) + ",20\n").getBytes());
        } else if (next == 8) {
            taken();
        } else if (next == 9) {
            send("POST", "/api/passages/" + passage + "/practice", "{\"clientId\":\"" + UUID.randomUUID()
                    + "\",\"bpm\":90,\"seconds\":30,\"varied\":false}");
        } else {
            for (String page : List.of("/api/today", "/api/load", "/api/log", "/api/passages/" + passage + "/practice-sheet",
                    "/api/ceiling")) {
                send("GET", page, null);
            }
        }
        DONE.computeIfAbsent(next < 4 ? "workout" : "deed " + next, none -> new AtomicInteger()).incrementAndGet();
        // Nobody does one thing after the other all day.
        TimeUnit.MILLISECONDS.sleep(1_000L * (300 + random.nextInt(1_500)) / times);
    }

    private void workout(String school) throws Exception {
        String view = send("POST", "/api/runs", "{\"holder\":\"" + holder + "\",\"plan\":{\"sectionId\":" + section
                + ",\"minutes\":" + (school.equals("CEILING_TEST") ? 18 : 15) + ",\"school\":\"" + school
                + "\",\"bursts\":6,\"burstBeats\":2,\"controlledShare\":0.62,\"firstBurstShare\":1.03,\"cleanInARow\":3,"
                + "\"caution\":\"USUAL\",\"focus\":\"\",\"roughCounts\":false,\"looseOnly\":false}}");
        String run = first(view, "\"runId\":(\\d+)");
        if (run != null) {
            view = send("GET", "/api/runs/" + run + "?holder=" + holder, null);
        }
        run = run == null ? first(view, "\\{\"id\":(\\d+)") : run;
        if (run == null) {
            return;
        }
        Set<String> answers = confirmed.computeIfAbsent(run, none -> new LinkedHashSet<>());
        for (int i = 0; i < 150 && !view.contains("\"ended\":\""); i++) {
            String rest = first(view, "\"rest\":\\{[^}]*?\"seconds\":([0-9.]+)");
            String pass = first(view, "\"pass\":\\{[^{}]*?\"seconds\":([0-9.]+)");
            if (rest == null && pass == null) {
                return;
            }
            double seconds = Double.parseDouble(rest != null ? rest : pass);
            TimeUnit.MILLISECONDS.sleep((long) (1_000 * seconds / times) + 5);
            String id = UUID.randomUUID().toString();
            String event = "{\"clientId\":\"" + id + "\",\"holder\":\"" + holder + "\",\"ordinal\":"
                    + first(view, "\"ordinal\":(\\d+)")
                    + (rest != null
                            ? ",\"kind\":\"RESTED\",\"seconds\":" + Math.ceil(seconds) + "}"
                            : ",\"kind\":\"JUDGED\",\"verdict\":\"" + (random.nextInt(4) == 0 ? "ROUGH" : "CLEAN")
                                    + "\",\"tension\":" + random.nextInt(4) + "}");
            String next = send("POST", "/api/runs/" + run + "/events", event);
            if (next.contains("\"code\":\"too-soon\"")) {
                TimeUnit.MILLISECONDS.sleep(200);
                next = send("POST", "/api/runs/" + run + "/events", event);
            }
            if (next.contains("\"ordinal\":")) {
                if (rest == null) {
                    answers.add(id);
                }
                view = next;
            } else {
                view = send("GET", "/api/runs/" + run + "?holder=" + holder, null);
            }
        }
    }

    /** All of it is taken along into a new account, which holds the same. */
    private void taken() throws Exception {
        byte[] file = read("/api/exports/account", null);
        Day other = new Day(base, times, random.nextInt());
        other.send("GET", "/api/greeting", null);
        other.register("day-" + UUID.randomUUID());
        String read = other.upload("/api/imports/account", file);
        if (!read.contains("\"passages\"") && !read.contains("holds something already")) {
            FAULTS.add(name + ": its file is not read: " + read);
        }
    }

    private void check() throws Exception {
        for (Map.Entry<String, Set<String>> run : confirmed.entrySet()) {
            String heard = send("GET", "/api/runs/" + run.getKey() + "/events", null);
            List<String> kept = new ArrayList<>();
            Matcher ids = Pattern.compile("\"clientId\":\"([^\"]+)\"").matcher(heard);
            while (ids.find()) {
                kept.add(ids.group(1));
            }
            for (String id : run.getValue()) {
                long there = kept.stream().filter(id::equals).count();
                if (there != 1) {
                    FAULTS.add(name + ": an answer that was confirmed is there " + there + " times");
                }
            }
        }
        String load = send("GET", "/api/load", null);
        Matcher limits = Pattern.compile("\"kind\":\"(\\w+)\"[^}]*?\"cap\":([0-9.E-]+)[^}]*?\"used\":([0-9.E-]+)").matcher(load);
        while (limits.find()) {
            double cap = Double.parseDouble(limits.group(2));
            double used = Double.parseDouble(limits.group(3));
            // What was played elsewhere is over when it is told, and counts all the same.
            if (limits.group(1).equals("BURST_SECONDS") && used > cap + 1e-6) {
                FAULTS.add(name + ": " + used + " of " + cap + " fast seconds");
            }
        }
        for (String page : List.of("/api/today", "/api/log", "/api/season", "/api/ceiling", "/api/passages/" + passage + "/practice-sheet")) {
            String answer = send("GET", page, null);
            if (answer.contains("\"status\":5") || answer.isEmpty()) {
                FAULTS.add(name + ": " + page + " does not open: " + answer);
            }
        }
        samePasses(load);
        String log = send("GET", "/api/log", null);
        Matcher passes = Pattern.compile("\"runId\":(\\d+)[^\\]]*?\"passes\":(\\d+)").matcher(log);
        while (passes.find()) {
            Set<String> answers = confirmed.get(passes.group(1));
            if (answers != null && Integer.parseInt(passes.group(2)) < answers.size()) {
                FAULTS.add(name + ": the log has " + passes.group(2) + " passes of " + answers.size() + " that were confirmed");
            }
        }
    }

    /** What the days of Load add up to is what the workouts of the log do, and what counts say is what was counted. */
    private void samePasses(String load) throws Exception {
        double passes = sum(load, "\"passes\":(\\d+)");
        double fast = sum(load.substring(load.indexOf("\"days\":")), "\"burstSeconds\":([0-9.E-]+)");
        double logged = 0;
        double loggedFast = 0;
        String older = "";
        while (older != null) {
            String page = send("GET", "/api/log" + older, null);
            logged += sum(page, "\"passes\":(\\d+),");
            loggedFast += sum(page, "\"burstSeconds\":([0-9.E-]+)");
            String next = first(page, "\"olderThan\":(\\d+)");
            older = next == null ? null : "?before=" + next;
        }
        if (passes != logged || Math.abs(fast - loggedFast) > 0.001) {
            FAULTS.add(name + ": Load has " + passes + " passes with " + fast + " fast seconds, the log " + logged + " with "
                    + loggedFast);
        }
        String counts = send("GET", "/api/changes", null);
        double best = best(counts, "\"perMinute\":([0-9.]+)");
        if (counted > 0 && best != best(counts, "\"best\":([0-9.]+)")) {
            FAULTS.add(name + ": the best count is not among the counts");
        }
    }

    private static double sum(String text, String pattern) {
        return Pattern.compile(pattern).matcher(text).results().mapToDouble(one -> Double.parseDouble(one.group(1))).sum();
    }

    private static double best(String text, String pattern) {
        return Pattern.compile(pattern).matcher(text).results().mapToDouble(one -> Double.parseDouble(one.group(1))).max().orElse(0);
    }

    // Asking again until there is an answer

    private String send(String method, String path, String body) throws Exception {
        return new String(request(method, path, body == null ? null : body.getBytes(), "application/json"));
    }

    private String upload(String path, byte[] file) throws Exception {
        return new String(request("POST", path, file, "application/octet-stream"));
    }

    private byte[] read(String path, byte[] body) throws Exception {
        return request("GET", path, body, "application/json");
    }

    private byte[] request(String method, String path, byte[] body, String type) throws Exception {
        long until = System.nanoTime() + PATIENCE.toNanos();
        while (true) {
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base).resolve(path))
                    .timeout(Duration.ofSeconds(30))
                    .header("Content-Type", type)
                    .method(method, body == null
                            ? HttpRequest.BodyPublishers.noBody()
                            : HttpRequest.BodyPublishers.ofByteArray(body));
            cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                    .map(HttpCookie::getValue)
                    .forEach(token -> request.setHeader("X-XSRF-TOKEN", token));
            try {
                HttpResponse<byte[]> response = http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
                if (response.statusCode() == 500) {
                    FAULTS.add(method + " " + path + ": " + new String(response.body()));
                }
                if (response.statusCode() != 503 && response.statusCode() != 429) {
                    return response.body();
                }
            } catch (IOException away) {
                // The server is away just now, and comes again.
            }
            if (System.nanoTime() > until) {
                FAULTS.add(name + ": no answer to " + method + " " + path);
                return new byte[0];
            }
            TimeUnit.MILLISECONDS.sleep(300);
        }
    }

    private static String first(String text, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(text == null ? "" : text);
        return matcher.find() ? matcher.group(1) : null;
    }
}

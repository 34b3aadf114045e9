package tachylim.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.options.Sizes;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** How load grows with players: what one of them asks for in an hour of practice, and how many are carried. Printed, not judged. */
@Tag("cluster")
@Timeout(value = 40, unit = TimeUnit.MINUTES)
class GrowingBench {

    private static final int SPEED = 20;
    private static final int PLAYERS = Integer.getInteger("tachylim.growing.players", 6);
    private static final int ANSWERS = Integer.getInteger("tachylim.growing.answers", 60);
    private static final double TICKS_A_SECOND = 100;

    @TempDir
    private static Path home;

    /** What a process has had of the processor, in seconds. */
    private static double cpuSeconds(long pid) {
        try {
            String stat = Files.readString(Path.of("/proc/" + pid + "/stat"));
            String[] fields = stat.substring(stat.lastIndexOf(')') + 2).split(" ");
            return (Long.parseLong(fields[11]) + Long.parseLong(fields[12])) / TICKS_A_SECOND;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static long databasePid(App app) {
        try {
            return Long.parseLong(
                    Files.readString(Path.of(app.ask("SELECT @@pid_file"))).strip());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** How many rows each table has, of all that players write. */
    private static Map<String, Long> rows(App app) {
        Map<String, Long> rows = new TreeMap<>();
        for (String table : app.ask(
                        "SELECT GROUP_CONCAT(table_name) FROM information_schema.tables WHERE table_schema = DATABASE() "
                                + "AND table_name NOT IN ('pulse', 'baton', 'flyway_schema_history')")
                .split(",")) {
            rows.put(table, Long.parseLong(app.ask("SELECT COUNT(*) FROM " + table)));
        }
        return rows;
    }

    private static double practisedHours(App app) {
        String seconds = app.ask("SELECT COALESCE(SUM(TIMESTAMPDIFF(MICROSECOND, started_at, last_at)), 0) FROM run");
        return Double.parseDouble(seconds) / 1e6 * SPEED / 3_600;
    }

    /** A player with the pages open, from the first of them to the end of a workout, and what came of it. */
    @Test
    void anHourOfPractice() {
        try (App app = App.start("hour", SPEED);
                Browsing browsing = new Browsing()) {
            BrowserContext context = browsing.somebody(app);
            Musician somebody = new Musician(browsing.page(context)).register().firstWorkout();
            AtomicLong requests = new AtomicLong();
            AtomicLong bytes = new AtomicLong();
            somebody.page.onRequestFinished(request -> {
                if (request.url().contains("/api/")) {
                    requests.incrementAndGet();
                    bytes.addAndGet(size(request));
                }
            });
            Map<String, Long> rowsBefore = rows(app);
            double server = cpuSeconds(app.pid());
            double database = cpuSeconds(databasePid(app));
            somebody.playToTheEnd();
            somebody.untilArrived();
            look(somebody.page, app);
            double hours = practisedHours(app);
            double serverTook = cpuSeconds(app.pid()) - server;
            double databaseTook = cpuSeconds(databasePid(app)) - database;
            Map<String, Long> grown = rows(app);
            grown.replaceAll((table, many) -> many - rowsBefore.getOrDefault(table, 0L));
            grown.values().removeIf(many -> many == 0);
            long written = grown.values().stream().mapToLong(Long::longValue).sum();
            System.out.printf(
                    "Practised %.2f h. In an hour: %.0f requests, %.0f kB, %.0f rows, %.1f s of processor for the instance, %.1f s for the database%n",
                    hours,
                    requests.get() / hours,
                    bytes.get() / 1024.0 / hours,
                    written / hours,
                    serverTook / hours,
                    databaseTook / hours);
            System.out.println("Rows written: " + grown);
        }
    }

    /** What somebody looks at after a workout. */
    private static void look(Page page, App app) {
        for (String path : List.of("/", "/ceiling", "/load", "/log", "/season")) {
            page.navigate(app.base() + path);
            page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
        }
    }

    private static long size(Request request) {
        Sizes sizes = request.sizes();
        return (long) sizes.requestBodySize
                + sizes.requestHeadersSize
                + sizes.responseBodySize
                + sizes.responseHeadersSize;
    }

    private static void carried(String what, List<String> doors) {
        new Rehearsal("warm-" + what.replace(' ', '-'), doors, ANSWERS, 1)
                .quietly()
                .begin(PLAYERS)
                .join();
        for (int players : List.of(1, PLAYERS / 2, PLAYERS, PLAYERS * 2)) {
            long began = System.nanoTime();
            Rehearsal rehearsal = new Rehearsal(what.replace(' ', '-') + "-" + players, doors, ANSWERS, players)
                    .quietly()
                    .begin(players)
                    .join();
            double seconds = (System.nanoTime() - began) / 1e9;
            System.out.printf(
                    "%s, %d at once without a pause: %.0f answers a second, 95 of 100 within %.0f ms%n",
                    what, players, rehearsal.told() / seconds, rehearsal.p95Millis());
        }
    }

    @Test
    void whatOneInstanceCarries() {
        try (App app = App.start("carried", 100_000)) {
            carried("one instance", List.of(app.base()));
        }
    }

    @Test
    void whatAClusterCarries() {
        try (Cluster cluster = new Cluster(home)) {
            new Client(cluster.door()).post("/api/demo", Map.of());
            carried("a cluster", List.of(cluster.door()));
        }
    }
}

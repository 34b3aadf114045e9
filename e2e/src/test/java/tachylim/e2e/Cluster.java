package tachylim.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;

/** Three nodes, two instances and what stands before them, started by the launcher as a school would start them. */
final class Cluster implements AutoCloseable {

    static final List<String> NODES = List.of("node1", "node2", "node3");

    private final Installation installation;
    private final Map<String, String> map;
    private final Map<String, Single> pair = new LinkedHashMap<>();

    Cluster(Path home) {
        this(home, Installation.AT_ONCE);
    }

    /** A cluster on which musical time runs this many times faster than the clock on the wall. */
    Cluster(Path home, int speed) {
        String missing = System.getenv("TACHYLIM_NO_CLUSTER");
        Assumptions.assumeTrue(
                missing == null, () -> "The trial of several instances on a cluster was left out: " + missing);
        installation = new Installation(home, speed).start("cluster");
        map = lines(home.resolve("cluster.map"))
                .collect(Collectors.toMap(
                        line -> line.split(" ")[0], line -> line.split(" ", 2)[1], (a, b) -> b, TreeMap::new));
    }

    private static Stream<String> lines(Path file) {
        try {
            return Files.readAllLines(file).stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Where everybody goes in. */
    String door() {
        return installation.base();
    }

    /** The doors of the two instances themselves, past what stands before them. */
    List<String> doors() {
        return List.of(at(map.get("instance1")), at(map.get("instance2")));
    }

    private static String at(String port) {
        return "http://localhost:" + port;
    }

    // Two more instances, each writing to a node of its own

    /**
     * Starts two instances at once on an empty database, each of which writes to a node of its own: what the launcher never
     * does, and what happens all the same for a moment when a writer goes.
     *
     * @return their doors
     */
    List<String> pairOfWriters(String database) {
        ask("node1", "CREATE DATABASE " + database);
        awaitEqual(List.of());
        List<String> doors = List.of(at(String.valueOf(App.freePort())), at(String.valueOf(App.freePort())));
        for (int i = 0; i < 2; i++) {
            pair.put(doors.get(i), new Single(doors.get(i), map.get(NODES.get(i) + "-sql"), database));
        }
        doors.forEach(this::awaitReady);
        return doors;
    }

    /** One of a pair goes, in its own time, and comes back from this jar, as it does when it is upgraded. */
    void upgrade(String door, Path jar) {
        pair.get(door).stop();
        pair.get(door).start(jar);
        awaitReady(door);
    }

    private void awaitReady(String door) {
        installation.await(() -> pair.get(door).process.isAlive()
                && new Client(door).get("/actuator/health/readiness").ok());
    }

    /** An instance that the launcher knows nothing of. */
    private final class Single {

        private final String door;
        private final String node;
        private final String database;
        private Process process;

        private Single(String door, String node, String database) {
            this.door = door;
            this.node = node;
            this.database = database;
            start(App.JAR);
        }

        private void start(Path jar) {
            ProcessBuilder builder = new ProcessBuilder(
                            "java",
                            "-Xmx512m",
                            "-XX:+UseSerialGC",
                            "-XX:TieredStopAtLevel=1",
                            "-jar",
                            jar.toString(),
                            "--server.port=" + URI.create(door).getPort(),
                            "--tachylim.speed=" + Installation.AT_ONCE,
                            "--tachylim.hash-strength=4")
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.appendTo(installation
                            .home()
                            .resolve(database + "-" + node + ".log")
                            .toFile()));
            String password =
                    lines(installation.home().resolve("password")).findFirst().orElseThrow();
            builder.environment()
                    .putAll(Map.of(
                            "TACHYLIM_DB_URL",
                            "jdbc:mariadb://127.0.0.1:" + node + "/" + database,
                            "TACHYLIM_DB_USER",
                            "tachylim",
                            "TACHYLIM_DB_PASSWORD",
                            password));
            try {
                process = builder.start();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private void stop() {
            process.destroy();
            process.onExit().join();
        }
    }

    // The nodes

    private String socket(String node) {
        return map.get("home") + "/" + node + ".sock";
    }

    /** Asks one node, past everything that stands before it. */
    List<String> ask(String node, String query) {
        return Installation.ask(socket(node), query);
    }

    /** Lets a node fall behind the others for a while: what it is sent waits, and it is not asked to slow them down. */
    void lag(String node, long millis) {
        ask(
                node,
                "SET GLOBAL wsrep_desync = ON; FLUSH TABLES WITH READ LOCK; DO SLEEP(" + millis / 1000.0
                        + "); UNLOCK TABLES; SET GLOBAL wsrep_desync = OFF");
    }

    /** The node to which everything is written just now. */
    String writer() {
        for (String node : NODES) {
            if (isSynced(node)
                    && !ask(node, "SELECT 1 FROM information_schema.processlist WHERE user = 'tachylim' LIMIT 1")
                            .isEmpty()) {
                return node;
            }
        }
        return NODES.get(0);
    }

    /** Which part it is that has this task just now: the writer, another node, or an instance. */
    String part(String task, Random random) {
        return switch (task) {
            case "writer" -> writer();
            case "another node" -> {
                String writer = writer();
                yield NODES.stream()
                        .filter(node -> !node.equals(writer))
                        .findFirst()
                        .orElseThrow();
            }
            case "instance" -> random.nextBoolean() ? "instance1" : "instance2";
            default -> task;
        };
    }

    private boolean isSynced(String node) {
        return says(node, "wsrep_local_state_comment", "Synced");
    }

    /** Whether a node has caught up and sees all others: one that was frozen believes for a moment that it has missed nothing. */
    private boolean isWithTheOthers(String node) {
        return isSynced(node) && says(node, "wsrep_cluster_size", String.valueOf(NODES.size()));
    }

    private boolean says(String node, String variable, String value) {
        try {
            return ask(
                            node,
                            "SELECT variable_value FROM information_schema.global_status WHERE variable_name = '"
                                    + variable + "'")
                    .equals(List.of(value));
        } catch (AssertionError away) {
            return false;
        }
    }

    /**
     * Ends a part as a power cut would: a node, an instance, or the proxy. It is away for a while then.
     *
     * @return the process that it was
     */
    long end(String part) {
        long before = installation.pid(part);
        installation.kill(part);
        return before;
    }

    /** Ends a part and waits until it is started again. */
    void kill(String part) {
        installation.awaitAnother(part, end(part));
    }

    /** Lets a node give up the others for good and run on by itself, and waits until it is started again. */
    void leave(String node) {
        long before = installation.pid(node);
        ask(node, "SET GLOBAL wsrep_cluster_address = ''");
        installation.awaitAnother(node, before);
    }

    /** Stops a part for a while in the middle of whatever it does, as a machine does that has too much to do. */
    void freeze(String part, int seconds) {
        String pid = String.valueOf(installation.pid(part));
        run("kill", "-STOP", pid);
        Client.after(Duration.ofSeconds(seconds), () -> run("kill", "-CONT", pid));
    }

    private static void run(String... command) {
        try {
            new ProcessBuilder(command).start().waitFor();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Waits until everything that was killed is back. */
    void awaitWhole() {
        installation.await(() -> NODES.stream().allMatch(this::isWithTheOthers)
                && doors().stream()
                        .allMatch(door -> new Client(door)
                                .get("/actuator/health/readiness")
                                .ok())
                && new Client(door()).get("/actuator/health/readiness").ok());
    }

    /** Waits until every table of these databases is the same on every node, and fails where one never becomes so. */
    void awaitEqual(List<String> databases) {
        installation.await(() -> NODES.stream().allMatch(this::isSynced));
        List<String> tables = databases.isEmpty()
                ? List.of()
                : ask(
                        "node1",
                        "SELECT CONCAT(table_schema, '.', table_name) FROM information_schema.tables WHERE table_schema IN ('"
                                + String.join("', '", databases) + "') ORDER BY 1");
        for (String table : tables) {
            installation.await(() -> NODES.stream()
                            .map(node -> ask(node, "SET wsrep_sync_wait = 15; CHECKSUM TABLE " + table))
                            .distinct()
                            .count()
                    == 1);
        }
    }

    /** Everything that the launcher has said. */
    String told() {
        return installation.told();
    }

    /** What the parts wrote down is there to look at afterwards. */
    private void keepLogs() {
        try {
            Path kept = Files.createDirectories(Path.of("target", "cluster"));
            for (Path from : List.of(installation.home(), Path.of(map.get("home")))) {
                try (DirectoryStream<Path> logs = Files.newDirectoryStream(from, "*.{log,txt}")) {
                    for (Path log : logs) {
                        Files.copy(log, kept.resolve(log.getFileName()), StandardCopyOption.REPLACE_EXISTING);
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        pair.values().forEach(single -> single.process.destroy());
        installation.close();
        keepLogs();
        try (Stream<Path> files = Files.walk(Path.of(map.get("home")))) {
            files.sorted(Comparator.reverseOrder())
                    .forEach(file -> file.toFile().delete());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

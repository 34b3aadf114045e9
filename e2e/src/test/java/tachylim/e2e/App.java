package tachylim.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;
import org.awaitility.Awaitility;

/** The real jar as a process of its own, against the database that {@code ./tachylim test} starts. */
final class App implements AutoCloseable {

    static final Path JAR = Path.of("..", "server", "target", "tachylim.jar");
    private static final Duration PATIENCE = Duration.ofMinutes(15);

    private final String database;
    private final List<String> settings;
    private final int port;
    private Process process;

    private App(String database, List<String> settings) {
        this.database = database;
        this.settings = settings;
        this.port = freePort();
    }

    /** A server on an empty database of this name, with musical time running {@code speed} times faster. */
    static App start(String name, int speed, String... more) {
        List<String> settings = new ArrayList<>(List.of(more));
        settings.add("--tachylim.speed=" + speed);
        settings.add("--tachylim.hash-strength=4");
        App app = new App("tachylim_" + name, settings);
        app.emptyDatabase();
        app.launch();
        return app;
    }

    /** Another version of the server, with one step more for the database; its libraries are those of this one. */
    static Path withMigration(Path jar, String name, String step) throws IOException {
        Files.copy(JAR, jar);
        Files.createSymbolicLink(
                jar.resolveSibling("lib"), JAR.resolveSibling("lib").toRealPath());
        try (FileSystem inside = FileSystems.newFileSystem(jar)) {
            Files.writeString(inside.getPath("db", "migration", name), step);
        }
        return jar;
    }

    static String environment(String name) {
        return Objects.requireNonNull(System.getenv(name), name + " is not set: run these tests with ./tachylim test");
    }

    private void emptyDatabase() {
        String url = "jdbc:mariadb://" + environment("TACHYLIM_DB_HOST") + "/";
        try (Connection connection = DriverManager.getConnection(
                        url, environment("TACHYLIM_DB_USER"), environment("TACHYLIM_DB_PASSWORD"));
                Statement statement = connection.createStatement()) {
            statement.execute("DROP DATABASE IF EXISTS " + database);
            statement.execute("CREATE DATABASE " + database);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    void launch() {
        List<String> command = new ArrayList<>(List.of(
                "java",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-jar",
                JAR.toString(),
                "--server.port=" + port));
        command.addAll(settings);
        ProcessBuilder builder = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(
                        Path.of("target", database + ".log").toFile()));
        builder.environment()
                .put("TACHYLIM_DB_URL", "jdbc:mariadb://" + environment("TACHYLIM_DB_HOST") + "/" + database);
        try {
            Files.createDirectories(Path.of("target"));
            process = builder.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        awaitHealth();
    }

    private void awaitHealth() {
        HttpClient http = HttpClient.newHttpClient();
        HttpRequest health = HttpRequest.newBuilder(URI.create(base() + "/actuator/health"))
                .timeout(Duration.ofSeconds(5))
                .build();
        Awaitility.await()
                .atMost(PATIENCE)
                .pollInSameThread()
                .pollInterval(Duration.ofMillis(200))
                .ignoreExceptionsMatching(IOException.class::isInstance)
                .failFast("it ended; see e2e/target/" + database + ".log", () -> !process.isAlive())
                .until(() -> http.send(health, HttpResponse.BodyHandlers.discarding())
                                .statusCode()
                        == 200);
    }

    private boolean awaitExit(long millis) {
        try {
            return process.waitFor(millis, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Ends the process as a power cut would. */
    void kill() {
        process.destroyForcibly();
        awaitExit(10_000);
    }

    String base() {
        return "http://localhost:" + port;
    }

    long pid() {
        return process.pid();
    }

    /** One value, asked of the database itself. */
    String ask(String query) {
        String url = "jdbc:mariadb://" + environment("TACHYLIM_DB_HOST") + "/" + database;
        try (Connection connection = DriverManager.getConnection(
                        url, environment("TACHYLIM_DB_USER"), environment("TACHYLIM_DB_PASSWORD"));
                Statement statement = connection.createStatement();
                ResultSet answer = statement.executeQuery(query)) {
            return answer.next() ? answer.getString(1) : "";
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        process.destroy();
        if (!awaitExit(15_000)) {
            process.destroyForcibly();
        }
    }

    /** The one port from there on that browsers refuse to open. */
    private static final int REFUSED = 10_080;

    /** A port to listen on, of those that the system gives to nobody who only calls: it may be a minute before it is taken. */
    static int freePort() {
        while (true) {
            int port = ThreadLocalRandom.current().nextInt(REFUSED + 1, 20_000);
            try (ServerSocket socket = new ServerSocket(port)) {
                return socket.getLocalPort();
            } catch (IOException isTaken) {
                // The next may be free.
            }
        }
    }
}

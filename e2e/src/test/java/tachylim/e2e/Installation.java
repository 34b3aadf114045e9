package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.awaitility.Awaitility;

/** An installation of its own, run by the launcher as a player runs it. */
final class Installation implements AutoCloseable {

    static final Path LAUNCHER = Path.of("..", "tachylim").toAbsolutePath().normalize();

    private static final Duration PATIENCE = Duration.ofMinutes(4);

    /** So that a workout takes no time: the clock's rule still holds, a hundred thousand times faster. */
    static final int AT_ONCE = 100_000;

    private final Path home;
    private final int speed;
    private final int port = App.freePort();
    private Path script = LAUNCHER;
    private Process launcher;

    Installation(Path home) {
        this(home, AT_ONCE);
    }

    /** An installation where musical time runs this many times faster than the clock on the wall. */
    Installation(Path home, int speed) {
        this.home = home;
        this.speed = speed;
    }

    /** What a call said, and how it ended. */
    record Said(int exit, String text) {}

    private ProcessBuilder call(String... words) {
        List<String> command = new ArrayList<>(List.of(script.toString()));
        command.addAll(List.of(words));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("TACHYLIM_HOME", home.toString());
        builder.environment().put("TACHYLIM_SPEED", String.valueOf(speed));
        return builder;
    }

    Said say(String... words) {
        try {
            Path output = Files.createTempFile("said", ".txt");
            Process process = call(words).redirectOutput(output.toFile()).start();
            assertThat(process.waitFor(4, TimeUnit.MINUTES)).isTrue();
            return new Said(process.exitValue(), Files.readString(output));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** From here on by the launcher of another version. */
    void changeTo(Path otherLauncher) {
        script = otherLauncher;
    }

    Installation start() {
        return start("start");
    }

    /** Starts what the launcher starts under this word, and waits until it is ready. */
    Installation start(String word) {
        try {
            Files.createDirectories(home);
            layDatabase();
            Files.deleteIfExists(home.resolve("address"));
            launcher = call(word, "--port", String.valueOf(port))
                    .redirectOutput(ProcessBuilder.Redirect.appendTo(
                            home.resolve("launcher.txt").toFile()))
                    .start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        await(() -> Files.exists(home.resolve("address")));
        return this;
    }

    /** A new one begins with a copy of an empty database where there is one: setting one up takes seconds. */
    private void layDatabase() throws IOException {
        String empty = System.getenv("TACHYLIM_EMPTY_DB");
        Path own = home.resolve("db");
        if (empty == null || Files.exists(own)) {
            return;
        }
        try (Stream<Path> files = Files.walk(Path.of(empty))) {
            for (Path file : (Iterable<Path>) files::iterator) {
                Files.copy(file, own.resolve(Path.of(empty).relativize(file)));
            }
        }
    }

    Path home() {
        return home;
    }

    void await(BooleanSupplier there) {
        Awaitility.await()
                .atMost(PATIENCE)
                .pollInSameThread()
                .failFast(() -> {
                    assertThat(launcher.isAlive())
                            .as(() -> "the launcher says: " + told() + whatLogsEndWith())
                            .isTrue();
                })
                .until(there::getAsBoolean);
    }

    /** Everything the launcher has said in its window. */
    String told() {
        try {
            return Files.readString(home.resolve("launcher.txt"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The folder is gone when the test is over: what has gone wrong is told while it is there. */
    private String whatLogsEndWith() {
        try (Stream<Path> files = Files.list(home)) {
            return files.filter(file -> file.toString().endsWith(".log"))
                    .map(Installation::endOf)
                    .collect(Collectors.joining("\n"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String endOf(Path log) {
        try {
            List<String> lines = Files.readAllLines(log);
            return log.getFileName() + ":\n"
                    + String.join("\n", lines.subList(Math.max(0, lines.size() - LINES_OF_A_LOG), lines.size()));
        } catch (IOException e) {
            return log + " cannot be read: " + e;
        }
    }

    private static final int LINES_OF_A_LOG = 40;

    String base() {
        return "http://localhost:" + port;
    }

    long pid(String of) {
        try {
            return Long.parseLong(Files.readString(home.resolve(of + ".pid")).strip());
        } catch (IOException | NumberFormatException beingWritten) {
            return -1;
        }
    }

    /** Ends one of the children as a power cut would; {@code of} is server or db. */
    void kill(String of) {
        ProcessHandle.of(pid(of)).ifPresent(ProcessHandle::destroyForcibly);
    }

    void awaitAnother(String of, long before) {
        await(() ->
                pid(of) > 0 && pid(of) != before && ProcessHandle.of(pid(of)).isPresent());
    }

    boolean isHealthy() {
        return new Client(base()).get("/actuator/health").ok();
    }

    void awaitHealth() {
        await(this::isHealthy);
    }

    /** Asks the database itself, past the server. */
    List<String> ask(String query) {
        try {
            return ask(socket(), query);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static List<String> ask(String socket, String query) {
        try {
            Process process = new ProcessBuilder(
                            "mariadb",
                            "--no-defaults",
                            "--socket=" + socket,
                            "--batch",
                            "--skip-column-names",
                            "-e",
                            query)
                    .redirectErrorStream(true)
                    .start();
            List<String> lines =
                    new String(process.getInputStream().readAllBytes()).lines().toList();
            assertThat(process.waitFor()).as(() -> String.join("\n", lines)).isZero();
            return lines;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private String socket() throws IOException {
        Path own = home.resolve("db.sock");
        if (Files.exists(own)) {
            return own.toString();
        }
        String command =
                Files.readString(Path.of("/proc/" + pid("db") + "/cmdline")).replace('\0', '\n');
        return command.lines()
                .filter(word -> word.startsWith("--socket="))
                .findFirst()
                .orElseThrow()
                .substring("--socket=".length());
    }

    @Override
    public void close() {
        if (launcher != null && launcher.isAlive()) {
            say("stop");
        }
    }
}

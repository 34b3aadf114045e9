package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The launcher when something is in its way: a sentence each time, and a way on. */
class LauncherTest {

    private static final Path LAUNCHER = Installation.LAUNCHER;

    /** No process has this number: the kernel's largest is smaller. */
    private static final String NOBODY = "99999999";

    @TempDir
    private Path home;

    @BeforeEach
    void privateHome() throws IOException {
        Files.createDirectories(home);
    }

    /** What a call said, and how it ended. */
    private record Said(int exit, String text) {}

    private ProcessBuilder launcher(String... words) {
        List<String> command = new ArrayList<>(List.of(LAUNCHER.toString()));
        command.addAll(List.of(words));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("TACHYLIM_HOME", home.toString());
        return builder;
    }

    private Said say(String... words) throws IOException, InterruptedException {
        Path output = Files.createTempFile(home, "said", ".txt");
        Process process = launcher(words).redirectOutput(output.toFile()).start();
        assertThat(process.waitFor(5, TimeUnit.MINUTES)).isTrue();
        return new Said(process.exitValue(), Files.readString(output));
    }

    @Test
    void wordsItDoesNotKnowAreAnsweredWithThoseItDoes() throws Exception {
        Said said = say("dance");
        assertThat(said.exit()).isEqualTo(2);
        assertThat(said.text()).contains("usage: ./tachylim").contains("demo").contains("test");
    }

    @Test
    void aPortThatIsNoneIsRefused() throws Exception {
        assertThat(say("demo", "--port", "loud").text()).contains("--port takes a number");
        assertThat(say("demo", "--port", "70000").exit()).isEqualTo(1);
    }

    @Test
    void aPortThatIsTakenIsNamedAndAnotherProposed() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Said said = say("demo", "--port", String.valueOf(taken.getLocalPort()));
            assertThat(said.exit()).isEqualTo(1);
            assertThat(said.text())
                    .contains("port " + taken.getLocalPort() + " is taken")
                    .contains("--port");
        }
    }

    @Test
    void aSecondStartIsToldWhereTheFirstRuns() throws Exception {
        Files.writeString(home.resolve("address"), "http://localhost:8080");
        Process holder =
                new ProcessBuilder("flock", home.resolve("lock").toString(), "sh", "-c", "echo held; exec cat").start();
        try {
            assertThat(holder.inputReader().readLine()).isEqualTo("held");
            Said said = say("start", "--port", String.valueOf(App.freePort()));
            assertThat(said.exit()).isEqualTo(1);
            assertThat(said.text())
                    .contains("it runs already, at http://localhost:8080")
                    .contains("./tachylim stop");
        } finally {
            holder.getOutputStream().close();
            holder.destroy();
        }
    }

    @Test
    void pidFilesOfProcessesThatAreGoneAreCleared() throws Exception {
        Files.writeString(home.resolve("server.pid"), NOBODY);
        Files.writeString(home.resolve("db.pid"), NOBODY);
        Said said = say("stop");
        assertThat(said.exit()).isZero();
        assertThat(said.text()).contains("stale").contains("Nothing runs.");
        assertThat(home.resolve("server.pid")).doesNotExist();
        assertThat(home.resolve("db.pid")).doesNotExist();
    }

    @Test
    void aProcessThatOnlyHasTheSameNumberIsLeftAlone() throws Exception {
        Process other = new ProcessBuilder("cat").start();
        try {
            Files.writeString(home.resolve("server.pid"), String.valueOf(other.pid()));
            say("stop");
            assertThat(other.isAlive()).isTrue();
        } finally {
            other.destroy();
        }
    }

    @Test
    void aHalfInitialisedDatabaseIsSetUpAgain() throws Exception {
        Files.createDirectories(home.resolve("db"));
        Files.writeString(home.resolve("db").resolve("half"), "written");
        Said saved = say("backup", home.resolve("backup.gz").toString());
        assertThat(saved.text())
                .contains("only half set up; setting it up again")
                .contains("nothing to write yet");
        assertThat(home.resolve("db").resolve("half")).doesNotExist();
        assertThat(Files.readString(home.resolve("password"))).hasSizeGreaterThan(20);
        assertThat(Files.getPosixFilePermissions(home.resolve("password"))).hasSize(2);
        assertThat(home.resolve("backup.gz")).doesNotExist();
    }

    @Test
    void aHomeThatCannotBeWrittenGetsASentence() throws Exception {
        home = Files.writeString(home.resolve("file"), "in the way").resolve("below");
        Path output = Files.createTempFile("said", ".txt");
        Process process = launcher("start", "--port", String.valueOf(App.freePort()))
                .redirectOutput(output.toFile())
                .start();
        assertThat(process.waitFor(1, TimeUnit.MINUTES)).isTrue();
        assertThat(process.exitValue()).isEqualTo(1);
        assertThat(Files.readString(output)).contains("cannot be written").contains("TACHYLIM_HOME");
    }

    @Test
    void aPidFileThatCannotBeReadGetsASentence() throws Exception {
        Files.createDirectories(home.resolve("server.pid"));
        Said said = say("stop");
        assertThat(said.exit()).isEqualTo(1);
        assertThat(said.text()).contains("server.pid is no file that can be read");
    }

    @Test
    void aLockThatSomethingElseHoldsIsNotCalledStopped() throws Exception {
        Process holder =
                new ProcessBuilder("flock", home.resolve("lock").toString(), "sh", "-c", "echo held; exec cat").start();
        try {
            assertThat(holder.inputReader().readLine()).isEqualTo("held");
            Said said = say("stop");
            assertThat(said.exit()).isEqualTo(1);
            assertThat(said.text()).contains("something holds").doesNotContain("Stopped.");
        } finally {
            holder.getOutputStream().close();
            holder.destroy();
        }
    }
}

package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import tachylim.e2e.Client.Reply;
import tachylim.e2e.Installation.Said;

/** An installation over its life: its children die, it is backed up, spoiled, read back, and stopped. */
@Tag("long")
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class InstallationTest {

    private static final String ODILE = "odile at the quay";

    @TempDir
    private static Path folder;

    private static Installation tachylim;
    private static Path backup;

    @BeforeAll
    static void somebodyPractises() {
        tachylim = new Installation(folder.resolve("home")).start();
        backup = folder.resolve("backup.gz");
        new Client(tachylim.base()).register(ODILE).newSection("Kestrel Weather");
    }

    @AfterAll
    static void stop() {
        tachylim.close();
    }

    private static List<String> titles() {
        return tachylim.ask("select title from " + database() + ".passage order by id");
    }

    private static String database() {
        try {
            Path current = folder.resolve("home").resolve("tachylim.current");
            return Files.exists(current) ? Files.readString(current).strip() : "tachylim";
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static void isThere() {
        Reply today = new Client(tachylim.base()).signIn(ODILE).patient().get("/api/today");
        assertThat(today).as(tachylim::told).matches(Reply::ok);
    }

    @Test
    @Order(1)
    void eitherChildThatDiesIsStartedAgain() {
        for (String child : List.of("server", "db")) {
            long before = tachylim.pid(child);
            tachylim.kill(child);
            tachylim.awaitAnother(child, before);
            tachylim.awaitHealth();
        }
        assertThat(tachylim.told()).contains("The server stopped by itself").contains("The database stopped by itself");
        isThere();
    }

    @Test
    @Order(1)
    void aDatabaseThatDoesNotAnswerIsSaidWithinThreeSeconds() throws Exception {
        Client odile = new Client(tachylim.base()).signIn(ODILE);
        String database = String.valueOf(tachylim.pid("db"));
        new ProcessBuilder("kill", "-STOP", database).start().waitFor();
        try {
            for (String path : List.of("/api/today", "/api/passages", "/api/greeting")) {
                long began = System.nanoTime();
                assertThat(odile.get(path).status()).as(path).isEqualTo(503);
                assertThat((System.nanoTime() - began) / 1e9).as(path).isLessThan(4);
            }
        } finally {
            new ProcessBuilder("kill", "-CONT", database).start().waitFor();
        }
        tachylim.awaitHealth();
        isThere();
    }

    @Test
    @Order(2)
    void itIsBackedUpWhileItRunsForItsOwnerAlone() throws IOException {
        Said said = tachylim.say("backup", backup.toString());
        assertThat(said.text()).contains("Written to");
        assertThat(said.exit()).isZero();
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(backup)))
                .isEqualTo("rw-------");
        assertThat(tachylim.isHealthy()).isTrue();
        assertThat(tachylim.say("restore", backup.toString()).text()).contains("it runs. Stop it");
    }

    @Test
    @Order(3)
    void stoppingSaysTheTruth() {
        new Client(tachylim.base()).signIn(ODILE).newSection("Nine Lanterns");
        assertThat(titles()).containsExactly("Kestrel Weather", "Nine Lanterns");
        long server = tachylim.pid("server");
        long database = tachylim.pid("db");
        assertThat(tachylim.say("stop").text()).contains("Stopped.");
        assertThat(ProcessHandle.of(server)).isEmpty();
        assertThat(ProcessHandle.of(database)).isEmpty();
        assertThat(tachylim.say("stop").text()).contains("Nothing runs.");
    }

    /** A backup with something done to its text. */
    private static Path spoiled(String name, UnaryOperator<String> change) throws IOException {
        String text = new String(
                new GZIPInputStream(new ByteArrayInputStream(Files.readAllBytes(backup))).readAllBytes(),
                StandardCharsets.UTF_8);
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(packed)) {
            gzip.write(change.apply(text).getBytes(StandardCharsets.UTF_8));
        }
        return Files.write(folder.resolve(name), packed.toByteArray());
    }

    @Test
    @Order(4)
    void aFileThatIsEmptyHalfForeignOrNewerIsRefusedAndNothingIsLost() throws IOException {
        byte[] whole = Files.readAllBytes(backup);
        String end = "\n-- Dump completed on 2026-01-01\n";
        Map<String, Path> files = Map.of(
                "is empty", Files.write(folder.resolve("empty.gz"), new byte[0]),
                "is no backup of Tachylim, or breaks off",
                        Files.write(folder.resolve("half.gz"), java.util.Arrays.copyOf(whole, whole.length / 2)),
                "breaks off before its end", spoiled("cut.gz", text -> text.substring(0, text.length() / 2)),
                "so it is no backup of Tachylim", spoiled("foreign.gz", text -> "CREATE TABLE other (id INT);" + end),
                "cannot be read", spoiled("attack.gz", text -> "DROP DATABASE " + database() + ";" + end),
                "newer Tachylim",
                        spoiled(
                                "newer.gz",
                                text -> text.replaceFirst(
                                        "(?m)^(INSERT INTO `flyway_schema_history` VALUES)",
                                        "$1 (99,'99','later','SQL','V99__later.sql',1,'t','2026-01-01 00:00:00',1,1);\n$1")),
                "rows of", spoiled("orphans.gz", text -> text.replaceFirst("(?m)^INSERT INTO `account`.*\\n", "")));
        Path trace = folder.resolve("trace");
        tachylim.say(
                "restore",
                spoiled("shell.gz", text -> "\\! touch " + trace + "\nsystem touch " + trace + "\n" + end)
                        .toString());
        assertThat(trace).as("a command in a file is not carried out").doesNotExist();
        files.forEach((reason, file) -> {
            Said refused = tachylim.say("restore", file.toString());
            assertThat(refused.exit()).as(reason).isEqualTo(1);
            assertThat(refused.text()).contains(reason).contains("nothing was changed");
        });
        tachylim.start();
        assertThat(titles()).containsExactly("Kestrel Weather", "Nine Lanterns");
        tachylim.close();
    }

    @Test
    @Order(5)
    void aBackupIsReadBackAndWhatWasThereStaysUntilTheNextStartHasReadIt() {
        String before = database();
        assertThat(tachylim.say("restore", backup.toString()).text()).contains("Read back from");
        assertThat(database()).isNotEqualTo(before);
        tachylim.start();
        assertThat(titles()).containsExactly("Kestrel Weather");
        isThere();
        assertThat(tachylim.ask("show databases")).contains(database()).doesNotContain(before);
    }

    private static final String LATER = "V9999__later.sql";

    /** A later version with one step more for the database. */
    private static Path later() throws IOException {
        Path root = Files.createDirectories(folder.resolve("later"));
        Path here = Installation.LAUNCHER.getParent();
        Path migrations = Files.createDirectories(root.resolve("server/src/main/resources/db/migration"));
        String step = "CREATE TABLE IF NOT EXISTS of_a_later_version (id INT PRIMARY KEY);\n";
        Files.writeString(migrations.resolve(LATER), step);
        Files.createSymbolicLink(root.resolve("launcher"), here.resolve("launcher"));
        Path target = Files.createDirectories(root.resolve("server/target"));
        App.withMigration(target.resolve("tachylim.jar"), LATER, step);
        return Files.copy(Installation.LAUNCHER, root.resolve("tachylim"), StandardCopyOption.COPY_ATTRIBUTES);
    }

    @Test
    @Order(6)
    void anUpgradeThatWasCutOffGoesBackToItsCopy() throws IOException {
        tachylim.close();
        tachylim.changeTo(later());
        tachylim.start();
        assertThat(tachylim.told())
                .contains("Copying what is kept to")
                .containsPattern("before the upgrade from schema \\d+ to 9999");
        assertThat(folder.resolve("home").resolve("tachylim.upgrading")).doesNotExist();
        assertThat(titles()).containsExactly("Kestrel Weather");
        tachylim.ask("drop table " + database() + ".player_condition");
        tachylim.close();
        Files.createFile(folder.resolve("home").resolve("tachylim.upgrading"));
        tachylim.start();
        assertThat(tachylim.told()).contains("The last upgrade was cut off; going back to the copy");
        assertThat(titles()).containsExactly("Kestrel Weather");
    }
}

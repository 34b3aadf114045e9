package tachylim.server.backup;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.zip.GZIPOutputStream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CheckCopyTest {

    private static final String DATABASE = "tachylim_copy_" + System.getProperty("tachylim.fork", "1");
    private static final String HOST = "jdbc:mariadb://" + System.getenv("TACHYLIM_DB_HOST") + "/";
    private static final String END = "-- Dump completed on 2026-03-01";
    private static final String LIMIT =
            "INSERT INTO `given_limit` VALUES (1,7,'MINUTES',20,'Dr Aveline Orsk','2026-03-01',NULL);";

    @TempDir
    private Path folder;

    private Connection database;

    @BeforeEach
    void aDatabaseWithTheSchemaOfToday() throws SQLException {
        try (Connection any = connection("")) {
            run(any, "drop database if exists " + DATABASE, "create database " + DATABASE);
        }
        Flyway.configure()
                .dataSource(HOST + DATABASE, System.getenv("TACHYLIM_DB_USER"), System.getenv("TACHYLIM_DB_PASSWORD"))
                .load()
                .migrate();
        database = connection(DATABASE);
    }

    @AfterEach
    void leave() throws SQLException {
        database.close();
    }

    private static Connection connection(String name) throws SQLException {
        return DriverManager.getConnection(
                HOST + name, System.getenv("TACHYLIM_DB_USER"), System.getenv("TACHYLIM_DB_PASSWORD"));
    }

    private static void run(Connection where, String... statements) throws SQLException {
        try (Statement statement = where.createStatement()) {
            for (String one : statements) {
                statement.execute(one);
            }
        }
    }

    private Path copy(String... lines) throws IOException {
        Path file = folder.resolve("copy.sql.gz");
        try (OutputStream out = new GZIPOutputStream(Files.newOutputStream(file))) {
            out.write(String.join("\n", lines).getBytes(StandardCharsets.UTF_8));
        }
        return file;
    }

    /** What is said of a file, and of the database it was read into; empty where nothing is wrong. */
    private static String said(String... args) {
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        boolean whole = CheckCopy.check(args, System.getenv(), new PrintStream(said, true, StandardCharsets.UTF_8));
        assertThat(whole).isEqualTo(said.size() == 0);
        return said.toString(StandardCharsets.UTF_8).strip();
    }

    private String saidOfBoth(String... lines) throws IOException {
        return said(copy(lines).toString(), DATABASE);
    }

    @Test
    void aWholeOneIsTaken() throws Exception {
        assertThat(said(copy(LIMIT, END).toString())).isEmpty();
        assertThat(saidOfBoth(END)).isEmpty();
    }

    @Test
    void whatIsNoCopyIsRefusedBeforeItIsRead() throws IOException {
        Path file = folder.resolve("copy.sql.gz");
        assertThat(said(file.toString())).endsWith("is empty");
        Files.createFile(file);
        assertThat(said(file.toString())).endsWith("is empty");
        Files.writeString(file, "a picture of a lantern");
        assertThat(said(file.toString())).endsWith("is no backup of Tachylim, or breaks off");
    }

    @Test
    void oneThatBreaksOffIsRefused() throws IOException {
        assertThat(said(copy(LIMIT).toString())).endsWith("breaks off before its end");
        Path file = copy(LIMIT, END);
        byte[] whole = Files.readAllBytes(file);
        for (int kept = 1; kept < whole.length; kept++) {
            Files.write(file, Arrays.copyOf(whole, kept));
            assertThat(said(file.toString())).as("the first %d bytes", kept).contains("breaks off");
        }
    }

    @Test
    void aTableThatIsMissingIsNamed() throws Exception {
        run(database, "drop table run_event");
        assertThat(saidOfBoth(END)).contains("holds no run_event");
    }

    @Test
    void rowsThatAreMissingAreCounted() throws Exception {
        assertThat(saidOfBoth(LIMIT, LIMIT, END)).startsWith("of given_limit, 0 of 2 rows of ");
    }

    @Test
    void aRowThatPointsAtNothingIsFound() throws Exception {
        run(
                database,
                "set foreign_key_checks = 0",
                "insert into symptom (account_id, client_id, at) values (12345, 'none', '2026-03-01')");
        assertThat(saidOfBoth(END)).startsWith("1 rows of ").endsWith("point at rows that are not there");
    }

    @Test
    void oneOfALaterVersionIsLeftToIt() throws Exception {
        run(database, "update flyway_schema_history set version = '9999' order by installed_rank desc limit 1");
        assertThat(saidOfBoth(END))
                .contains("was written by a newer Tachylim (schema 9999, here " + ReadBack.newest() + ")");
    }

    @Test
    void oneFromTheMiddleOfAnUpgradeIsRefused() throws Exception {
        run(
                database,
                "insert into flyway_schema_history select installed_rank + 100, version, description, type, script,"
                        + " checksum, installed_by, installed_on, execution_time, 0 from flyway_schema_history"
                        + " order by installed_rank desc limit 1");
        assertThat(saidOfBoth(END)).endsWith("in the middle of an upgrade");
    }

    @Test
    void oneWithoutASchemaIsRefused() throws Exception {
        run(database, "delete from flyway_schema_history");
        assertThat(saidOfBoth(END)).endsWith("does not say which schema it has");
    }

    @Test
    void aDatabaseThatIsNotThereIsSaid() throws IOException {
        assertThat(said(copy(END).toString(), DATABASE + "_none")).contains("could not be looked at");
    }
}

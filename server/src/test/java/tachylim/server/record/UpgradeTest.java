package tachylim.server.record;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;
import org.springframework.jdbc.datasource.init.ScriptUtils;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tachylim.server.Player;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** A database of the oldest schema, with practice in it, cut off in the middle of two migrations, is brought up to the newest. */
class UpgradeTest extends ServerTest {

    private static final String NAME = "tachylim_upgrade";

    @DynamicPropertySource
    static void anOldDatabase(DynamicPropertyRegistry properties) throws SQLException {
        String host = "jdbc:mariadb://" + System.getenv("TACHYLIM_DB_HOST") + "/";
        String user = System.getenv("TACHYLIM_DB_USER");
        String password = System.getenv("TACHYLIM_DB_PASSWORD");
        try (Connection connection = DriverManager.getConnection(host, user, password);
                Statement statement = connection.createStatement()) {
            statement.execute("DROP DATABASE IF EXISTS " + NAME);
            statement.execute("CREATE DATABASE " + NAME);
        }
        Flyway.configure()
                .dataSource(host + NAME, user, password)
                .target("1")
                .load()
                .migrate();
        try (Connection connection = DriverManager.getConnection(host + NAME, user, password);
                Statement statement = connection.createStatement()) {
            ScriptUtils.executeSqlScript(connection, new ClassPathResource("stored/schema-1.sql"));
            cutOff(connection, statement);
        }
        properties.add("tachylim.test.database", () -> NAME);
    }

    /** The second migration was through but not noted, or noted as failed; the third was through to its half. */
    private static void cutOff(Connection connection, Statement statement) throws SQLException {
        ScriptUtils.executeSqlScript(connection, new ClassPathResource("db/migration/V2__bench.sql"));
        String third = read("db/migration/V3__firm_ground.sql");
        String[] statements = third.replaceAll("(?m)^--.*$", "").split(";\\s*\\n");
        for (int i = 0; i < statements.length / 2; i++) {
            statement.execute(statements[i]);
        }
        statement.execute(
                "INSERT INTO flyway_schema_history VALUES (2, '2', 'bench', 'SQL', 'V2__bench.sql', 1, 'tachylim', now(), 1, 0)");
    }

    private static String read(String resource) {
        try (var in = Objects.requireNonNull(UpgradeTest.class.getClassLoader().getResourceAsStream(resource))) {
            return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private Player signedInAs(String name) {
        Player player = stranger();
        player.post("/api/session", Map.of("name", name, "password", Player.PASSWORD, "zone", "Europe/Lisbon"))
                .ok();
        return player;
    }

    @Test
    void everythingThatWasPlayedIsThere() {
        Player ines = signedInAs("Ines Valdorf");
        JsonNode entry = ines.get("/api/log").ok().path("entries").path(0);
        assertThat(entry.path("passes").asInt()).isEqualTo(32);
        assertThat(entry.path("day").asString()).isEqualTo("2026-05-25");
        JsonNode session = ines.get("/api/log/" + entry.path("runId").asLong()).ok();
        JsonNode played = session.path("played");
        assertThat(played.path("totals").path("passes").asInt()).isEqualTo(32);
        assertThat(played.path("totals").path("effort").asDouble())
                .isEqualTo(entry.path("effort").asDouble(), org.assertj.core.api.Assertions.within(1e-6));
        assertThat(session.path("planned").path("stretches")).isNotEmpty();
        JsonNode piece = ines.get("/api/passages").ok().path(0).path("pieces").path(0);
        assertThat(piece.path("estimate").path("ceiling").path("middle").asDouble())
                .isGreaterThan(100);
        assertThat(ines.get("/api/load").ok().path("symptoms")).hasSize(1);
        assertThat(sql.sql("select password_hash from account where name = 'Ines Valdorf'")
                        .query(String.class)
                        .single())
                .startsWith("{digest-bcrypt}");
    }

    @Test
    void musicFromBeforeKeepsItsAccidentalsInTheirOctave() {
        assertThat(sql.sql("select text from passage where text like '%_B%'")
                        .query(String.class)
                        .list())
                .isNotEmpty()
                .allSatisfy(text -> assertThat(text).startsWith("%%propagate-accidentals octave\n"));
    }

    @Test
    void aRunOfOlderRulesIsClosedKindly() {
        Player tomas = signedInAs("Tomas Quell");
        assertThat(tomas.get("/api/today").ok().path("openRun").isNull()).isTrue();
        JsonNode entry = tomas.get("/api/log").ok().path("entries").path(0);
        assertThat(entry.path("outcome").asString()).isEqualTo("OUTDATED");
        assertThat(entry.path("passes").asInt()).isEqualTo(3);
        JsonNode view = tomas.get("/api/runs/" + entry.path("runId").asLong() + "?holder=" + UUID.randomUUID())
                .ok();
        assertThat(view.path("step").path("why").asString()).contains("renewed").contains("kept");
        assertThat(view.path("relief").path("totals").path("passes").asInt()).isEqualTo(3);
    }

    @Test
    void everyMigrationMayBeRunAgain() {
        for (String script : new String[] {
            "V1__accounts_passages_and_practice.sql", "V2__bench.sql", "V3__firm_ground.sql", "V4__accidentals.sql"
        }) {
            for (String statement :
                    read("db/migration/" + script).replaceAll("(?m)^--.*$", "").split(";\\s*\\n")) {
                sql.sql(statement).update();
            }
        }
        assertThat(sql.sql("select count(*) from run_segment").query(Long.class).single())
                .isPositive();
    }
}

package tachylim.server.record;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.jdbc.datasource.init.ScriptUtils;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tachylim.server.Player;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/**
 * A database as the first release left it, with practice in it, is brought up to the newest schema, and everything in it is
 * there.
 */
class UpgradeTest extends ServerTest {

    /** How many judged passes of hers there are. */
    private static final int PASSES = 19;

    /** The morning of a day after all that she practised. */
    private static final Instant UPGRADED = Instant.parse("2026-12-01T10:00:00Z");

    private static final String NAME = "tachylim_upgrade";

    @DynamicPropertySource
    static void aDatabaseOfTheFirstRelease(DynamicPropertyRegistry properties) throws SQLException {
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
        try (Connection connection = DriverManager.getConnection(host + NAME, user, password)) {
            ScriptUtils.executeSqlScript(connection, new ClassPathResource("stored/release-1.sql"));
        }
        properties.add("tachylim.test.database", () -> NAME);
    }

    /** Whichever tests ran before: the release was used until then. */
    @BeforeEach
    void afterTheRelease() {
        if (clock.instant().isBefore(UPGRADED)) {
            clock.set(UPGRADED);
        }
    }

    private Player ines() {
        Player player = stranger();
        player.post(
                        "/api/session",
                        Map.of("name", "Ines Valdorf", "password", Player.PASSWORD, "zone", "Europe/Lisbon"))
                .ok();
        return player;
    }

    @Test
    void everythingThatWasPlayedIsThere() {
        Player ines = ines();
        JsonNode entries = ines.get("/api/log").ok().path("entries");
        assertThat(entries).hasSize(2);
        for (JsonNode entry : entries) {
            JsonNode session =
                    ines.get("/api/log/" + entry.path("runId").asLong()).ok();
            JsonNode totals = session.path("played").path("totals");
            assertThat(totals.path("passes").asInt())
                    .isEqualTo(entry.path("passes").asInt());
            assertThat(totals.path("effort").asDouble())
                    .isEqualTo(entry.path("effort").asDouble(), org.assertj.core.api.Assertions.within(1e-6));
            assertThat(session.path("planned").path("stretches")).isNotEmpty();
        }
        assertThat(entries.values().stream()
                        .mapToInt(entry -> entry.path("passes").asInt())
                        .sum())
                .isEqualTo(PASSES);
        JsonNode section =
                ines.get("/api/passages").ok().path(0).path("sections").path(0);
        assertThat(section.path("estimate").path("ceiling").path("middle").asDouble())
                .isBetween(80.0, 140.0);
    }

    /** It stays open for its day only, and what was played of it stays. */
    @Test
    void theWorkoutThatWasOpenIsClosedKindly() {
        Player ines = ines();
        assertThat(ines.get("/api/today").ok().path("openRun").isNull()).isTrue();
        long open = sql.sql("select max(id) from run").query(Long.class).single();
        JsonNode view =
                ines.get("/api/runs/" + open + "?holder=" + UUID.randomUUID()).ok();
        assertThat(view.path("step").path("ended").asString()).isIn("LEFT", "OUTDATED");
        assertThat(view.path("step").path("why").path("code").asString())
                .isEqualTo("done." + view.path("step").path("ended").asString());
    }

    @Test
    void everyMigrationMayBeRunAgain() throws IOException {
        Resource[] scripts = new PathMatchingResourcePatternResolver().getResources("classpath:db/migration/V*.sql");
        assertThat(scripts).isNotEmpty();
        for (Resource script : scripts) {
            String text = script.getContentAsString(StandardCharsets.UTF_8);
            for (String statement : text.replaceAll("(?m)^--.*$", "").split(";\\s*\\n")) {
                if (!statement.isBlank()) {
                    sql.sql(statement).update();
                }
            }
        }
        assertThat(sql.sql("select count(*) from run_segment").query(Long.class).single())
                .isPositive();
    }
}

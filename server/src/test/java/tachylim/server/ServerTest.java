package tachylim.server;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tachylim.server.account.Patience;
import tachylim.server.account.SignedIn;

/** A test against the whole server and the real database that {@code ./tachylim test} starts. */
@Import(ServerTest.Time.class)
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT, properties = "tachylim.openapi=true")
public abstract class ServerTest {

    @LocalServerPort
    private int port;

    @Autowired
    protected JdbcClient sql;

    protected final TestClock clock = TestClock.CLOCK;

    /** Time is the test's, and nobody waits. */
    @TestConfiguration
    static class Time {

        @Bean
        @Primary
        Clock testClock() {
            return TestClock.CLOCK;
        }

        @Bean
        @Primary
        WaitsNoted waitsNoted() {
            return new WaitsNoted();
        }
    }

    /** Waits that were asked for, instead of waiting. */
    public static class WaitsNoted extends Patience {

        public final Queue<Duration> waits = new ConcurrentLinkedQueue<>();

        @Override
        public void wait(Duration time) {
            waits.add(time);
        }
    }

    /** Each test begins in the morning of a day of its own. */
    @BeforeEach
    void anotherDay() {
        clock.anotherDay();
    }

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry properties) {
        String host = Objects.requireNonNull(
                System.getenv("TACHYLIM_DB_HOST"),
                "These tests need a database: run ./tachylim test, or set TACHYLIM_DB_HOST, _USER and _PASSWORD");
        properties.add(
                "spring.datasource.url",
                () -> "jdbc:mariadb://" + host
                        + "/${tachylim.test.database:tachylim_test_${tachylim.fork:1}}?createDatabaseIfNotExist=true");
        // What hashing costs is the same for every test; that it costs something is tried where it matters.
        properties.add("tachylim.hash-strength", () -> "4");
        properties.add("tachylim.room-megabytes", () -> "64");
        properties.add("spring.jpa.properties.hibernate.generate_statistics", () -> "true");
    }

    /** Somebody with a browser of their own, not signed in. */
    protected Player stranger() {
        return new Player("http://127.0.0.1:" + port);
    }

    /** Somebody who has just registered. */
    protected Player player() {
        return stranger().register();
    }

    /** Whose requests a player's are, for the services behind the API. */
    protected SignedIn signedIn(Player player) {
        long account = sql.sql("select id from account where name = ?")
                .param(player.name())
                .query(Long.class)
                .single();
        return new SignedIn(account, player.name());
    }

    /** Where this server is. */
    protected String base() {
        return "http://127.0.0.1:" + port;
    }

    /** Lets something happen some days ago. */
    protected void daysAgo(int days, Runnable what) {
        Instant now = clock.instant();
        clock.set(now.minus(Duration.ofDays(days)));
        what.run();
        clock.set(now);
    }
}

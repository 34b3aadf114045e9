package tachylim.server;

import java.util.Objects;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tachylim.server.account.SignedIn;

/** A test against the whole server and the real database that {@code ./tachylim test} starts. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
public abstract class ServerTest {

    @LocalServerPort
    private int port;

    @Autowired
    protected JdbcClient sql;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry properties) {
        String host = Objects.requireNonNull(System.getenv("TACHYLIM_DB_HOST"),
                "These tests need a database: run ./tachylim test, or set TACHYLIM_DB_HOST, _USER and _PASSWORD");
        properties.add("spring.datasource.url", () -> "jdbc:mariadb://" + host + "/tachylim_test?createDatabaseIfNotExist=true");
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
        long account = sql.sql("select id from account where name = ?").param(player.name()).query(Long.class).single();
        return new SignedIn(account, player.name());
    }
}

package tachylim.server.cluster;

import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.function.Supplier;
import javax.sql.DataSource;
import net.javacrumbs.shedlock.core.LockConfiguration;
import net.javacrumbs.shedlock.core.LockProvider;
import net.javacrumbs.shedlock.core.SimpleLock;
import net.javacrumbs.shedlock.provider.jdbctemplate.JdbcTemplateLockProvider;
import net.javacrumbs.shedlock.support.KeepAliveLockProvider;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Lets one instance do what only one may do while the others wait for it: who holds a lease stands in a row, since the locks
 * that the database itself has to give hold on one node of a cluster alone. Whoever dies with it in hand is waited for no
 * longer than half a minute.
 */
@Component
public class Lease {

    /** It is there before the first migration, since that is what must not be done by two at once. */
    public static final String TABLE = "baton";

    private static final String CREATE = "CREATE TABLE IF NOT EXISTS " + TABLE
            + " (name VARCHAR(64) NOT NULL PRIMARY KEY, lock_until TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),"
            + " locked_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3), locked_by VARCHAR(255) NOT NULL)";

    private static final Duration AT_MOST = Duration.ofSeconds(30);
    private static final Duration LOOKS_AGAIN = Duration.ofMillis(200);

    private final JdbcTemplate sql;
    private final Clock clock;

    Lease(DataSource database, Clock clock) {
        this.sql = new JdbcTemplate(database);
        this.clock = clock;
    }

    /** Does this work while no other instance does work of that name. */
    public <T> T alone(String what, Supplier<T> work) {
        ScheduledExecutorService heart = Executors.newSingleThreadScheduledExecutor(Lease::daemon);
        try {
            Again.run(() -> sql.execute(CREATE));
            SimpleLock held = take(what, provider(heart));
            try {
                return work.get();
            } finally {
                Again.run(held::unlock);
            }
        } finally {
            heart.shutdownNow();
        }
    }

    /** Held for half a minute at a time by the database's clock, and longer for as long as whoever has it lives. */
    private LockProvider provider(ScheduledExecutorService heart) {
        return new KeepAliveLockProvider(
                new JdbcTemplateLockProvider(JdbcTemplateLockProvider.Configuration.builder()
                        .withJdbcTemplate(sql)
                        .withTableName(TABLE)
                        .usingDbTime()
                        .build()),
                heart);
    }

    private SimpleLock take(String what, LockProvider provider) {
        while (true) {
            Optional<SimpleLock> taken = tried(what, provider);
            if (taken.isPresent()) {
                return taken.get();
            }
            try {
                Thread.sleep(LOOKS_AGAIN.toMillis());
            } catch (InterruptedException stopping) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("Stopped while another instance was at: " + what, stopping);
            }
        }
    }

    private Optional<SimpleLock> tried(String what, LockProvider provider) {
        try {
            return provider.lock(new LockConfiguration(clock.instant(), what, AT_MOST, Duration.ZERO));
        } catch (RuntimeException failure) {
            if (Collision.isBehind(failure)) {
                return Optional.empty();
            }
            throw failure;
        }
    }

    private static Thread daemon(Runnable work) {
        Thread thread = new Thread(work, "lease");
        thread.setDaemon(true);
        return thread;
    }
}

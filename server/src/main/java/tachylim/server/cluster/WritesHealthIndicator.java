package tachylim.server.cluster;

import java.util.SplittableRandom;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Whether what is told to this instance can be kept: it writes a row of its own. A node without a quorum, one that may only
 * be read and a full disk all still answer when they are asked, but not when they are told something.
 */
@Component
class WritesHealthIndicator implements HealthIndicator {

    /** A balancer asks every second; anybody may ask more often, and is told the same. */
    private static final long HOLDS_NANOS = 800_000_000;

    /** Few enough that the table stays small, and enough that two instances hardly ever share one. */
    private static final int ROWS = 1_000;

    private final JdbcClient sql;
    private final int row = new SplittableRandom().nextInt(ROWS);
    private Health last;
    private long lastNanos;

    WritesHealthIndicator(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public synchronized Health health() {
        if (last == null || System.nanoTime() - lastNanos > HOLDS_NANOS) {
            last = written();
            lastNanos = System.nanoTime();
        }
        return last;
    }

    private Health written() {
        try {
            sql.sql(
                            "insert into pulse (row_no, at) values (?, utc_timestamp(6)) on duplicate key update at = utc_timestamp(6)")
                    .param(row)
                    .update();
            return Health.up().build();
        } catch (RuntimeException failure) {
            return Health.down(failure).build();
        }
    }
}

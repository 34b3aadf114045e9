package tachylim.server.cluster;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.Player;
import tachylim.server.ServerTest;

/** What instances do at once, and what an instance says of itself, against the real database. */
@Import(ClusterTest.Parts.class)
class ClusterTest extends ServerTest {

    @TestConfiguration
    static class Parts {

        @Bean
        Contended contended(JdbcClient sql) {
            return new Contended(sql);
        }
    }

    /** Work that may lose after it has written. */
    static class Contended {

        private final JdbcClient sql;

        Contended(JdbcClient sql) {
            this.sql = sql;
        }

        @Transactional
        public void write(int row, AtomicInteger loses) {
            sql.sql("insert into pulse (row_no, at) values (?, '2000-01-01')")
                    .param(row)
                    .update();
            if (loses.getAndDecrement() > 0) {
                throw new CannotAcquireLockException("another was first");
            }
        }

        @Transactional
        public void bothIn(int first, int second, CountDownLatch bothBegun) {
            touch(first);
            bothBegun.countDown();
            try {
                bothBegun.await();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
            touch(second);
        }

        private void touch(int row) {
            sql.sql("update pulse set at = date_add(at, interval 1 second) where row_no = ?")
                    .param(row)
                    .update();
        }
    }

    @Autowired
    private Contended contended;

    @Autowired
    private Lease lease;

    @BeforeEach
    void nothingThere() {
        sql.sql("delete from pulse where row_no >= 5000").update();
    }

    private long rows() {
        return sql.sql("select count(*) from pulse where row_no >= 5000")
                .query(Long.class)
                .single();
    }

    @Test
    void aTransactionThatLostIsDoneAgainFromItsBeginning() {
        contended.write(5_000, new AtomicInteger(2));
        assertThat(rows()).isEqualTo(1);
    }

    @Test
    void nothingOfATransactionThatAlwaysLosesIsKept() {
        assertThatThrownBy(() -> contended.write(5_000, new AtomicInteger(Integer.MAX_VALUE)))
                .isInstanceOf(CannotAcquireLockException.class);
        assertThat(rows()).isZero();
    }

    @Test
    void ofTwoThatWaitForEachOtherBothAreDone() {
        contended.write(5_001, new AtomicInteger());
        contended.write(5_002, new AtomicInteger());
        CountDownLatch bothBegun = new CountDownLatch(2);
        CompletableFuture.allOf(
                        CompletableFuture.runAsync(() -> contended.bothIn(5_001, 5_002, bothBegun)),
                        CompletableFuture.runAsync(() -> contended.bothIn(5_002, 5_001, bothBegun)))
                .join();
        assertThat(sql.sql("select count(*) from pulse where row_no >= 5000 and at = '2000-01-01 00:00:02'")
                        .query(Integer.class)
                        .single())
                .isEqualTo(2);
    }

    @Test
    void oneHasTheBatonWhileTheOthersWait() {
        List<String> order = Collections.synchronizedList(new ArrayList<>());
        CountDownLatch begun = new CountDownLatch(1);
        CompletableFuture<Void> first = CompletableFuture.runAsync(() -> lease.alone("tried", () -> {
            begun.countDown();
            order.add("first begins");
            // The other has looked by now, or will look later: either way it has to wait.
            sql.sql("do sleep(0.6)").update();
            return order.add("first is done");
        }));
        CompletableFuture<Void> second = CompletableFuture.runAsync(() -> {
            try {
                begun.await();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
            lease.alone("tried", () -> order.add("second"));
        });
        CompletableFuture.allOf(first, second).join();
        assertThat(order).containsExactly("first begins", "first is done", "second");
    }

    @Test
    void workThatFailsHandsTheBatonOn() {
        assertThatThrownBy(() -> lease.alone("failing", () -> {
                    throw new IllegalStateException("odd");
                }))
                .hasMessage("odd");
        assertThat(lease.<String>alone("failing", () -> "done")).isEqualTo("done");
    }

    @Test
    void whoeverDiedWithTheBatonIsNotWaitedForLong() {
        sql.sql(
                        "insert into baton (name, lock_until, locked_at, locked_by) values ('left', date_add(utc_timestamp(3), interval 1 second), utc_timestamp(3), 'dead')"
                                + " on duplicate key update lock_until = date_add(utc_timestamp(3), interval 1 second)")
                .update();
        assertThat(lease.<String>alone("left", () -> "taken up")).isEqualTo("taken up");
    }

    @Test
    void readyIsOnlyWhoeverCanKeepWhatItIsTold() {
        Player anybody = stranger();
        assertThat(anybody.get("/actuator/health/readiness").status()).isEqualTo(200);
        sql.sql("rename table pulse to pulse_away").update();
        try {
            await(anybody, 503);
            assertThat(anybody.get("/actuator/health/liveness").status())
                    .as("it lives, and need not be started again")
                    .isEqualTo(200);
        } finally {
            sql.sql("rename table pulse_away to pulse").update();
        }
        await(anybody, 200);
    }

    /** What was found out holds for a moment. */
    private static void await(Player anybody, int status) {
        long began = System.nanoTime();
        while (anybody.get("/actuator/health/readiness").status() != status) {
            assertThat(System.nanoTime() - began).isLessThan(60_000_000_000L);
        }
    }
}

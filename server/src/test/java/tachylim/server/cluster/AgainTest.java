package tachylim.server.cluster;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.SQLException;
import java.sql.SQLIntegrityConstraintViolationException;
import java.sql.SQLTransactionRollbackException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.hibernate.TransactionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.orm.jpa.JpaSystemException;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** What lost against another is done again as a whole; what went wrong otherwise is not. */
class AgainTest {

    static Stream<RuntimeException> lost() {
        return Stream.of(
                new CannotAcquireLockException("waited too long"),
                new OptimisticLockingFailureException("changed in between"),
                // How a certification that failed when it was committed comes through.
                new JpaSystemException(new TransactionException(
                        "Unable to commit against JDBC Connection",
                        new SQLTransactionRollbackException("Deadlock found when trying to get lock", "40001", 1213))),
                new IllegalStateException(new SQLException("Record has changed since last read", "HY000", 1020)),
                new IllegalStateException(
                        new SQLIntegrityConstraintViolationException("Duplicate entry", "23000", 1062)));
    }

    @ParameterizedTest
    @MethodSource("lost")
    void whatLostIsDoneAgain(RuntimeException lost) {
        AtomicInteger tries = new AtomicInteger();
        String said = Again.of(() -> {
            if (tries.incrementAndGet() < 3) {
                throw lost;
            }
            return "kept";
        });
        assertThat(said).isEqualTo("kept");
        assertThat(tries).hasValue(3);
    }

    static Stream<RuntimeException> others() {
        return Stream.of(
                new IllegalStateException("odd"),
                // Whether this was kept is not known, so it must not be done twice.
                new DataAccessResourceFailureException("the connection broke"),
                new JpaSystemException(
                        new TransactionException("Unable to commit", new SQLException("gone", "08S01"))));
    }

    @ParameterizedTest
    @MethodSource("others")
    void whatMayHaveBeenKeptIsNotDoneTwice(RuntimeException other) {
        AtomicInteger tries = new AtomicInteger();
        assertThatThrownBy(() -> Again.run(() -> {
                    tries.incrementAndGet();
                    throw other;
                }))
                .isSameAs(other);
        assertThat(tries).hasValue(1);
    }

    @Test
    void whoeverLosesForeverIsToldSo() {
        AtomicInteger tries = new AtomicInteger();
        CannotAcquireLockException lost = new CannotAcquireLockException("always");
        assertThatThrownBy(() -> Again.run(() -> {
                    tries.incrementAndGet();
                    throw lost;
                }))
                .isSameAs(lost);
        assertThat(tries).hasValueBetween(3, 11);
    }

    @Test
    void aPartOfATransactionIsNotDoneAgainByItself() {
        AtomicInteger tries = new AtomicInteger();
        TransactionSynchronizationManager.setActualTransactionActive(true);
        try {
            assertThatThrownBy(() -> Again.run(() -> {
                        tries.incrementAndGet();
                        throw new CannotAcquireLockException("lost");
                    }))
                    .isInstanceOf(CannotAcquireLockException.class);
        } finally {
            TransactionSynchronizationManager.setActualTransactionActive(false);
        }
        assertThat(tries).hasValue(1);
    }
}

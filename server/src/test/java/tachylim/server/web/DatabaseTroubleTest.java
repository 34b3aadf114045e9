package tachylim.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.orm.jpa.JpaSystemException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;

/** A failure is never taken for a success, whatever its words remind of. */
class DatabaseTroubleTest {

    private final ProblemAdvice advice = new ProblemAdvice();

    static Stream<Exception> troubles() {
        return Stream.of(
                new CannotCreateTransactionException("no connection", new SQLException("Connection is not available")),
                new DataAccessResourceFailureException("gone"),
                // These read like a client that has gone away.
                new TransactionSystemException(
                        "commit",
                        new SQLNonTransientConnectionException(
                                "(conn=4) Connection reset by peer",
                                "08S01",
                                new IOException("Connection reset by peer"))),
                new IllegalStateException(new SQLException("Broken pipe", "08000", new IOException("Broken pipe"))),
                // Whoever lost against others again and again was not taken either.
                new CannotAcquireLockException("Lock wait timeout exceeded"),
                new IllegalStateException(new SQLException("The server is running with --read-only", "HY000", 1290)),
                // What goes wrong is told by its undoing, which could not be carried out either.
                new JpaSystemException(new org.hibernate.TransactionException(
                        "Unable to rollback against JDBC Connection", new SQLException("Connection is closed"))));
    }

    @ParameterizedTest
    @MethodSource("troubles")
    void aDatabaseThatIsAwayIsA503(Exception trouble) throws Exception {
        ResponseEntity<ProblemDetail> answer = advice.failed(trouble);
        assertThat(answer.getStatusCode().value()).isEqualTo(503);
        assertThat(answer.getHeaders().getFirst("Retry-After")).isNotNull();
        assertThat(answer.getBody().getDetail()).contains("keeps trying");
    }

    static Stream<Exception> others() {
        return Stream.of(
                new IllegalStateException("odd"),
                new IOException("Connection reset by peer"),
                new IOException("Broken pipe"));
    }

    @ParameterizedTest
    @MethodSource("others")
    void noFailureBecomesASuccess(Exception failure) throws Exception {
        assertThat(advice.failed(failure).getStatusCode().value()).isEqualTo(500);
    }

    @Test
    void aSyntaxErrorIsNoTroubleOfTheConnection() {
        assertThat(DatabaseTrouble.isBehind(new SQLException("You have an error", "42000")))
                .isFalse();
    }
}

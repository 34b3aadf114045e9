package tachylim.server.web;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientConnectionException;
import java.util.Set;
import org.hibernate.TransactionException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.CannotCreateTransactionException;

/** Tells a database that is away, or cannot be asked just now, from anything else that goes wrong. */
final class DatabaseTrouble {

    static final String SENTENCE = "refusal.database";
    static final String RETRY_AFTER_SECONDS = "2";

    /** SQL states of class 08 are about the connection, 57 about the server, HYT about time. */
    private static final String ABOUT_THE_CONNECTION = "08|57|HYT|70100";

    /** MariaDB's numbers for a database that may only be read, and for a commit that the cluster could not carry out. */
    private static final Set<Integer> CANNOT_WRITE = Set.of(1180, 1290, 1792, 1836);

    private DatabaseTrouble() {}

    /** Also where a commit or its undoing could not be carried out, since then the connection broke in between. */
    static boolean isBehind(Throwable failure) {
        int depth = 0;
        for (Throwable cause = failure; cause != null && depth < 20; cause = cause.getCause(), depth++) {
            if (cause instanceof CannotCreateTransactionException
                    || cause instanceof DataAccessResourceFailureException
                    || cause instanceof TransactionException
                    || cause instanceof SQLNonTransientConnectionException
                    || cause instanceof SQLTransientConnectionException
                    || cause instanceof SQLRecoverableException
                    || cause instanceof SQLException sql
                            && (isAboutTheConnection(sql.getSQLState()) || CANNOT_WRITE.contains(sql.getErrorCode()))) {
                return true;
            }
        }
        return false;
    }

    private static boolean isAboutTheConnection(String state) {
        return state != null && state.matches("(" + ABOUT_THE_CONNECTION + ").*");
    }
}

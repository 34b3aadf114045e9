package tachylim.server.cluster;

import java.sql.SQLException;
import java.util.Set;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.dao.PessimisticLockingFailureException;

/**
 * Tells a transaction that lost against another one from anything else that goes wrong. Nothing of it was kept, so it may be
 * done again from its beginning, and then sees what the other has done.
 *
 * <p>On one machine the later of two waits for the row that both want. In a cluster a row lock holds on its own node alone:
 * what the nodes do at once is compared when it is committed (certification), and the later commit fails as a deadlock does.
 */
public final class Collision {

    /**
     * MariaDB's numbers for it: waited too long for a lock, deadlock or failed certification, a row that has changed since
     * it was read, and a key that somebody else has just taken.
     */
    private static final Set<Integer> LOST = Set.of(1205, 1213, 1020, 1062);

    /** The SQL state of a transaction that was rolled back because of another. */
    private static final String SERIALIZATION_FAILURE = "40001";

    private static final int DEEPEST = 20;

    private Collision() {}

    /** Whether a transaction failed with this because another one was first. */
    public static boolean isBehind(Throwable failure) {
        int depth = 0;
        for (Throwable cause = failure; cause != null && depth < DEEPEST; cause = cause.getCause(), depth++) {
            if (cause instanceof PessimisticLockingFailureException
                    || cause instanceof OptimisticLockingFailureException
                    || cause instanceof SQLException sql && isLost(sql)) {
                return true;
            }
        }
        return false;
    }

    private static boolean isLost(SQLException failure) {
        return LOST.contains(failure.getErrorCode()) || SERIALIZATION_FAILURE.equals(failure.getSQLState());
    }
}

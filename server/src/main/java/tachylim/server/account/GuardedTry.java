package tachylim.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** How often something guarded was tried within a window of time. */
@Entity
class GuardedTry {

    @Id
    @JdbcTypeCode(SqlTypes.CHAR)
    private String subject;

    private Instant windowStart;
    private int tries;

    protected GuardedTry() {}

    int tries() {
        return tries;
    }
}

package tachylim.server.season;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import tachylim.server.record.AssignedId;

/** A private address at which a calendar reads a season. Only what its secret digests to is kept. */
@Entity
class CalendarFeed extends AssignedId<Long> {

    @Id
    private Long accountId;

    private byte[] digest;
    private Instant since;

    protected CalendarFeed() {}

    CalendarFeed(long accountId) {
        this.accountId = accountId;
    }

    /** Gives it another secret: the one before opens nothing any more. */
    void opensBy(byte[] secretDigest, Instant now) {
        this.digest = secretDigest;
        this.since = now;
    }

    Instant since() {
        return since;
    }

    @Override
    public Long getId() {
        return accountId;
    }
}

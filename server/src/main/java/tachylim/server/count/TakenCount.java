package tachylim.server.count;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.count.Count;

/** What was counted once. */
@Entity
class TakenCount {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long changeId;
    private String clientId;
    private LocalDate day;
    private Instant at;
    private int seconds;
    private int clean;

    protected TakenCount() {}

    TakenCount(long accountId, long changeId, String clientId, Count count, Instant at) {
        this.accountId = accountId;
        this.changeId = changeId;
        this.clientId = clientId;
        this.day = count.day();
        this.at = at;
        this.seconds = count.seconds();
        this.clean = count.clean();
    }

    long changeId() {
        return changeId;
    }

    Count count() {
        return new Count(day, seconds, clean);
    }
}

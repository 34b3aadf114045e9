package tachylim.server.load;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import tachylim.load.Condition;
import tachylim.load.Recovery;
import tachylim.server.record.AssignedId;

/** How a player came out of what was played last. */
@Entity
@Table(name = "player_condition")
class StoredCondition extends AssignedId<Long> {

    @Id
    private Long accountId;

    private Instant at;

    @Column(name = "reserve")
    private double recovery;

    @Column(name = "reserve_k")
    private double recoveryK;

    private double sinceBreak;

    protected StoredCondition() {}

    StoredCondition(long accountId) {
        this.accountId = accountId;
    }

    Instant at() {
        return at;
    }

    Condition condition() {
        return new Condition(new Recovery(recovery, recoveryK), sinceBreak);
    }

    void keep(Condition condition, Instant now) {
        this.at = now;
        this.recovery = condition.recovery().level();
        this.recoveryK = condition.recovery().k();
        this.sinceBreak = condition.sinceBreak();
    }

    @Override
    public Long getId() {
        return accountId;
    }
}

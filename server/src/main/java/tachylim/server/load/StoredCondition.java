package tachylim.server.load;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.Instant;
import org.springframework.data.domain.Persistable;
import tachylim.load.Condition;
import tachylim.load.Reserve;

/** How a player came out of what was played last. */
@Entity
@Table(name = "player_condition")
class StoredCondition implements Persistable<Long> {

    @Id
    private Long accountId;

    private Instant at;
    private double reserve;
    @Column(name = "reserve_k")
    private double reserveK;
    private double sinceBreak;

    @Transient
    private boolean fresh = true;

    protected StoredCondition() {}

    StoredCondition(long accountId) {
        this.accountId = accountId;
    }

    Instant at() {
        return at;
    }

    Condition condition() {
        return new Condition(new Reserve(reserve, reserveK), sinceBreak);
    }

    void keep(Condition condition, Instant now) {
        this.at = now;
        this.reserve = condition.reserve().level();
        this.reserveK = condition.reserve().k();
        this.sinceBreak = condition.sinceBreak();
    }

    @Override
    public Long getId() {
        return accountId;
    }

    @Override
    public boolean isNew() {
        return fresh;
    }

    @PostLoad
    @PostPersist
    void kept() {
        fresh = false;
    }
}

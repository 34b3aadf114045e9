package tachylim.server.workout;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;

/** A plan that a player has changed and not begun yet: one a passage, until it is begun or dropped. */
@Entity
class PlanDraft {

    @Id
    private Long passageId;

    private Long accountId;

    @Column(columnDefinition = "text")
    private String wish;

    private Instant changedAt;

    protected PlanDraft() {}

    PlanDraft(long accountId, long passageId) {
        this.accountId = accountId;
        this.passageId = passageId;
    }

    String wish() {
        return wish;
    }

    void become(String now, Instant at) {
        wish = now;
        changedAt = at;
    }
}

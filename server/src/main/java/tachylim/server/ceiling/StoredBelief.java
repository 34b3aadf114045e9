package tachylim.server.ceiling;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Posterior;
import tachylim.server.record.AssignedId;

/** The belief about a piece's ceiling as of the last day it was played. */
@Entity
@Table(name = "ceiling_belief")
class StoredBelief extends AssignedId<Long> {

    @Id
    private Long pieceId;

    private Long accountId;
    private LocalDate day;

    @Column(columnDefinition = "mediumblob")
    private byte[] weights;

    private double passes;

    protected StoredBelief() {}

    StoredBelief(long pieceId, long accountId, LocalDate day, Posterior first) {
        this.pieceId = pieceId;
        this.accountId = accountId;
        this.day = day;
        keep(first);
    }

    Long pieceId() {
        return pieceId;
    }

    LocalDate day() {
        return day;
    }

    Posterior on(LocalDate later) {
        return Posterior.fromBytes(weights, passes).afterDays(ChronoUnit.DAYS.between(day, later));
    }

    Posterior learn(Evidence evidence, LocalDate playedOn) {
        // A day that jumps back, after a clock was put right, is no reason to forget.
        LocalDate at = playedOn.isBefore(day) ? day : playedOn;
        Posterior learnt = on(at).after(evidence);
        keep(learnt);
        day = at;
        return learnt;
    }

    private void keep(Posterior belief) {
        weights = belief.toBytes();
        passes = belief.passes();
    }

    @Override
    public Long getId() {
        return pieceId;
    }
}

package tachylim.server.workout;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import tachylim.ceiling.Posterior;
import tachylim.server.record.AssignedId;

/** What was believed of a piece when a workout on it was begun: what its run is folded again from. */
@Entity
@Table(name = "starting_belief")
class StartingBelief extends AssignedId<Long> {

    @Id
    private Long workoutId;

    private Long accountId;
    private LocalDate day;

    @Column(columnDefinition = "blob")
    private byte[] weights;

    private double passes;

    protected StartingBelief() {}

    StartingBelief(long workoutId, long accountId, LocalDate day, Posterior belief) {
        this.workoutId = workoutId;
        this.accountId = accountId;
        this.day = day;
        this.weights = belief.toBytes();
        this.passes = belief.passes();
    }

    Posterior belief() {
        return Posterior.fromBytes(weights, passes);
    }

    @Override
    public Long getId() {
        return workoutId;
    }
}

package tachylim.server.workout;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.LocalDate;
import tachylim.ceiling.Posterior;
import tachylim.server.record.AssignedId;

/** What was believed of one of its sections when a workout was begun: what its run is folded again from. */
@Entity
@Table(name = "starting_belief")
@IdClass(StartingBelief.Key.class)
class StartingBelief extends AssignedId<StartingBelief.Key> {

    /** One of the sections of a workout. */
    record Key(Long workoutId, Integer theme) implements Serializable {}

    @Id
    private Long workoutId;

    @Id
    private Integer theme;

    private Long accountId;
    private LocalDate day;

    @Column(columnDefinition = "blob")
    private byte[] weights;

    private double passes;

    protected StartingBelief() {}

    StartingBelief(long workoutId, int theme, long accountId, LocalDate day, Posterior belief) {
        this.workoutId = workoutId;
        this.theme = theme;
        this.accountId = accountId;
        this.day = day;
        belief(belief);
    }

    void belief(Posterior belief) {
        this.weights = belief.toBytes();
        this.passes = belief.passes();
    }

    int theme() {
        return theme;
    }

    PlanService.Believed kept() {
        return new PlanService.Believed(theme, passes, weights);
    }

    Posterior belief() {
        return Posterior.fromBytes(weights, passes);
    }

    @Override
    public Key getId() {
        return new Key(workoutId, theme);
    }
}

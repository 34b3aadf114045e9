package tachylim.server.load;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import tachylim.load.Effort;
import tachylim.load.FeltEffort;
import tachylim.server.record.AssignedId;

/** How hard a workout felt, told once at its end. */
@Entity
@Table(name = "session_rating")
class WorkoutRating extends AssignedId<Long> {

    @Id
    private Long runId;

    private Long accountId;
    private LocalDate day;
    private int rating;
    private double felt;
    private double counted;

    protected WorkoutRating() {}

    WorkoutRating(long accountId, long runId, LocalDate day) {
        this.accountId = accountId;
        this.runId = runId;
        this.day = day;
    }

    /** Takes over how hard it felt. */
    void tell(int now, double seconds, Effort effort) {
        this.rating = now;
        this.felt = FeltEffort.of(seconds, now).minutes();
        this.counted = effort.minutes();
    }

    @Override
    public Long getId() {
        return runId;
    }
}

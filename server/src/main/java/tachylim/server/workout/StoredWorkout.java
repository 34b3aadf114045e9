package tachylim.server.workout;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.workout.Workout;

/** A planned workout, as it was when it was begun. */
@Entity
@Table(name = "workout")
public class StoredWorkout {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long pieceId;
    private LocalDate day;
    private Instant createdAt;
    private int minutes;
    private String focus;

    @Column(columnDefinition = "mediumtext")
    private String plan;

    protected StoredWorkout() {}

    StoredWorkout(long accountId, long pieceId, LocalDate day, Instant createdAt, int minutes, String focus, Workout workout) {
        this.accountId = accountId;
        this.pieceId = pieceId;
        this.day = day;
        this.createdAt = createdAt;
        this.minutes = minutes;
        this.focus = focus;
        this.plan = KeptWorkout.write(workout);
    }

    public Long id() {
        return id;
    }

    public Long pieceId() {
        return pieceId;
    }

    public LocalDate day() {
        return day;
    }

    public int minutes() {
        return minutes;
    }

    public String focus() {
        return focus;
    }

    public Workout workout() {
        return KeptWorkout.read(plan);
    }
}

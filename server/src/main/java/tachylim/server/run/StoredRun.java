package tachylim.server.run;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.workout.Done;

/** A workout being played, or played. What happened in it are its events. */
@Entity
@Table(name = "run")
public class StoredRun {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long workoutId;
    private Long pieceId;
    private LocalDate day;
    private Instant startedAt;
    private Instant lastAt;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private Done.Cause outcome;

    private Long activeAccount;
    private String holder;
    private double effortBefore;

    @Column(length = 2000)
    private String note;

    @Version
    private int version;

    protected StoredRun() {}

    StoredRun(long accountId, long workoutId, long pieceId, LocalDate day, Instant at, String holder, double effortBefore) {
        this.accountId = accountId;
        this.workoutId = workoutId;
        this.pieceId = pieceId;
        this.day = day;
        this.startedAt = at;
        this.lastAt = at;
        this.activeAccount = accountId;
        this.holder = holder;
        this.effortBefore = effortBefore;
        this.note = "";
    }

    public Long id() {
        return id;
    }

    public Long workoutId() {
        return workoutId;
    }

    public Long pieceId() {
        return pieceId;
    }

    public LocalDate day() {
        return day;
    }

    public Instant startedAt() {
        return startedAt;
    }

    public Instant lastAt() {
        return lastAt;
    }

    /** How it ended; null while it is being played. */
    public Done.Cause outcome() {
        return outcome;
    }

    public double effortBefore() {
        return effortBefore;
    }

    public String note() {
        return note;
    }

    boolean isHeldBy(String window) {
        return holder.equals(window);
    }

    void takeOver(String window) {
        holder = window;
    }

    /** A clock that jumps back does not turn time around. */
    Instant touched(Instant at) {
        if (at.isAfter(lastAt)) {
            lastAt = at;
        }
        return lastAt;
    }

    void end(Done.Cause cause) {
        outcome = cause;
        activeAccount = null;
    }

    void note(String text) {
        note = text;
    }
}

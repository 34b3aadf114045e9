package tachylim.server.run;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import tachylim.server.record.Documents;
import tachylim.shown.RunBasis;

/** A workout that a browser has taken along to begin it without a network: the page and the server play the same one. */
@Entity
@Table(name = "packed_workout")
class PackedWorkout {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Instant packedAt;

    @Column(columnDefinition = "text")
    private String wish;

    @Column(columnDefinition = "mediumtext")
    private String basis;

    private Long runId;

    protected PackedWorkout() {}

    PackedWorkout(long accountId, Instant packedAt, String wish, RunBasis basis) {
        this.accountId = accountId;
        this.packedAt = packedAt;
        this.wish = wish;
        this.basis = Documents.write(RunBasis.CODEC, basis);
    }

    long id() {
        return id;
    }

    Instant packedAt() {
        return packedAt;
    }

    /** What it was planned from, as {@code StoredWish} writes it. */
    String wish() {
        return wish;
    }

    RunBasis basis() {
        return Documents.read(RunBasis.CODEC, basis);
    }

    /** The run that it was begun as; null while it is packed. */
    Long runId() {
        return runId;
    }

    void begunAs(long run) {
        runId = run;
    }
}

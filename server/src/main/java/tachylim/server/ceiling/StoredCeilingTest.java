package tachylim.server.ceiling;

import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Posterior;
import tachylim.server.record.AssignedId;

/** A ceiling test: the belief that its passes left, so that what it found can be looked at for ever. */
@Entity
@Table(name = "ceiling_test")
class StoredCeilingTest extends AssignedId<Long> {

    @Id
    private Long runId;

    private Long accountId;

    @Column(name = "piece_id")
    private Long sectionId;

    private LocalDate day;

    @Column(columnDefinition = "blob")
    private byte[] weights;

    private double passes;
    private int probes;

    @Embedded
    private StoredEstimate said;

    protected StoredCeilingTest() {}

    StoredCeilingTest(long runId, long accountId, long sectionId, LocalDate day) {
        this.runId = runId;
        this.accountId = accountId;
        this.sectionId = sectionId;
        this.day = day;
    }

    /** Takes note of what is believed after one more pass of it. */
    void measured(Posterior belief) {
        weights = belief.toBytes();
        passes = belief.passes();
        said = new StoredEstimate(Posterior.fromBytes(weights, passes));
        probes++;
    }

    Posterior belief() {
        return Posterior.fromBytes(weights, passes);
    }

    Estimate estimate() {
        return said.estimate(passes);
    }

    Long sectionId() {
        return sectionId;
    }

    LocalDate day() {
        return day;
    }

    int probes() {
        return probes;
    }

    @Override
    public Long getId() {
        return runId;
    }
}

package tachylim.server.run;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import tachylim.record.SegmentCodec;
import tachylim.server.record.Documents;
import tachylim.workout.Segment;

/** One step of a run as it was asked, answered and costed. */
@Entity
class RunSegment {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long runId;
    private int place;
    private int ordinal;

    @Column(columnDefinition = "text")
    private String record;

    private Instant correctedAt;

    protected RunSegment() {}

    RunSegment(long accountId, long runId, int place, int ordinal, Segment segment) {
        this.accountId = accountId;
        this.runId = runId;
        this.place = place;
        this.ordinal = ordinal;
        segment(segment);
    }

    Segment segment() {
        return Documents.read(SegmentCodec.SEGMENT, record);
    }

    int ordinal() {
        return ordinal;
    }

    int place() {
        return place;
    }

    /** When what was said of it was put right; null when it never was. */
    Instant correctedAt() {
        return correctedAt;
    }

    void corrected(Segment now, Instant at) {
        segment(now);
        correctedAt = at;
    }

    void segment(Segment now) {
        record = Documents.write(SegmentCodec.SEGMENT, now);
    }
}

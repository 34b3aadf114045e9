package tachylim.server.ceiling;

import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import tachylim.ceiling.Posterior;
import tachylim.server.record.AssignedId;
import tachylim.tempo.Tempo;

/** The belief about a section's ceiling as of the last day it was played. */
@Entity
@Table(name = "ceiling_belief")
class StoredBelief extends AssignedId<Long> {

    @Id
    @Column(name = "piece_id")
    private Long sectionId;

    private Long accountId;
    private LocalDate day;

    @Column(columnDefinition = "mediumblob")
    private byte[] weights;

    private double passes;

    @Embedded
    private StoredEstimate said;

    private Double alert;
    private boolean feltKept;

    protected StoredBelief() {}

    StoredBelief(long sectionId, long accountId, LocalDate day, Posterior first) {
        this.sectionId = sectionId;
        this.accountId = accountId;
        this.day = day;
        keep(first);
    }

    Long sectionId() {
        return sectionId;
    }

    LocalDate day() {
        return day;
    }

    Posterior on(LocalDate later) {
        return Posterior.fromBytes(weights, passes).afterDays(ChronoUnit.DAYS.between(day, later));
    }

    /** The day it is about when something is played on {@code played}: a clock put back is no reason to forget. */
    LocalDate dayOf(LocalDate played) {
        return played.isBefore(day) ? day : played;
    }

    /** Takes over what is believed on a day. */
    void learned(Posterior belief, LocalDate on) {
        keep(belief);
        day = on;
    }

    /** Takes note of the tempo above which tension says that it is no longer comfortable, if it says so. */
    void felt(Optional<Tempo> at) {
        alert = at.map(Tempo::bpm).orElse(null);
        feltKept = true;
    }

    /** Keeping loses a little; what is said is what will be read again. */
    private void keep(Posterior belief) {
        weights = belief.toBytes();
        passes = belief.passes();
        said = new StoredEstimate(Posterior.fromBytes(weights, passes));
    }

    @Override
    public Long getId() {
        return sectionId;
    }
}

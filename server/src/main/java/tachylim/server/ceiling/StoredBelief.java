package tachylim.server.ceiling;

import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import tachylim.ceiling.Learning;
import tachylim.ceiling.Posterior;
import tachylim.ceiling.Surprise;
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

    /** How ill what was heard on its day fits, as {@link Surprise} counts it. */
    private double surprise;

    /** The ceiling that did not fit, until it is said why; null where nothing is in doubt. */
    private Double doubted;

    @Column(columnDefinition = "mediumblob")
    private byte[] doubtedWeights;

    private double doubtedPasses;

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

    /** As it learns on a day: what was a surprise on another is none any more. */
    Learning learning(LocalDate on) {
        return new Learning(
                on(on),
                new Surprise(
                        on.equals(day) ? surprise : 0,
                        Optional.ofNullable(doubted).map(Tempo::of)));
    }

    /** Takes over what was learned on a day; where that put the ceiling in doubt, what was believed before is stored. */
    void learned(Learning learning, LocalDate on) {
        if (doubted == null && learning.surprise().doubted().isPresent()) {
            doubtedWeights = weights;
            doubtedPasses = passes;
        }
        surprise = learning.surprise().log();
        doubted = learning.surprise().doubted().map(Tempo::bpm).orElse(null);
        keep(learning.belief());
        day = on;
    }

    /** Takes over what is believed on a day, with nothing in doubt. */
    void learned(Posterior belief, LocalDate on) {
        settle();
        keep(belief);
        day = on;
    }

    Optional<Tempo> doubted() {
        return Optional.ofNullable(doubted).map(Tempo::of);
    }

    /** What was believed before it was in doubt. */
    Posterior beforeDoubt() {
        return Posterior.fromBytes(doubtedWeights, doubtedPasses);
    }

    /** Holds what is believed now to be so. */
    void settle() {
        surprise = 0;
        doubted = null;
        doubtedWeights = null;
        doubtedPasses = 0;
    }

    /** Takes note of the tempo above which tension says that it is no longer comfortable, if it says so. */
    void felt(Optional<Tempo> at) {
        alert = at.map(Tempo::bpm).orElse(null);
        feltKept = true;
    }

    /** Keeping loses a little; what is said is what will be read again. */
    void keep(Posterior belief) {
        weights = belief.toBytes();
        passes = belief.passes();
        said = new StoredEstimate(Posterior.fromBytes(weights, passes));
    }

    @Override
    public Long getId() {
        return sectionId;
    }
}

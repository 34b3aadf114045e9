package tachylim.server.load;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.LocalDate;
import tachylim.load.Limit;
import tachylim.server.words.StoredReason;
import tachylim.words.Reason;

/** The lowest that a cap of a day has been: it is replaced by the next day's. */
@Entity
@IdClass(HeldCap.Key.class)
class HeldCap {

    /** Whose, and of which kind. */
    record Key(Long accountId, Limit.Kind kind) implements Serializable {}

    @Id
    private Long accountId;

    @Id
    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private Limit.Kind kind;

    private LocalDate day;
    private double cap;

    @Convert(converter = StoredReason.class)
    private Reason why;

    protected HeldCap() {}

    Limit.Kind kind() {
        return kind;
    }

    double cap() {
        return cap;
    }

    Reason why() {
        return why;
    }
}

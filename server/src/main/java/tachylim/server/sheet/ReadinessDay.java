package tachylim.server.sheet;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import tachylim.passage.Preparation;
import tachylim.passage.Readiness;
import tachylim.server.words.StoredReason;
import tachylim.words.Reason;

/** A day on which something was reached, or lost again. */
@Entity
@Table(name = "readiness_day")
public class ReadinessDay {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private long passageId;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(24)")
    private Readiness item;

    private boolean reached;

    @Convert(converter = StoredReason.class)
    private Reason why;

    private LocalDate day;

    protected ReadinessDay() {}

    public ReadinessDay(long accountId, long passageId, Readiness item, boolean reached, Reason why, LocalDate day) {
        this.accountId = accountId;
        this.passageId = passageId;
        this.item = item;
        this.reached = reached;
        this.why = why;
        this.day = day;
    }

    long passageId() {
        return passageId;
    }

    /** The day as the core knows it. */
    Preparation.Entry entry() {
        return new Preparation.Entry(item, reached, why, day);
    }
}

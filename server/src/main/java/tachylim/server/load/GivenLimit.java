package tachylim.server.load;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.LocalDate;
import tachylim.load.Limit;
import tachylim.load.Ordered;

/** A limit that a teacher or a clinician gave. One that is taken away holds until the end of its day. */
@Entity
class GivenLimit {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private Limit.Kind kind;

    private double cap;
    private String byWhom;
    private LocalDate fromDay;
    private LocalDate untilDay;

    protected GivenLimit() {}

    GivenLimit(long accountId, Ordered ordered, LocalDate today) {
        this.accountId = accountId;
        this.kind = ordered.kind();
        this.cap = ordered.cap();
        this.byWhom = ordered.by();
        this.fromDay = today;
    }

    long id() {
        return id;
    }

    LocalDate untilDay() {
        return untilDay;
    }

    Ordered ordered() {
        return new Ordered(kind, cap, byWhom);
    }

    void endsOn(LocalDate today) {
        if (untilDay == null) {
            untilDay = today;
        }
    }
}

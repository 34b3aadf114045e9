package tachylim.server.repertoire;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.LocalDate;

/** A performance, an audition, a rehearsal that counts: a day before which less is done. */
@Entity
public class Performance {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private String name;
    private LocalDate day;

    protected Performance() {}

    Performance(long accountId, String name, LocalDate day) {
        this.accountId = accountId;
        this.name = name;
        this.day = day;
    }

    public long id() {
        return id;
    }

    public String name() {
        return name;
    }

    public LocalDate day() {
        return day;
    }
}

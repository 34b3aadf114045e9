package tachylim.server.repertoire;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import tachylim.passage.Mark;

/** A mark as it was decided, and why; the newest of its kind on its note holds. An empty value takes it away. */
@Entity
@Table(name = "note_mark")
public class NoteMark {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private long passageId;
    private int note;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(12)")
    private Mark.Kind kind;

    private String value;
    private String why;
    private Instant at;
    private boolean superseded;

    protected NoteMark() {}

    public NoteMark(long accountId, long passageId, int note, Mark.Kind kind, String value, String why, Instant at) {
        this.accountId = accountId;
        this.passageId = passageId;
        this.note = note;
        this.kind = kind;
        this.value = value;
        this.why = why;
        this.at = at;
    }

    public Long id() {
        return id;
    }

    public int note() {
        return note;
    }

    void note(int now) {
        this.note = now;
    }

    public Mark.Kind kind() {
        return kind;
    }

    public String value() {
        return value;
    }

    public String why() {
        return why;
    }

    public Instant at() {
        return at;
    }

    public boolean superseded() {
        return superseded;
    }

    public void superseded(boolean now) {
        this.superseded = now;
    }
}

package tachylim.server.sheet;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import tachylim.passage.Section;
import tachylim.server.words.StoredReason;
import tachylim.words.Reason;

/** A variation chosen for a day, and whether it was played. */
@Entity
@Table(name = "chosen_variant")
public class ChosenVariation {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private long passageId;
    private LocalDate day;
    private int place;
    private int firstNote;
    private int lastNote;

    @Column(name = "variant")
    private String variation;

    private double minutes;

    @Convert(converter = StoredReason.class)
    private Reason why;

    private boolean played;

    protected ChosenVariation() {}

    public ChosenVariation(
            long accountId,
            long passageId,
            LocalDate day,
            int place,
            int firstNote,
            int lastNote,
            String variation,
            double minutes,
            Reason why) {
        this.accountId = accountId;
        this.passageId = passageId;
        this.day = day;
        this.place = place;
        this.firstNote = firstNote;
        this.lastNote = lastNote;
        this.variation = variation;
        this.minutes = minutes;
        this.why = why;
    }

    public Long id() {
        return id;
    }

    long passageId() {
        return passageId;
    }

    public LocalDate day() {
        return day;
    }

    public int place() {
        return place;
    }

    public int firstNote() {
        return firstNote;
    }

    public int lastNote() {
        return lastNote;
    }

    void move(Section now) {
        this.firstNote = now.firstNote();
        this.lastNote = now.lastNote();
    }

    public String variation() {
        return variation;
    }

    public double minutes() {
        return minutes;
    }

    public Reason why() {
        return why;
    }

    public boolean played() {
        return played;
    }

    public void played(boolean now) {
        this.played = now;
    }
}

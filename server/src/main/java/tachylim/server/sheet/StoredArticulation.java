package tachylim.server.sheet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import tachylim.passage.InstrumentFamily;

/** An articulation in the player's own list. */
@Entity
@Table(name = "mode")
public class StoredArticulation {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private InstrumentFamily instrument;

    private int place;
    private String name;

    protected StoredArticulation() {}

    public StoredArticulation(long accountId, InstrumentFamily instrument, int place, String name) {
        this.accountId = accountId;
        this.instrument = instrument;
        this.place = place;
        this.name = name;
    }

    public Long id() {
        return id;
    }

    public InstrumentFamily instrument() {
        return instrument;
    }

    public int place() {
        return place;
    }

    public String name() {
        return name;
    }
}

package tachylim.server.count;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import tachylim.count.Change;
import tachylim.tempo.Tempo;

/** A change that a player counts. */
@Entity
class CountedChange {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private String name;
    private String song;
    private double targetBpm;
    private double beats;
    private Instant createdAt;

    protected CountedChange() {}

    CountedChange(long accountId, String name, String song, Change change, Instant createdAt) {
        this.accountId = accountId;
        this.name = name;
        this.song = song;
        this.targetBpm = change.target().bpm();
        this.beats = change.beats();
        this.createdAt = createdAt;
    }

    long id() {
        return id;
    }

    String name() {
        return name;
    }

    String song() {
        return song;
    }

    Change change() {
        return new Change(Tempo.of(targetBpm), beats);
    }
}

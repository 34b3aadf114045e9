package tachylim.server.count;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;
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

    /** The passage whose transition it is; null where it is of no passage here. */
    private Long passageId;

    private Integer transition;

    protected CountedChange() {}

    CountedChange(long accountId, String name, String song, Change change, Instant createdAt) {
        this.accountId = accountId;
        this.name = name;
        this.song = song;
        this.targetBpm = change.target().bpm();
        this.beats = change.beats();
        this.createdAt = createdAt;
    }

    /** The same as a transition of a passage. */
    CountedChange in(long passage, int number) {
        this.passageId = passage;
        this.transition = number;
        return this;
    }

    Long passageId() {
        return passageId;
    }

    Integer transition() {
        return transition;
    }

    /** Follows its notes to another place; it stays what it is without a passage where they are gone. */
    void follow(Optional<Integer> now) {
        if (now.isPresent()) {
            transition = now.get();
        } else {
            passageId = null;
            transition = null;
        }
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

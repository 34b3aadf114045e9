package tachylim.server.run;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import tachylim.method.Answer;
import tachylim.method.Tension;
import tachylim.method.Verdict;
import tachylim.workout.Event;

/** One event of a run, sent once under an id of the browser's making. */
@Entity
class RunEvent {

    /** What can happen. */
    enum Kind {
        JUDGED,
        RESTED,
        BACKED_OFF,
        REST_ASKED,
        STOPPED,
        SYMPTOM
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long runId;
    private int ordinal;
    private String clientId;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private Kind kind;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(10)")
    private Verdict verdict;

    private Integer tension;
    private Double seconds;
    private Instant at;

    protected RunEvent() {}

    RunEvent(long accountId, long runId, int ordinal, String clientId, Kind kind, Verdict verdict, Integer tension,
            Double seconds, Instant at) {
        this.accountId = accountId;
        this.runId = runId;
        this.ordinal = ordinal;
        this.clientId = clientId;
        this.kind = kind;
        this.verdict = verdict;
        this.tension = tension;
        this.seconds = seconds;
        this.at = at;
    }

    String clientId() {
        return clientId;
    }

    int ordinal() {
        return ordinal;
    }

    Kind kind() {
        return kind;
    }

    Instant at() {
        return at;
    }

    Integer tension() {
        return tension;
    }

    void tension(int felt) {
        tension = felt;
    }

    /** The event as the core knows it. */
    Event event() {
        return switch (kind) {
            case JUDGED -> new Event.Judged(new Answer(verdict, Tension.of(tension)));
            case RESTED -> new Event.Rested(seconds);
            case BACKED_OFF -> new Event.BackedOff();
            case REST_ASKED -> new Event.RestAsked();
            case STOPPED -> new Event.Stopped(false);
            case SYMPTOM -> new Event.Stopped(true);
        };
    }
}

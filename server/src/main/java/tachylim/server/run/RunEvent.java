package tachylim.server.run;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Map;
import tachylim.codec.Names;
import tachylim.load.Effort;
import tachylim.server.record.EnumColumn;
import tachylim.shown.KeptEvent;
import tachylim.shown.LeftDto;
import tachylim.task.Verdict;
import tachylim.workout.Allowance;

/** One event of a run, sent once under an id of the browser's making, with what was allowed when its step was told. */
@Entity
class RunEvent {

    static final Names<KeptEvent.Kind> NAMES = new Names<>(
            KeptEvent.Kind.class,
            Map.of(
                    KeptEvent.Kind.JUDGED,
                    "JUDGED",
                    KeptEvent.Kind.UNJUDGED,
                    "UNJUDGED",
                    KeptEvent.Kind.RESTED,
                    "RESTED",
                    KeptEvent.Kind.BACKED_OFF,
                    "BACKED_OFF",
                    KeptEvent.Kind.REST_ASKED,
                    "REST_ASKED",
                    KeptEvent.Kind.STOPPED,
                    "STOPPED",
                    KeptEvent.Kind.SYMPTOM,
                    "SYMPTOM"));

    static final class KindName extends EnumColumn<KeptEvent.Kind> {
        KindName() {
            super(NAMES);
        }
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long runId;
    private int ordinal;
    private String clientId;

    @Convert(converter = KindName.class)
    private KeptEvent.Kind kind;

    @Convert(converter = EnumColumn.VerdictName.class)
    private Verdict verdict;

    private Integer tension;
    private Double told;
    private Double seconds;
    private Instant at;
    private Double toldEffort;
    private Double toldBurstSeconds;
    private Double toldPlayingSeconds;

    protected RunEvent() {}

    RunEvent(
            long accountId,
            long runId,
            int ordinal,
            String clientId,
            KeptEvent.Kind kind,
            Verdict verdict,
            Integer tension,
            Double figure,
            Double seconds,
            Allowance told,
            Instant at) {
        this.accountId = accountId;
        this.runId = runId;
        this.ordinal = ordinal;
        this.clientId = clientId;
        this.kind = kind;
        this.verdict = verdict;
        this.tension = tension;
        this.told = figure;
        this.seconds = seconds;
        this.at = at;
        this.toldEffort = told.effort().minutes();
        this.toldBurstSeconds = told.burstSeconds();
        this.toldPlayingSeconds = told.playingSeconds();
    }

    String clientId() {
        return clientId;
    }

    int ordinal() {
        return ordinal;
    }

    KeptEvent.Kind kind() {
        return kind;
    }

    Instant at() {
        return at;
    }

    Double seconds() {
        return seconds;
    }

    Integer tension() {
        return tension;
    }

    void tension(int felt) {
        tension = felt;
    }

    /** What was allowed when its step was told; null for those from before that was kept. */
    Allowance told() {
        return toldEffort == null ? null : new Allowance(new Effort(toldEffort), toldBurstSeconds, toldPlayingSeconds);
    }

    /** The event with all that its step depends on. */
    KeptEvent kept() {
        return new KeptEvent(clientId, kind, verdict, tension, told, seconds, LeftDto.of(told()));
    }
}

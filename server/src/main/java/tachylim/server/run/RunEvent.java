package tachylim.server.run;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Map;
import tachylim.server.record.Kept;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.workout.Allowance;
import tachylim.workout.Event;

/** One event of a run, sent once under an id of the browser's making, with what was allowed when its step was told. */
@Entity
class RunEvent {

    /** What can happen. */
    public enum Kind {
        JUDGED,
        UNJUDGED,
        RESTED,
        BACKED_OFF,
        REST_ASKED,
        STOPPED,
        SYMPTOM;

        /** Whether it ends the run, from whichever window and at whatever step. */
        boolean ends() {
            return this == STOPPED || this == SYMPTOM;
        }
    }

    static final Kept.Names<Kind> NAMES = new Kept.Names<>(
            Kind.class,
            Map.of(
                    Kind.JUDGED,
                    "JUDGED",
                    Kind.UNJUDGED,
                    "UNJUDGED",
                    Kind.RESTED,
                    "RESTED",
                    Kind.BACKED_OFF,
                    "BACKED_OFF",
                    Kind.REST_ASKED,
                    "REST_ASKED",
                    Kind.STOPPED,
                    "STOPPED",
                    Kind.SYMPTOM,
                    "SYMPTOM"));

    static final class KindName extends Kept.Column<Kind> {
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
    private Kind kind;

    @Convert(converter = Kept.VerdictName.class)
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
            Kind kind,
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
        this.toldEffort = told.effort();
        this.toldBurstSeconds = told.burstSeconds();
        this.toldPlayingSeconds = told.playingSeconds();
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
        return toldEffort == null ? null : new Allowance(toldEffort, toldBurstSeconds, toldPlayingSeconds);
    }

    /** The event with all that it depends on, for a page that goes on by itself. */
    RunDtos.KeptEvent told(RunDtos.LeftDto left) {
        return new RunDtos.KeptEvent(clientId, kind, verdict, tension, told, seconds, left);
    }

    /** The event as the core knows it. */
    Event event() {
        double played = seconds == null ? Event.UNSAID : seconds;
        return switch (kind) {
            case JUDGED ->
                new Event.Judged(new Answer(verdict, Tension.of(tension), told == null ? Answer.NOTHING_TOLD : told));
            case UNJUDGED -> new Event.Unjudged();
            case RESTED -> new Event.Rested(seconds);
            case BACKED_OFF -> new Event.BackedOff(played);
            case REST_ASKED -> new Event.RestAsked(played);
            case STOPPED -> new Event.Stopped(false, played);
            case SYMPTOM -> new Event.Stopped(true, played);
        };
    }
}

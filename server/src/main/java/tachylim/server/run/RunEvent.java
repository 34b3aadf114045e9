package tachylim.server.run;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Map;
import tachylim.codec.Names;
import tachylim.load.Effort;
import tachylim.record.HearingCodec;
import tachylim.server.record.Documents;
import tachylim.server.record.EnumColumn;
import tachylim.shown.EventDto;
import tachylim.shown.LeftDto;
import tachylim.task.Hearing;
import tachylim.task.Verdict;
import tachylim.workout.Allowance;

/** One event of a run, sent once under an id of the browser's making, with what was allowed when its step was told. */
@Entity
class RunEvent {

    static final Names<EventDto.Kind> NAMES = new Names<>(
            EventDto.Kind.class,
            Map.of(
                    EventDto.Kind.JUDGED,
                    "JUDGED",
                    EventDto.Kind.UNJUDGED,
                    "UNJUDGED",
                    EventDto.Kind.RESTED,
                    "RESTED",
                    EventDto.Kind.BACKED_OFF,
                    "BACKED_OFF",
                    EventDto.Kind.REST_ASKED,
                    "REST_ASKED",
                    EventDto.Kind.STOPPED,
                    "STOPPED",
                    EventDto.Kind.SYMPTOM,
                    "SYMPTOM"));

    static final class KindName extends EnumColumn<EventDto.Kind> {
        KindName() {
            super(NAMES);
        }
    }

    /** What a microphone measured, as a document. */
    static final class HearingText implements AttributeConverter<Hearing, String> {

        @Override
        public String convertToDatabaseColumn(Hearing heard) {
            return heard == null ? null : Documents.write(HearingCodec.HEARING, heard);
        }

        @Override
        public Hearing convertToEntityAttribute(String text) {
            return text == null ? null : Documents.read(HearingCodec.HEARING, text);
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
    private EventDto.Kind kind;

    @Convert(converter = EnumColumn.VerdictName.class)
    private Verdict verdict;

    private Integer tension;
    private Double told;
    private Double seconds;
    private Instant at;
    private Double toldEffort;
    private Double toldBurstSeconds;
    private Double toldPlayingSeconds;

    @Convert(converter = HearingText.class)
    @Column(columnDefinition = "text")
    private Hearing heard;

    protected RunEvent() {}

    RunEvent(
            long accountId,
            long runId,
            int ordinal,
            String clientId,
            EventDto.Kind kind,
            Verdict verdict,
            Integer tension,
            Double figure,
            Double seconds,
            Hearing heard,
            Allowance told,
            Instant at) {
        this.heard = heard;
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

    EventDto.Kind kind() {
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
    EventDto kept() {
        return new EventDto(clientId, kind, verdict, tension, told, seconds, LeftDto.of(told()), heard);
    }
}

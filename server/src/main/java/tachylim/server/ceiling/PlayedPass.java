package tachylim.server.ceiling;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.method.PassKind;
import tachylim.method.Tension;
import tachylim.method.Verdict;
import tachylim.server.record.Kept;
import tachylim.tempo.Tempo;
import tachylim.workout.Part;
import tachylim.workout.Pass;
import tachylim.workout.Segment;

/** One pass: what ceilings, loads and the log are made of. One that was left has no verdict, and counts for the load. */
@Entity
public class PlayedPass {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long runId;
    private int ordinal;
    private Long pieceId;
    private LocalDate day;
    private Instant at;

    @Convert(converter = Kept.PassKindName.class)
    private PassKind kind;

    @Convert(converter = Kept.PartName.class)
    private Part part;

    private double tempo;
    private double playSeconds;
    private int notes;

    @Convert(converter = Kept.VerdictName.class)
    private Verdict verdict;

    private int tension;
    private double reserve;
    private double effort;
    private Double rate;

    protected PlayedPass() {}

    PlayedPass(long accountId, long pieceId, Passes.Place place, Segment segment, double rate) {
        Pass pass = (Pass) segment.step();
        this.accountId = accountId;
        this.runId = place.runId();
        this.ordinal = place.ordinal();
        this.pieceId = pieceId;
        this.day = place.day();
        this.at = place.at();
        this.kind = pass.kind();
        this.part = segment.part();
        this.tempo = pass.tempo().bpm();
        this.playSeconds = segment.playedSeconds();
        this.notes = segment.notes();
        this.verdict = segment.answer() == null ? null : segment.answer().verdict();
        this.rate = rate;
        this.reserve = segment.before().reserve().level();
        felt(segment);
    }

    /** Takes over tension, and what it costs, from the segment as it was answered. */
    void felt(Segment segment) {
        this.tension = segment.after().tension().ordinal();
        this.effort = segment.effort();
    }

    public int ordinal() {
        return ordinal;
    }

    public Long pieceId() {
        return pieceId;
    }

    public LocalDate day() {
        return day;
    }

    public Long runId() {
        return runId;
    }

    public PassKind kind() {
        return kind;
    }

    public Part part() {
        return part;
    }

    public Tempo tempo() {
        return Tempo.of(tempo);
    }

    public double playSeconds() {
        return playSeconds;
    }

    public int notes() {
        return notes;
    }

    /** How it went; null when it was left without a word. */
    public Verdict verdict() {
        return verdict;
    }

    public Tension tension() {
        return Tension.of(tension);
    }

    public double reserve() {
        return reserve;
    }

    public double effort() {
        return effort;
    }
}

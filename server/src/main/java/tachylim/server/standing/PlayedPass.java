package tachylim.server.standing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.method.PassKind;
import tachylim.method.Tension;
import tachylim.method.Verdict;
import tachylim.tempo.Tempo;
import tachylim.workout.Part;
import tachylim.workout.Pass;
import tachylim.workout.Segment;

/** One judged pass: what ceilings, loads and the log are made of. */
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

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(12)")
    private PassKind kind;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(12)")
    private Part part;

    private double tempo;
    private double playSeconds;
    private int notes;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(10)")
    private Verdict verdict;

    private int tension;
    private double reserve;
    private double effort;

    protected PlayedPass() {}

    public PlayedPass(long accountId, long runId, int ordinal, long pieceId, LocalDate day, Instant at, Segment segment) {
        Pass pass = (Pass) segment.step();
        this.accountId = accountId;
        this.runId = runId;
        this.ordinal = ordinal;
        this.pieceId = pieceId;
        this.day = day;
        this.at = at;
        this.kind = pass.kind();
        this.part = segment.part();
        this.tempo = pass.tempo().bpm();
        this.playSeconds = pass.playSeconds();
        this.notes = pass.notes().size() * pass.rounds();
        this.verdict = segment.answer().verdict();
        this.reserve = segment.before().reserve().level();
        felt(segment);
    }

    /** Takes over tension, and what it costs, from the segment as it was answered. */
    public void felt(Segment segment) {
        this.tension = segment.answer().tension().ordinal();
        this.effort = segment.after().effort() - segment.before().effort();
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

    public Tempo tempo() {
        return Tempo.of(tempo);
    }

    public double playSeconds() {
        return playSeconds;
    }

    public int notes() {
        return notes;
    }

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

package tachylim.server.ceiling;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.server.record.EnumColumn;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.workout.Music;
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
    private int turn;

    @Column(name = "piece_id")
    private Long sectionId;

    private LocalDate day;
    private Instant at;

    @Convert(converter = EnumColumn.PassKindName.class)
    private PassKind kind;

    @Convert(converter = EnumColumn.PartName.class)
    private Part part;

    /** In which variation or other way; empty when as written. */
    private String way;

    private double tempo;
    private double playSeconds;
    private double burstSeconds;
    private int notes;

    @Convert(converter = EnumColumn.VerdictName.class)
    private Verdict verdict;

    private int tension;

    /** Whether that was said; it is assumed otherwise, and no evidence. */
    private boolean tensionSaid;

    /** Where its edge was marked, in BPM of the section as written; null where none was. */
    private Double edge;

    @Column(name = "reserve")
    private double recovery;

    private double effort;
    private double rate;

    /** Whether it was sent so long after it was played that it counts for its day alone. */
    private boolean history;

    protected PlayedPass() {}

    /**
     * One of the passes of a segment.
     *
     * @param turn which of those that were answered together, from 0
     */
    PlayedPass(long accountId, long sectionId, Passes.Place place, Segment segment, Music music, int turn) {
        Pass pass = (Pass) segment.step();
        this.accountId = accountId;
        this.runId = place.runId();
        this.ordinal = place.ordinal();
        this.turn = turn;
        this.sectionId = sectionId;
        this.day = place.day();
        this.at = place.at();
        this.kind = pass.kind();
        this.part = segment.part();
        this.way = segment.way(music);
        this.tempo = segment.tempoAsWritten(music).bpm();
        this.playSeconds = segment.playedSeconds() / segment.passes();
        this.burstSeconds = segment.burstSeconds() / segment.passes();
        this.notes = segment.notes() / segment.passes();
        this.history = place.history();
        this.verdict = history ? null : segment.verdict(turn);
        this.rate = pass.rate(music.notes());
        this.recovery = segment.before().recovery().level();
        this.edge = history ? null : segment.edge(music).map(Tempo::bpm).orElse(null);
        felt(segment);
    }

    /** Takes over what is now said of the segment it was one of. What came too late says nothing of a ceiling then either. */
    void corrected(Segment segment) {
        this.verdict = history ? null : segment.verdict(turn);
        felt(segment);
    }

    /** Takes over tension, and what it costs, from the segment as it was answered. */
    void felt(Segment segment) {
        this.tension = segment.after().tension().ordinal();
        this.tensionSaid = segment.saysTension();
        this.effort = segment.effort().minutes() / segment.passes();
    }

    public boolean isHistory() {
        return history;
    }

    public int ordinal() {
        return ordinal;
    }

    public Long sectionId() {
        return sectionId;
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

    /** Seconds of it that are burst time. */
    public double burstSeconds() {
        return burstSeconds;
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

    /** Whether its tension was said; otherwise it is assumed. */
    public boolean saysTension() {
        return tensionSaid;
    }

    public double recovery() {
        return recovery;
    }

    public double effort() {
        return effort;
    }
}

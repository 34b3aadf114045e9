package tachylim.server.take;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.LocalDate;
import java.util.List;
import tachylim.passage.InstrumentFamily;
import tachylim.record.StoredNames;
import tachylim.record.TransitionBytes;
import tachylim.server.record.EnumColumn;
import tachylim.shown.MeasuredDto;
import tachylim.take.Measured.Suggested;
import tachylim.take.Measured.Transition;
import tachylim.take.Measured.Why;
import tachylim.task.Verdict;

/** What was measured of one pass, beside what the player said of it. */
@Entity
class MeasuredPass {

    static final class MeasuredName extends EnumColumn<Suggested> {
        MeasuredName() {
            super(StoredNames.MEASURED);
        }
    }

    static final class WhyName extends EnumColumn<Why> {
        WhyName() {
            super(StoredNames.WHY_MEASURED);
        }
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long runId;
    private int ordinal;
    private int turn;

    @Column(name = "piece_id")
    private Long sectionId;

    private Long passageId;

    /** Which edition of the passage's notes it was: transitions are counted in these. */
    private int music;

    private LocalDate day;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private InstrumentFamily instrument;

    /** In which variation or other way; empty when as written. */
    private String way;

    private double tempo;

    /** By which rules it was measured. */
    private int edition;

    @Convert(converter = MeasuredName.class)
    private Suggested measured;

    @Convert(converter = WhyName.class)
    private Why why;

    private Integer place;
    private Double evenness;
    private double tempoRatio;
    private Double late;

    @Convert(converter = EnumColumn.VerdictName.class)
    private Verdict said;

    /** Whether a hand said so; what was suggested was taken otherwise. */
    private boolean byHand;

    private byte[] links;

    protected MeasuredPass() {}

    /**
     * What was measured of a pass.
     *
     * @param turn which of those that were answered together, from 0
     * @param said what was said of it; null where nothing was
     * @param transitions by the notes of the passage that they lead to
     */
    MeasuredPass(
            long accountId,
            MeasuredPlace place,
            int turn,
            MeasuredDto measured,
            Verdict said,
            boolean byHand,
            List<Transition> transitions) {
        this.accountId = accountId;
        this.runId = place.runId();
        this.ordinal = place.ordinal();
        this.turn = turn;
        this.sectionId = place.sectionId();
        this.passageId = place.passageId();
        this.music = place.music();
        this.day = place.day();
        this.instrument = place.instrument();
        this.way = place.way();
        this.tempo = place.tempo();
        this.edition = measured.edition();
        this.measured = measured.verdict();
        this.why = measured.why();
        this.place = measured.where();
        this.evenness = measured.evenness();
        this.tempoRatio = measured.tempoRatio();
        this.late = measured.late();
        this.said = said;
        this.byHand = byHand;
        this.links = TransitionBytes.of(transitions);
    }

    int ordinal() {
        return ordinal;
    }

    Long passageId() {
        return passageId;
    }

    int music() {
        return music;
    }

    LocalDate day() {
        return day;
    }

    String way() {
        return way;
    }

    double tempo() {
        return tempo;
    }

    Suggested measured() {
        return measured;
    }

    Double evenness() {
        return evenness;
    }

    List<Transition> transitions() {
        return TransitionBytes.read(links);
    }
}

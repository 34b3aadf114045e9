package tachylim.server.run;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import tachylim.load.Effort;
import tachylim.server.record.EnumColumn;
import tachylim.server.words.StoredReason;
import tachylim.words.Reason;
import tachylim.workout.Allowance;
import tachylim.workout.Done;
import tachylim.workout.Rules;
import tachylim.workout.Theme;

/** A workout being played, or played. What happened in it are its events; what came of them its segments. */
@Entity
@Table(name = "run")
public class StoredRun {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long workoutId;

    @Column(name = "piece_id")
    private Long sectionId;

    private LocalDate day;
    private Instant startedAt;
    private Instant lastAt;

    @Convert(converter = EnumColumn.CauseName.class)
    private Done.Cause outcome;

    @Convert(converter = StoredReason.class)
    private Reason outcomeWhy;

    private Long activeAccount;
    private String holder;
    private double effortBefore;
    private int rules;
    private Double toldEffort;
    private Double toldBurstSeconds;
    private Double toldPlayingSeconds;

    @Column(length = 2000)
    private String note;

    private boolean late;

    @Version
    private int version;

    protected StoredRun() {}

    /** @param rules the edition of the rules it is begun by */
    StoredRun(
            long accountId,
            long workoutId,
            long sectionId,
            LocalDate day,
            Instant at,
            String holder,
            Effort effortBefore,
            Allowance told,
            int rules) {
        this.accountId = accountId;
        this.workoutId = workoutId;
        this.sectionId = sectionId;
        this.day = day;
        this.startedAt = at;
        this.lastAt = at;
        this.activeAccount = accountId;
        this.holder = holder;
        this.effortBefore = effortBefore.minutes();
        this.rules = rules;
        this.note = "";
        tell(told);
    }

    public Long id() {
        return id;
    }

    long accountId() {
        return accountId;
    }

    public Long workoutId() {
        return workoutId;
    }

    public Long sectionId() {
        return sectionId;
    }

    /** The section that a theme of its workout is: runs from before there were several have one. */
    long sectionOf(Theme theme) {
        return theme.id() == 0 ? sectionId : theme.id();
    }

    public LocalDate day() {
        return day;
    }

    public Instant startedAt() {
        return startedAt;
    }

    public Instant lastAt() {
        return lastAt;
    }

    /** How it ended; null while it is being played. */
    public Done.Cause outcome() {
        return outcome;
    }

    public Done done() {
        return outcome == null ? null : new Done(outcome, outcomeWhy == null ? outcome.sentence() : outcomeWhy);
    }

    public Effort effortBefore() {
        return new Effort(effortBefore);
    }

    public String note() {
        return note;
    }

    /** Whether it can be played on by the rules it was begun with. */
    boolean isOfThisEdition() {
        return rules == Rules.EDITION;
    }

    /** Whether it was begun by a newer Tachylim than this one, as happens while several instances are brought up to date. */
    boolean isOfALaterEdition() {
        return rules > Rules.EDITION;
    }

    boolean isHeldBy(String window) {
        return holder.equals(window);
    }

    void takeOver(String window) {
        holder = window;
    }

    /** What may still be done as it was last told, with the step that followed from it; null before that was kept. */
    Allowance told() {
        return toldEffort == null ? null : new Allowance(new Effort(toldEffort), toldBurstSeconds, toldPlayingSeconds);
    }

    void tell(Allowance left) {
        toldEffort = left.effort().minutes();
        toldBurstSeconds = left.burstSeconds();
        toldPlayingSeconds = left.playingSeconds();
    }

    /**
     * Brings a run that was begun by a clock that was ahead back to {@code now}.
     *
     * @param playedSeconds seconds of the clock that its steps took
     */
    void putRight(Instant now, double playedSeconds) {
        if (startedAt.isAfter(now)) {
            startedAt = now.minusMillis((long) (1000 * playedSeconds));
        }
        if (lastAt.isAfter(now)) {
            lastAt = now;
        }
    }

    /** When an event came, said to have been at {@code said}: not before the one before it, and never in the future. */
    Instant touched(Instant said, Instant now) {
        Instant at = said.isBefore(lastAt) ? lastAt : said;
        lastAt = at.isAfter(now) ? now : at;
        return lastAt;
    }

    void end(Done done) {
        outcome = done.cause();
        outcomeWhy = done.why();
        activeAccount = null;
    }

    /** Whether some of it was sent so long after it was played that it counts for its days, and says nothing of a ceiling. */
    public boolean isLate() {
        return late;
    }

    void cameLate() {
        late = true;
    }

    void note(String text) {
        note = text;
    }
}

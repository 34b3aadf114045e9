package tachylim.server.load;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.function.Consumer;
import tachylim.load.AwayPractice;

/** What was played on the practice sheet, with a variation or along with the plain notes: no pass, but practice. */
@Entity
@Table(name = "bench_practice")
class UnmeasuredPractice {

    /** No more is sent at once than an hour. */
    static final double LONGEST_SECONDS = 3_600;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long passageId;
    private String clientId;
    private Long choiceId;
    private LocalDate day;
    private Instant at;
    private double tempo;
    private double playSeconds;
    private double effort;
    private double burstSeconds;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private AwayPractice elsewhere;

    private String note = "";
    private Instant withdrawnAt;

    protected UnmeasuredPractice() {}

    UnmeasuredPractice(long accountId, Played played, LocalDate day, Instant at) {
        this.accountId = accountId;
        this.passageId = played.passageId();
        this.clientId = played.clientId();
        this.choiceId = played.choiceId();
        this.day = day;
        this.at = at;
        this.tempo = played.tempo() == null ? 0 : played.tempo().bpm();
        this.playSeconds = played.seconds();
        this.effort = played.effort().minutes();
        this.burstSeconds = played.burstSeconds();
    }

    /** Something that was played elsewhere. */
    UnmeasuredPractice(
            long accountId, String clientId, AwayPractice elsewhere, int minutes, LocalDate day, Instant at) {
        this(accountId, new Played(null, clientId, null, null, 60.0 * minutes, elsewhere.effort(minutes), 0), day, at);
        this.elsewhere = elsewhere;
    }

    long id() {
        return id;
    }

    /** Takes it back: of a day gone by it still counts for what today may be. */
    void takeBack(LocalDate today, Instant now, Consumer<UnmeasuredPractice> deleting) {
        if (day.isBefore(today)) {
            withdraw(now);
        } else {
            deleting.accept(this);
        }
    }

    void withdraw(Instant now) {
        this.withdrawnAt = now;
    }

    String note() {
        return note;
    }

    /** What it was, put right. */
    void become(AwayPractice kind, int minutes, String said) {
        this.elsewhere = kind;
        this.playSeconds = 60.0 * minutes;
        this.effort = kind.effort(minutes).minutes();
        this.note = said;
    }

    Instant at() {
        return at;
    }

    LocalDate day() {
        return day;
    }

    double playSeconds() {
        return playSeconds;
    }

    double effort() {
        return effort;
    }

    AwayPractice elsewhere() {
        return elsewhere;
    }
}

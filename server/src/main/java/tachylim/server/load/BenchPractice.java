package tachylim.server.load;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;

/** What was played on the bench, with a version or along with the plain notes: no pass, but practice. */
@Entity
class BenchPractice {

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

    protected BenchPractice() {}

    BenchPractice(long accountId, Played played, LocalDate day, Instant at) {
        this.accountId = accountId;
        this.passageId = played.passageId();
        this.clientId = played.clientId();
        this.choiceId = played.choiceId();
        this.day = day;
        this.at = at;
        this.tempo = played.tempo().bpm();
        this.playSeconds = played.seconds();
        this.effort = played.effort();
    }
}

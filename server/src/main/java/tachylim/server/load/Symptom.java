package tachylim.server.load;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A report of pain, numbness or tingling. One made by mistake is withdrawn, and stays on record as that. */
@Entity
class Symptom {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private String clientId;
    private Instant at;
    private Instant withdrawnAt;
    private Instant advisedAt;

    protected Symptom() {}

    Symptom(long accountId, String clientId, Instant at) {
        this.accountId = accountId;
        this.clientId = clientId;
        this.at = at;
    }

    Long id() {
        return id;
    }

    Instant at() {
        return at;
    }

    /** A clock that was ahead when this was reported must not make the rest after it longer. */
    void notAfter(Instant now) {
        if (at.isAfter(now)) {
            at = now;
        }
    }

    /** It is reported once more: the rest begins anew, and what was said of it before is over. */
    void again(Instant now) {
        if (now.isAfter(at)) {
            at = now;
        }
        withdrawnAt = null;
        advisedAt = null;
    }

    Instant advisedAt() {
        return advisedAt;
    }

    /** The player has had advice, and says so. */
    void advised(Instant now) {
        if (advisedAt == null) {
            advisedAt = now;
        }
    }

    Instant withdrawnAt() {
        return withdrawnAt;
    }

    void withdraw(Instant now) {
        if (withdrawnAt == null) {
            withdrawnAt = now;
        }
    }
}

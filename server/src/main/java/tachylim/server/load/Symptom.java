package tachylim.server.load;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A report of pain, numbness or tingling. */
@Entity
class Symptom {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Instant at;

    protected Symptom() {}

    Symptom(long accountId, Instant at) {
        this.accountId = accountId;
        this.at = at;
    }

    Instant at() {
        return at;
    }
}

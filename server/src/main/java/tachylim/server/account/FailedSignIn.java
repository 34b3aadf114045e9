package tachylim.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** One failed try to sign in. */
@Entity
class FailedSignIn {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private String name;
    private String address;
    private Instant at;

    protected FailedSignIn() {}

    FailedSignIn(String name, String address, Instant at) {
        this.name = name;
        this.address = address;
        this.at = at;
    }
}

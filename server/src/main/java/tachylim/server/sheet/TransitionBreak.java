package tachylim.server.sheet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

/** A transition at which the player broke. */
@Entity
@Table(name = "link_break")
public class TransitionBreak {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private long passageId;

    @Column(name = "link")
    private int transition;

    private LocalDate day;

    /** Why it broke, in the player's words; null where nobody said. */
    private String cause;

    protected TransitionBreak() {}

    public TransitionBreak(long accountId, long passageId, int transition, LocalDate day) {
        this.accountId = accountId;
        this.passageId = passageId;
        this.transition = transition;
        this.day = day;
    }

    public Long id() {
        return id;
    }

    public int transition() {
        return transition;
    }

    void transition(int now) {
        this.transition = now;
    }

    long passageId() {
        return passageId;
    }

    public LocalDate day() {
        return day;
    }

    String cause() {
        return cause;
    }

    void cause(String words) {
        this.cause = words;
    }
}

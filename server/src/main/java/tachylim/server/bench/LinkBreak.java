package tachylim.server.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

/** A link at which the player broke. */
@Entity
@Table(name = "link_break")
public class LinkBreak {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private long passageId;
    private int link;
    private LocalDate day;

    /** Why it broke, in the player's words; null where nobody said. */
    private String cause;

    protected LinkBreak() {}

    public LinkBreak(long accountId, long passageId, int link, LocalDate day) {
        this.accountId = accountId;
        this.passageId = passageId;
        this.link = link;
        this.day = day;
    }

    public Long id() {
        return id;
    }

    public int link() {
        return link;
    }

    void link(int now) {
        this.link = now;
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

package tachylim.server.workout;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A workout that a player keeps to plan others like it: what was wished of it, whatever the sections. */
@Entity
class PlanTemplate {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private String name;

    @Column(columnDefinition = "text")
    private String wish;

    private Instant createdAt;

    protected PlanTemplate() {}

    PlanTemplate(long accountId, String name, String wish, Instant createdAt) {
        this.accountId = accountId;
        this.name = name;
        this.wish = wish;
        this.createdAt = createdAt;
    }

    long id() {
        return id;
    }

    String name() {
        return name;
    }

    String wish() {
        return wish;
    }

    void wish(String now) {
        wish = now;
    }
}

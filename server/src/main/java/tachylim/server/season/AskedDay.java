package tachylim.server.season;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.LocalDate;
import tachylim.server.record.AssignedId;

/** The minutes that a player wants on one day, where they are not the usual ones. */
@Entity
@IdClass(AskedDay.Key.class)
class AskedDay extends AssignedId<AskedDay.Key> {

    /** One day of one account. */
    public record Key(Long accountId, LocalDate day) implements Serializable {}

    @Id
    private Long accountId;

    @Id
    private LocalDate day;

    private int minutes;

    protected AskedDay() {}

    AskedDay(long accountId, LocalDate day) {
        this.accountId = accountId;
        this.day = day;
    }

    LocalDate day() {
        return day;
    }

    int minutes() {
        return minutes;
    }

    void minutes(int now) {
        this.minutes = now;
    }

    @Override
    public Key getId() {
        return new Key(accountId, day);
    }
}

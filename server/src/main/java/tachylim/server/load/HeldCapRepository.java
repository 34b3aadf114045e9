package tachylim.server.load;

import jakarta.persistence.QueryHint;
import java.time.LocalDate;
import java.util.List;
import org.hibernate.jpa.HibernateHints;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;

interface HeldCapRepository extends JpaRepository<HeldCap, HeldCap.Key> {

    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    List<HeldCap> findByAccountIdAndDay(long accountId, LocalDate day);

    /** Takes over a cap of a day, if it is lower than the one that is held for that day; in one statement, whoever else does. */
    @Modifying
    @Query(
            nativeQuery = true,
            value =
                    "insert into held_cap (account_id, kind, day, cap, why) values (:accountId, :kind, :day, :cap, :why)"
                            + HeldCaps.OR_THE_LOWER)
    void lower(long accountId, String kind, LocalDate day, double cap, String why);
}

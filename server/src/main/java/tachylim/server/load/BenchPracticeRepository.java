package tachylim.server.load;

import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.hibernate.jpa.HibernateHints;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;

interface BenchPracticeRepository extends JpaRepository<BenchPractice, Long> {

    /** One day's sums. */
    interface Sums {
        LocalDate getDay();

        Double getEffort();

        Double getPlaySeconds();
    }

    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query("""
            select p.day as day, sum(p.effort) as effort, sum(p.playSeconds) as playSeconds
            from BenchPractice p where p.accountId = :accountId and p.day between :from and :to
              and p.withdrawnAt is null group by p.day""")
    List<Sums> days(long accountId, LocalDate from, LocalDate to);

    /** As above, of days gone by as they were told before a moment: what is told later changes nothing of that day. */
    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query("""
            select p.day as day, sum(p.effort) as effort, sum(p.playSeconds) as playSeconds
            from BenchPractice p where p.accountId = :accountId and p.day between :from and :to
              and (p.day = :to and p.withdrawnAt is null
                or p.day < :to and p.at < :told and (p.withdrawnAt is null or p.withdrawnAt >= :told))
            group by p.day""")
    List<Sums> days(long accountId, LocalDate from, LocalDate to, Instant told);

    List<BenchPractice> findByAccountIdAndElsewhereNotNullAndWithdrawnAtNullAndDayBetweenOrderByDayAscIdAsc(
            long accountId, LocalDate from, LocalDate to, Limit limit);

    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query(
            "select max(p.day) from BenchPractice p where p.accountId = :accountId and p.day < :day and p.withdrawnAt is null")
    LocalDate lastDay(long accountId, LocalDate day);

    List<BenchPractice> findByAccountIdAndElsewhereNotNullAndWithdrawnAtNullOrderByIdDesc(long accountId, Limit limit);

    Optional<BenchPractice> findByIdAndAccountIdAndElsewhereNotNullAndWithdrawnAtNull(long id, long accountId);

    boolean existsByAccountIdAndClientId(long accountId, String clientId);

    void deleteByAccountIdAndChoiceId(long accountId, long choiceId);

    long countByAccountIdAndAtAfter(long accountId, Instant since);
}

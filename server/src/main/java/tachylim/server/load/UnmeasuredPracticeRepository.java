package tachylim.server.load;

import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.hibernate.jpa.HibernateHints;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;

interface UnmeasuredPracticeRepository extends JpaRepository<UnmeasuredPractice, Long> {

    /** One day's sums. */
    interface Sums {
        LocalDate getDay();

        Double getEffort();

        Double getPlaySeconds();

        Double getBurstSeconds();
    }

    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query("""
            select p.day as day, sum(p.effort) as effort, sum(p.playSeconds) as playSeconds,
                   sum(p.burstSeconds) as burstSeconds
            from UnmeasuredPractice p where p.accountId = :accountId and p.day between :from and :to
              and p.withdrawnAt is null group by p.day""")
    List<Sums> days(long accountId, LocalDate from, LocalDate to);

    /** One day's sums as they were known by a moment, or as they are known now. */
    interface SumsAt extends Sums {
        /** 1 as it was known by then, 0 as it is known now. */
        Long getByThen();
    }

    /**
     * As above, of days gone by once as they were told before a moment and once as they are now: what is told later raises
     * nothing of that day. Each day has a row of either.
     */
    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query(nativeQuery = true, value = """
            select day, by_then as byThen, sum(effort) as effort, sum(play_seconds) as playSeconds,
                   sum(burst_seconds) as burstSeconds
            from (
              select day, effort, play_seconds, burst_seconds, 1 as by_then from bench_practice
              where account_id = :accountId and day between :from and :to
                and (day = :to and withdrawn_at is null
                  or day < :to and at < :told and (withdrawn_at is null or withdrawn_at >= :told))
              union all
              select day, effort, play_seconds, burst_seconds, 0 from bench_practice
              where account_id = :accountId and day between :from and :to and withdrawn_at is null) p
            group by day, by_then""")
    List<SumsAt> daysThenAndNow(long accountId, LocalDate from, LocalDate to, Instant told);

    List<UnmeasuredPractice> findByAccountIdAndElsewhereNotNullAndWithdrawnAtNullAndDayBetweenOrderByDayAscIdAsc(
            long accountId, LocalDate from, LocalDate to, Limit limit);

    /** The last day before another on which anything was played, in a workout or outside of one; null when there was none. */
    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query(nativeQuery = true, value = """
            select max(day) from (
              select max(day) as day from played_pass where account_id = :accountId and day < :day
              union all
              select max(day) from bench_practice
              where account_id = :accountId and day < :day and withdrawn_at is null) played""")
    LocalDate lastDay(long accountId, LocalDate day);

    List<UnmeasuredPractice> findByAccountIdAndElsewhereNotNullAndWithdrawnAtNullOrderByIdDesc(
            long accountId, Limit limit);

    Optional<UnmeasuredPractice> findByIdAndAccountIdAndElsewhereNotNullAndWithdrawnAtNull(long id, long accountId);

    boolean existsByAccountIdAndClientId(long accountId, String clientId);

    List<UnmeasuredPractice> findByAccountIdAndChoiceIdAndWithdrawnAtNull(long accountId, long choiceId);

    @Query("select p.clientId from UnmeasuredPractice p where p.accountId = :accountId and p.clientId in :ids")
    List<String> known(long accountId, Collection<String> ids);

    /** What was played on the pages and ended between two moments. */
    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query("""
            select p from UnmeasuredPractice p where p.accountId = :accountId and p.at > :from and p.at < :to
              and p.elsewhere is null and p.choiceId is null""")
    List<UnmeasuredPractice> onThePage(long accountId, Instant from, Instant to);

    long countByAccountIdAndAtAfter(long accountId, Instant since);
}

package tachylim.server.count;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface TakenCountRepository extends JpaRepository<TakenCount, Long> {

    /** The most of a change there ever was, a minute. */
    interface Best {
        Long getChangeId();

        Double getPerMinute();
    }

    List<TakenCount> findByAccountIdAndDayGreaterThanEqualOrderByDayDescIdDesc(
            long accountId, LocalDate since, Limit limit);

    @Query("""
            select c.changeId as changeId, max(c.clean * 60.0 / c.seconds) as perMinute
            from TakenCount c where c.accountId = :accountId group by c.changeId""")
    List<Best> best(long accountId);

    /** How many counts there were on a day. */
    interface OnDay {
        LocalDate getDay();

        Long getCounts();
    }

    @Query("""
            select c.day as day, count(c) as counts from TakenCount c
            where c.accountId = :accountId and c.day between :from and :to group by c.day""")
    List<OnDay> days(long accountId, LocalDate from, LocalDate to);

    /** What was counted of the transitions of some passages since a day, the oldest first. */
    record OfTransition(CountedChange change, TakenCount taken) {}

    @Query("""
            select d, c from CountedChange d join TakenCount c on c.changeId = d.id
            where d.accountId = :accountId and d.passageId in :passageIds and c.day >= :since
            order by c.day, c.id""")
    List<OfTransition> ofTransitions(long accountId, Collection<Long> passageIds, LocalDate since, Limit limit);

    @Query("select max(c.clean * 60.0 / c.seconds) from TakenCount c where c.changeId = :changeId")
    Double bestOf(long changeId);

    boolean existsByAccountIdAndClientId(long accountId, String clientId);
}

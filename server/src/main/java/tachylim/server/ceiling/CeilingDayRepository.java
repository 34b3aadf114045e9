package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CeilingDayRepository extends JpaRepository<CeilingDay, CeilingDay.Key> {

    List<CeilingDay> findByAccountIdAndSectionIdOrderByDayDesc(long accountId, long sectionId, Limit limit);

    List<CeilingDay> findByAccountIdAndSectionIdInAndDayGreaterThanEqualOrderByDayAsc(
            long accountId, Collection<Long> sectionIds, LocalDate since);

    void deleteByAccountIdAndSectionIdAndDayAfter(long accountId, long sectionId, LocalDate day);

    /** The last day of each of some sections before {@code day}. */
    @Query("""
            select d from CeilingDay d where d.accountId = :accountId and d.sectionId in :sectionIds
              and d.day = (select max(e.day) from CeilingDay e where e.sectionId = d.sectionId and e.day < :day)""")
    List<CeilingDay> before(long accountId, Collection<Long> sectionIds, LocalDate day);
}

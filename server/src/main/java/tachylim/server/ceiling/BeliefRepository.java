package tachylim.server.ceiling;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BeliefRepository extends JpaRepository<StoredBelief, Long> {

    List<StoredBelief> findByAccountIdAndSectionIdIn(long accountId, Collection<Long> sectionIds);

    List<StoredBelief> findByAccountIdOrderByDayDesc(long accountId, Limit limit);

    @Query("""
            select new tachylim.server.ceiling.EstimateOfDay(b.sectionId, b.day, b.passes, b.said, b.alert, b.feltKept, b.doubted) from StoredBelief b
            where b.accountId = :accountId and b.sectionId in :sectionIds""")
    List<EstimateOfDay> said(long accountId, Collection<Long> sectionIds);
}

package tachylim.server.sheet;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import tachylim.passage.Readiness;

interface ReadinessDayRepository extends JpaRepository<ReadinessDay, Long> {

    /** What is to be reached before a passage is made fast, of some passages, as far as it was, the oldest first. */
    List<ReadinessDay> findByAccountIdAndPassageIdInAndItemInOrderById(
            long accountId, Collection<Long> passageIds, Collection<Readiness> items, Limit limit);

    List<ReadinessDay> findByAccountIdAndPassageIdOrderById(long accountId, long passageId, Limit limit);
}

package tachylim.server.bench;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface ReadinessDayRepository extends JpaRepository<ReadinessDay, Long> {

    List<ReadinessDay> findByAccountIdAndPassageIdOrderById(long accountId, long passageId, Limit limit);
}

package tachylim.server.run;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface RunSummaryRepository extends JpaRepository<RunSummary, Long> {

    List<RunSummary> findByAccountIdAndRunIdIn(long accountId, Collection<Long> runIds);
}

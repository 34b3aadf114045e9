package tachylim.server.run;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface RunEventRepository extends JpaRepository<RunEvent, Long> {

    List<RunEvent> findByAccountIdAndRunIdOrderByOrdinal(long accountId, long runId);
}

package tachylim.server.run;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface RunSegmentRepository extends JpaRepository<RunSegment, Long> {

    List<RunSegment> findByAccountIdAndRunIdOrderByPlace(long accountId, long runId);

    List<RunSegment> findByAccountIdAndRunIdAndOrdinal(long accountId, long runId, int ordinal);

    Optional<RunSegment> findByAccountIdAndRunIdAndPlace(long accountId, long runId, int place);
}

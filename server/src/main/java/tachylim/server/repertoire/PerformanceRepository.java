package tachylim.server.repertoire;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface PerformanceRepository extends JpaRepository<Performance, Long> {

    List<Performance> findByAccountIdAndDayGreaterThanEqualOrderByDayAscIdAsc(
            long accountId, LocalDate from, Limit limit);

    Optional<Performance> findByIdAndAccountId(long id, long accountId);
}

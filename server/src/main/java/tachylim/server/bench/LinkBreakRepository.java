package tachylim.server.bench;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface LinkBreakRepository extends JpaRepository<LinkBreak, Long> {

    List<LinkBreak> findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByIdDesc(
            long accountId, long passageId, LocalDate since, Limit limit);
}

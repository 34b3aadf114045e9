package tachylim.server.sheet;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface TransitionBreakRepository extends JpaRepository<TransitionBreak, Long> {

    List<TransitionBreak> findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByIdDesc(
            long accountId, long passageId, LocalDate since, Limit limit);

    List<TransitionBreak> findByAccountIdAndPassageIdInAndDayGreaterThanEqualOrderByIdDesc(
            long accountId, Collection<Long> passageIds, LocalDate since, Limit limit);
}

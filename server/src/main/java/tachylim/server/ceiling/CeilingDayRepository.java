package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface CeilingDayRepository extends JpaRepository<CeilingDay, CeilingDay.Key> {

    List<CeilingDay> findByAccountIdAndPieceIdOrderByDayDesc(long accountId, long pieceId, Limit limit);

    Optional<CeilingDay> findFirstByAccountIdAndPieceIdAndDayBeforeOrderByDayDesc(
            long accountId, long pieceId, LocalDate day);
}

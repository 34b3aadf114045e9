package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CeilingDayRepository extends JpaRepository<CeilingDay, CeilingDay.Key> {

    List<CeilingDay> findByAccountIdAndPieceIdOrderByDayDesc(long accountId, long pieceId, Limit limit);

    List<CeilingDay> findByAccountIdAndPieceIdInAndDayGreaterThanEqualOrderByDayAsc(
            long accountId, Collection<Long> pieceIds, LocalDate since);

    void deleteByAccountIdAndPieceIdAndDayAfter(long accountId, long pieceId, LocalDate day);

    /** The last day of each of some pieces before {@code day}. */
    @Query("""
            select d from CeilingDay d where d.accountId = :accountId and d.pieceId in :pieceIds
              and d.day = (select max(e.day) from CeilingDay e where e.pieceId = d.pieceId and e.day < :day)""")
    List<CeilingDay> before(long accountId, Collection<Long> pieceIds, LocalDate day);
}

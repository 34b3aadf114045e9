package tachylim.server.repertoire;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;

interface PieceRepository extends JpaRepository<StoredPiece, Long> {

    @EntityGraph(attributePaths = "passage")
    List<StoredPiece> findByAccountIdAndKindAndPutAwayFalseAndPassagePutAwayFalseOrderByPassageIdAscPlaceAsc(
            long accountId, PieceKind kind, Limit limit);

    List<StoredPiece> findByAccountIdAndPassageIdAndPutAwayFalseOrderByPlace(long accountId, long passageId);

    List<StoredPiece> findByAccountIdAndPassageIdAndEditionOrderByPlace(long accountId, long passageId, int edition);

    List<StoredPiece> findByAccountIdAndPassageId(long accountId, long passageId);

    @EntityGraph(attributePaths = "passage")
    Optional<StoredPiece> findByIdAndAccountIdAndPutAwayFalseAndPassagePutAwayFalse(long id, long accountId);

    @EntityGraph(attributePaths = "passage")
    List<StoredPiece> findByAccountIdAndIdInAndPutAwayFalseAndPassagePutAwayFalse(long accountId, List<Long> ids);

    @EntityGraph(attributePaths = "passage")
    List<StoredPiece> findByAccountIdAndIdIn(long accountId, List<Long> ids);
}

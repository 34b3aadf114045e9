package tachylim.server.repertoire;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PieceRepository extends JpaRepository<StoredPiece, Long> {

    @EntityGraph(attributePaths = "passage")
    List<StoredPiece> findByAccountIdAndKindAndPutAwayFalseAndPassagePutAwayFalseOrderByPassageIdAscPlaceAsc(
            long accountId, PieceKind kind, Limit limit);

    List<StoredPiece> findByAccountIdAndPassageIdAndPutAwayFalseOrderByPlace(long accountId, long passageId);

    List<StoredPiece> findByAccountIdAndPassageIdAndEditionOrderByPlace(long accountId, long passageId, int edition);

    /** A piece, put away or not, and its passage. */
    record Cut(Long pieceId, Long passageId) {}

    @Query("""
            select new tachylim.server.repertoire.PieceRepository$Cut(p.id, p.passage.id) from StoredPiece p
            where p.accountId = :accountId and p.passage.id in :passageIds""")
    List<Cut> everCut(long accountId, Collection<Long> passageIds);

    @EntityGraph(attributePaths = "passage")
    Optional<StoredPiece> findByIdAndAccountIdAndPutAwayFalseAndPassagePutAwayFalse(long id, long accountId);

    @EntityGraph(attributePaths = "passage")
    List<StoredPiece> findByAccountIdAndIdInAndPutAwayFalseAndPassagePutAwayFalse(long accountId, List<Long> ids);

    @EntityGraph(attributePaths = "passage")
    List<StoredPiece> findByAccountIdAndIdIn(long accountId, List<Long> ids);
}

package tachylim.server.ceiling;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BeliefRepository extends JpaRepository<StoredBelief, Long> {

    List<StoredBelief> findByAccountIdAndPieceIdIn(long accountId, Collection<Long> pieceIds);

    @Query("""
            select new tachylim.server.ceiling.Said(b.pieceId, b.day, b.passes, b.said, b.alert, b.feltKept) from StoredBelief b
            where b.accountId = :accountId and b.pieceId in :pieceIds""")
    List<Said> said(long accountId, Collection<Long> pieceIds);
}

package tachylim.server.standing;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface BeliefRepository extends JpaRepository<StoredBelief, Long> {

    List<StoredBelief> findByAccountIdAndPieceIdIn(long accountId, Collection<Long> pieceIds);

    Optional<StoredBelief> findByPieceIdAndAccountId(long pieceId, long accountId);
}

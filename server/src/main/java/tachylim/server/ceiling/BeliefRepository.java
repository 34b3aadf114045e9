package tachylim.server.ceiling;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface BeliefRepository extends JpaRepository<StoredBelief, Long> {

    List<StoredBelief> findByAccountIdAndPieceIdIn(long accountId, Collection<Long> pieceIds);
}

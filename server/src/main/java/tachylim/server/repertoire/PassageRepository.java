package tachylim.server.repertoire;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface PassageRepository extends JpaRepository<StoredPassage, Long> {

    List<StoredPassage> findByAccountIdAndPutAwayFalseOrderById(long accountId, Limit limit);

    Optional<StoredPassage> findByIdAndAccountIdAndPutAwayFalse(long id, long accountId);

    long countByAccountId(long accountId);

    Optional<StoredPassage> findByAccountIdAndClientId(long accountId, String clientId);
}

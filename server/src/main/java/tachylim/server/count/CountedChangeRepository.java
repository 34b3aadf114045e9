package tachylim.server.count;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface CountedChangeRepository extends JpaRepository<CountedChange, Long> {

    List<CountedChange> findByAccountIdOrderBySongAscIdAsc(long accountId, Limit limit);

    Optional<CountedChange> findByIdAndAccountId(long id, long accountId);

    Optional<CountedChange> findFirstByAccountIdAndPassageIdAndTransition(
            long accountId, long passageId, int transition);

    List<CountedChange> findByAccountIdAndPassageId(long accountId, long passageId, Limit limit);

    long countByAccountId(long accountId);
}

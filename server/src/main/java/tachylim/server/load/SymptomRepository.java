package tachylim.server.load;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface SymptomRepository extends JpaRepository<Symptom, Long> {

    Optional<Symptom> findFirstByAccountIdAndWithdrawnAtIsNullOrderByAtDesc(long accountId);

    Optional<Symptom> findByAccountIdAndClientId(long accountId, String clientId);

    Optional<Symptom> findByIdAndAccountId(long id, long accountId);

    List<Symptom> findByAccountIdOrderByAtDesc(long accountId, Limit limit);

    long countByAccountIdAndAtAfter(long accountId, Instant since);
}

package tachylim.server.load;

import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.hibernate.jpa.HibernateHints;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.QueryHints;

interface SymptomRepository extends JpaRepository<Symptom, Long> {

    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    List<Symptom> findByAccountIdAndWithdrawnAtIsNullOrderByAtDesc(long accountId, Limit limit);

    Optional<Symptom> findByAccountIdAndClientId(long accountId, String clientId);

    Optional<Symptom> findByIdAndAccountId(long id, long accountId);

    List<Symptom> findByAccountIdOrderByAtDesc(long accountId, Limit limit);

    List<Symptom> findByAccountIdAndAtAfterOrderByAtDesc(long accountId, Instant since, Limit limit);
}

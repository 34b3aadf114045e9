package tachylim.server.load;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface SymptomRepository extends JpaRepository<Symptom, Long> {

    Optional<Symptom> findFirstByAccountIdOrderByAtDesc(long accountId);
}

package tachylim.server.workout;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface PlanTemplateRepository extends JpaRepository<PlanTemplate, Long> {

    List<PlanTemplate> findByAccountIdOrderByName(long accountId, Limit limit);

    Optional<PlanTemplate> findByAccountIdAndName(long accountId, String name);

    Optional<PlanTemplate> findByIdAndAccountId(long id, long accountId);

    long countByAccountId(long accountId);
}

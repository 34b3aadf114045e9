package tachylim.server.workout;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface PlanDraftRepository extends JpaRepository<PlanDraft, Long> {

    Optional<PlanDraft> findByPassageIdAndAccountId(long passageId, long accountId);

    List<PlanDraft> findByAccountIdOrderByChangedAtDesc(long accountId, Limit limit);
}

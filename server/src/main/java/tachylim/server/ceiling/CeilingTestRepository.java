package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CeilingTestRepository extends JpaRepository<CeilingTest, Long> {

    /** What a test found, without the belief it left. */
    record Found(Long runId, LocalDate day, double passes, int probes, KeptEstimate said) {}

    @Query("""
            select new tachylim.server.ceiling.CeilingTestRepository$Found(t.runId, t.day, t.passes, t.probes, t.said)
            from CeilingTest t where t.accountId = :accountId and t.sectionId = :sectionId order by t.runId desc""")
    List<Found> found(long accountId, long sectionId, Limit most);

    boolean existsByRunIdAndAccountId(long runId, long accountId);

    Optional<CeilingTest> findByRunIdAndAccountId(long runId, long accountId);

    Optional<CeilingTest> findFirstByAccountIdAndSectionIdAndRunIdLessThanOrderByRunIdDesc(
            long accountId, long sectionId, long runId);
}

package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StoredCeilingTestRepository extends JpaRepository<StoredCeilingTest, Long> {

    /** What a test found, without the belief it left. */
    record Found(Long runId, LocalDate day, double passes, int probes, StoredEstimate said) {}

    @Query("""
            select new tachylim.server.ceiling.StoredCeilingTestRepository$Found(t.runId, t.day, t.passes, t.probes, t.said)
            from StoredCeilingTest t where t.accountId = :accountId and t.sectionId = :sectionId order by t.runId desc""")
    List<Found> found(long accountId, long sectionId, Limit most);

    boolean existsByRunIdAndAccountId(long runId, long accountId);

    Optional<StoredCeilingTest> findByRunIdAndAccountId(long runId, long accountId);

    Optional<StoredCeilingTest> findFirstByAccountIdAndSectionIdAndRunIdLessThanOrderByRunIdDesc(
            long accountId, long sectionId, long runId);
}

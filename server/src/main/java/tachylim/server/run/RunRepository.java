package tachylim.server.run;

import jakarta.persistence.LockModeType;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import tachylim.workout.Done;

interface RunRepository extends JpaRepository<StoredRun, Long> {

    Optional<StoredRun> findByIdAndAccountId(long id, long accountId);

    /**
     * Lets events of one run come one after the other where they reach the same database: the later waits instead of losing.
     * On several nodes of a cluster the lock holds on its own alone; there the key of run and ordinal, and the run's row that
     * each event writes, let one of two commit and the other begin anew.
     */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from StoredRun r where r.id = :id and r.accountId = :accountId")
    Optional<StoredRun> lock(long id, long accountId);

    Optional<StoredRun> findByActiveAccount(long accountId);

    List<StoredRun> findByAccountIdOrderByIdDesc(long accountId, Limit limit);

    List<StoredRun> findByAccountIdAndIdLessThanOrderByIdDesc(long accountId, long before, Limit limit);

    List<StoredRun> findByAccountIdAndDayBetweenOrderById(long accountId, LocalDate from, LocalDate to, Limit limit);

    /** Workouts that are looked for, the newest first; what is null is not asked about. */
    @Query("""
            select r from StoredRun r
            join StoredSection p on p.id = r.sectionId join StoredWorkout w on w.id = r.workoutId
            where r.accountId = :accountId and (:before is null or r.id < :before)
              and (:from is null or r.day >= :from) and (:to is null or r.day <= :to)
              and (:outcome is null or r.outcome = :outcome)
              and (:text is null or lower(r.note) like :text escape '!' or lower(w.focus) like :text escape '!'
                or lower(p.passage.title) like :text escape '!' or lower(p.name) like :text escape '!')
              and (:passageId is null or p.passage.id = :passageId or exists (
                select 1 from PlayedPass q join StoredSection o on o.id = q.sectionId
                where q.runId = r.id and o.passage.id = :passageId))
            order by r.id desc""")
    List<StoredRun> search(
            long accountId,
            Long before,
            LocalDate from,
            LocalDate to,
            Done.Cause outcome,
            String text,
            Long passageId,
            Limit limit);
}

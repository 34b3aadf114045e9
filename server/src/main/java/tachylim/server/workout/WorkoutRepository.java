package tachylim.server.workout;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface WorkoutRepository extends JpaRepository<StoredWorkout, Long> {

    Optional<StoredWorkout> findByIdAndAccountId(long id, long accountId);

    Optional<StoredWorkout> findFirstByAccountIdAndSectionIdOrderByIdDesc(long accountId, long sectionId);

    List<StoredWorkout> findByAccountIdAndIdIn(long accountId, Collection<Long> ids);

    /** What was chosen lately on a section, without the plans themselves. */
    @Query("""
            select w.school from StoredWorkout w
            where w.accountId = :accountId and w.sectionId = :sectionId
            order by w.id desc""")
    List<String> schools(long accountId, long sectionId, Limit limit);
}

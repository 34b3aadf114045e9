package tachylim.server.workout;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface WorkoutRepository extends JpaRepository<StoredWorkout, Long> {

    Optional<StoredWorkout> findByIdAndAccountId(long id, long accountId);

    List<StoredWorkout> findByAccountIdAndIdIn(long accountId, Collection<Long> ids);
}

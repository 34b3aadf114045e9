package tachylim.server.workout;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface StartingBeliefRepository extends JpaRepository<StartingBelief, StartingBelief.Key> {

    List<StartingBelief> findByWorkoutId(long workoutId);

    void deleteByAccountIdAndDayBefore(long accountId, LocalDate day);
}

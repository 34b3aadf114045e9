package tachylim.server.workout;

import java.time.LocalDate;
import org.springframework.data.jpa.repository.JpaRepository;

interface StartingBeliefRepository extends JpaRepository<StartingBelief, Long> {

    void deleteByAccountIdAndDayBefore(long accountId, LocalDate day);
}

package tachylim.server.run;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PackedWorkoutRepository extends JpaRepository<PackedWorkout, Long> {

    /** Begun once, however often that is asked for. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from PackedWorkout p where p.id = :id and p.accountId = :accountId")
    Optional<PackedWorkout> lock(long id, long accountId);

    /** The ids of all of somebody's, the newest first. */
    @Query("select p.id from PackedWorkout p where p.accountId = :accountId order by p.id desc")
    List<Long> ids(long accountId, Limit limit);

    /** Lets those go that were packed before a moment, or before one of the others. */
    @Modifying
    @Query("delete from PackedWorkout p where p.accountId = :accountId and (p.packedAt < :before or p.id < :least)")
    void letGo(long accountId, Instant before, long least);
}

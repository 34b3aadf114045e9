package tachylim.server.run;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface RunRepository extends JpaRepository<StoredRun, Long> {

    Optional<StoredRun> findByIdAndAccountId(long id, long accountId);

    /** Events of one run come one after the other, whichever window or server they reach. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from StoredRun r where r.id = :id and r.accountId = :accountId")
    Optional<StoredRun> lock(long id, long accountId);

    Optional<StoredRun> findByActiveAccount(long accountId);

    List<StoredRun> findByAccountIdOrderByIdDesc(long accountId, Limit limit);

    List<StoredRun> findByAccountIdAndIdLessThanOrderByIdDesc(long accountId, long before, Limit limit);
}

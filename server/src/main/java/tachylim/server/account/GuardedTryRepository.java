package tachylim.server.account;

import java.time.Instant;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface GuardedTryRepository extends JpaRepository<GuardedTry, String> {

    /** Counts one try in a single statement, so that no two at once count as one; a window that is over begins anew. */
    @Modifying
    @Query(nativeQuery = true, value = """
            insert into guarded_try (subject, window_start, tries) values (:subject, :now, 1)
            on duplicate key update
              tries = if(window_start < :since or window_start > :now, 1, least(tries + 1, 1000000)),
              window_start = if(window_start < :since or window_start > :now, :now, window_start)""")
    void count(String subject, Instant now, Instant since);

    @Query(nativeQuery = true, value = "select tries from guarded_try where subject = :subject")
    int tries(String subject);

    @Modifying
    @Query("delete from GuardedTry t where t.subject = :subject or t.windowStart < :before")
    void forget(String subject, Instant before);
}

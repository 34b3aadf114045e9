package tachylim.server.load;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface GivenLimitRepository extends JpaRepository<GivenLimit, Long> {

    /** Those that hold on a day, the newest first. */
    @Query("""
            select g from GivenLimit g
            where g.accountId = :accountId and (g.untilDay is null or g.untilDay >= :day) order by g.id desc""")
    List<GivenLimit> holding(long accountId, LocalDate day, Limit limit);

    Optional<GivenLimit> findByIdAndAccountId(long id, long accountId);
}

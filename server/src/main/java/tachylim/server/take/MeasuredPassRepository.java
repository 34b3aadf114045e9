package tachylim.server.take;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import tachylim.passage.InstrumentFamily;
import tachylim.take.Measured.Suggested;
import tachylim.task.Verdict;

interface MeasuredPassRepository extends JpaRepository<MeasuredPass, Long> {

    /** How often a player said one thing by hand, and another was measured. */
    record Confirmed(Verdict said, Suggested measured, long times) {}

    @Query("""
            select m.said as said, m.measured as measured, count(*) as times from MeasuredPass m
            where m.accountId = :account and m.instrument = :instrument and m.byHand = true and m.said is not null
            group by m.said, m.measured""")
    List<Confirmed> confirmed(long account, InstrumentFamily instrument);

    /** The passes of a passage that were measured from a day on, the latest first. */
    List<MeasuredPass> findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByDayDescIdDesc(
            long accountId, long passageId, LocalDate from, Limit limit);

    /** The same of several passages, as written or some of their notes alone. */
    @Query("""
            select m from MeasuredPass m
            where m.accountId = :account and m.passageId in :passages and m.day >= :from
              and (m.way = '' or m.way like 'notes.%')
            order by m.day desc, m.id desc""")
    List<MeasuredPass> asWritten(long account, Collection<Long> passages, LocalDate from, Limit limit);

    /** What was measured of a workout's passes, in order. */
    List<MeasuredPass> findByAccountIdAndRunIdOrderByOrdinalAscTurnAsc(long accountId, long runId);

    /** The passes of all passages as written that were measured on some days. */
    List<MeasuredPass> findByAccountIdAndDayGreaterThanEqualAndWayOrderByDayDescIdDesc(
            long accountId, LocalDate from, String way, Limit limit);

    /** The fastest passes of a section as written that were measured like this from a day on. */
    List<MeasuredPass> findByAccountIdAndPassageIdAndSectionIdAndWayAndMeasuredAndDayGreaterThanEqualOrderByTempoDesc(
            long accountId,
            long passageId,
            long sectionId,
            String way,
            Suggested measured,
            LocalDate from,
            Limit limit);

    boolean existsByAccountIdAndRunIdAndOrdinal(long accountId, long runId, int ordinal);
}

package tachylim.server.ceiling;

import jakarta.persistence.QueryHint;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.hibernate.jpa.HibernateHints;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;
import tachylim.task.Verdict;

/** Passes are there as soon as they are saved: what sums them up has nothing else to be written before. */
interface PlayedPassRepository extends JpaRepository<PlayedPass, Long> {

    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query("""
            select p.day as day, sum(p.effort) as effort, sum(p.playSeconds) as playSeconds,
                   sum(p.burstSeconds) as burstSeconds, max(case when p.tensionSaid = true then p.tension else 0 end) as worstTension, count(p) as passes
            from PlayedPass p where p.accountId = :accountId and p.day between :from and :to
            group by p.day order by p.day""")
    List<DaySums> days(long accountId, LocalDate from, LocalDate to);

    /** A tempo and the tension that was said there, and the edge where one was marked. */
    record FeltPass(Long sectionId, double tempo, int tension, Double edge) {}

    @QueryHints(@QueryHint(name = HibernateHints.HINT_FLUSH_MODE, value = "COMMIT"))
    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$FeltPass(p.sectionId, p.tempo, p.tension, p.edge) from PlayedPass p
            where p.accountId = :accountId and p.sectionId in :sectionIds and p.day > :since and p.verdict is not null
              and (p.tensionSaid = true or p.edge is not null)""")
    List<FeltPass> felt(long accountId, Collection<Long> sectionIds, LocalDate since);

    /** The edges that were marked on a section on a day. */
    record DaysEdges(Long sectionId, LocalDate day, double lowest, double mean, double highest, long glides) {}

    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$DaysEdges(
                p.sectionId, p.day, min(p.edge), avg(p.edge), max(p.edge), count(p)) from PlayedPass p
            where p.accountId = :accountId and p.sectionId in :sectionIds and p.day > :since and p.edge is not null
            group by p.sectionId, p.day order by p.day""")
    List<DaysEdges> edges(long accountId, Collection<Long> sectionIds, LocalDate since);

    /** All verdicts of one kind at one tempo. */
    interface Tries {
        Double getTempo();

        tachylim.task.PassKind getKind();

        Verdict getVerdict();

        Long getCount();
    }

    @Query("""
            select p.tempo as tempo, p.kind as kind, p.verdict as verdict, count(p) as count from PlayedPass p
            where p.accountId = :accountId and p.sectionId = :sectionId and p.day > :since
              and p.kind <> tachylim.task.PassKind.WARM_UP and p.verdict is not null and p.way = ''
            group by p.tempo, p.kind, p.verdict order by p.tempo""")
    List<Tries> tries(long accountId, long sectionId, LocalDate since);

    /** A figure of one section. */
    record OfSection(Long sectionId, double figure) {}

    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$OfSection(p.sectionId, max(p.rate)) from PlayedPass p
            where p.accountId = :accountId and p.sectionId in :sectionIds
              and p.verdict = tachylim.task.Verdict.CLEAN
            group by p.sectionId""")
    List<OfSection> fastestClean(long accountId, Collection<Long> sectionIds);

    /** A variation in which a section was played, and the last day on which it was. */
    record Varied(long sectionId, String way, LocalDate day) {}

    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$Varied(p.sectionId, p.way, max(p.day)) from PlayedPass p
            where p.accountId = :accountId and p.sectionId in :sectionIds and p.way <> ''
              and p.day >= :from and p.day < :day and p.part = tachylim.workout.Part.PREPARE
            group by p.sectionId, p.way order by max(p.day) desc, p.way""")
    List<Varied> varied(long accountId, Collection<Long> sectionIds, LocalDate from, LocalDate day);

    /** The last day of a section. */
    record LastDay(long sectionId, LocalDate day) {}

    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$LastDay(p.sectionId, max(p.day)) from PlayedPass p
            where p.accountId = :accountId and p.sectionId in :sectionIds and p.part = tachylim.workout.Part.CORE
            group by p.sectionId""")
    List<LastDay> lastMain(long accountId, Collection<Long> sectionIds);

    /** The effort of a section on a day. */
    record OnDay(long sectionId, LocalDate day, double effort) {}

    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$OnDay(p.sectionId, p.day, sum(p.effort)) from PlayedPass p
            where p.accountId = :accountId and p.day >= :from
            group by p.sectionId, p.day""")
    List<OnDay> efforts(long accountId, LocalDate from);

    @Query("""
            select new tachylim.server.ceiling.Passes$Had(p.sectionId, count(p),
                   sum(case when p.kind = tachylim.task.PassKind.PROBE then 1 else 0 end)) from PlayedPass p
            where p.accountId = :accountId and p.day = :day
              and p.kind <> tachylim.task.PassKind.WARM_UP
            group by p.sectionId""")
    List<Passes.Had> had(long accountId, LocalDate day);

    /** A pass of the whole section with the ceiling as it stood that day. */
    record Whole(Long sectionId, LocalDate day, double tempo, double ceiling, Verdict verdict) {}

    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$Whole(p.sectionId, p.day, p.tempo, d.ceiling, p.verdict)
            from PlayedPass p join CeilingDay d on d.sectionId = p.sectionId and d.day = p.day
            where p.accountId = :accountId and p.sectionId in :sectionIds and p.day > :since and p.verdict is not null
              and p.kind not in (tachylim.task.PassKind.WARM_UP, tachylim.task.PassKind.BURST)
              and p.recovery >= :rested and p.way = ''
            order by p.id""")
    List<Whole> wholes(long accountId, Collection<Long> sectionIds, LocalDate since, double rested);

    /** A pass in an articulation. */
    record Articulated(String way, double tempo, Verdict verdict, double recovery) {}

    /** Judged passes of whole sections in articulations, newest first; all ways between the two bounds are articulations. */
    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$Articulated(p.way, p.tempo, p.verdict, p.recovery)
            from PlayedPass p
            where p.accountId = :accountId and p.sectionId = :sectionId and p.way >= :from and p.way < :to
              and p.verdict is not null
              and p.kind not in (tachylim.task.PassKind.WARM_UP, tachylim.task.PassKind.BURST)
            order by p.id desc""")
    List<Articulated> articulated(long accountId, long sectionId, String from, String to, Limit limit);

    /** How many passes measured on a day. */
    interface Measuring {
        LocalDate getDay();

        Long getProbes();
    }

    @Query("""
            select p.day as day, count(p) as probes from PlayedPass p
            where p.accountId = :accountId and p.sectionId = :sectionId and p.kind = tachylim.task.PassKind.PROBE
            group by p.day""")
    List<Measuring> measuring(long accountId, long sectionId);

    @Query("""
            select p from PlayedPass p where p.accountId = :accountId and p.runId = :runId
              and p.kind = tachylim.task.PassKind.PROBE order by p.ordinal""")
    List<PlayedPass> probes(long accountId, long runId);

    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$OfSection(p.sectionId, min(p.tempo)) from PlayedPass p
            where p.accountId = :accountId and p.sectionId in :sectionIds
              and p.day = :day and p.tension >= :tension and p.verdict is not null
            group by p.sectionId""")
    List<OfSection> slowest(long accountId, Collection<Long> sectionIds, LocalDate day, int tension);

    /** The runs from one on in which a section was played, in their order. */
    @Query("""
            select distinct p.runId from PlayedPass p
            where p.accountId = :accountId and p.sectionId = :sectionId and p.runId >= :from order by p.runId""")
    List<Long> runsOf(long accountId, long sectionId, long from);

    List<PlayedPass> findByAccountIdAndRunIdIn(long accountId, Collection<Long> runIds);

    /** Played as written: a count that was missed, or a way that could be told from another, is no break. */
    @Query("""
            select p from PlayedPass p where p.accountId = :accountId and p.sectionId in :sectionIds
              and p.verdict = tachylim.task.Verdict.BROKE and p.way = '' and p.day > :after
            order by p.day desc""")
    List<PlayedPass> brokenAfter(long accountId, Collection<Long> sectionIds, LocalDate after, Limit limit);

    List<PlayedPass> findByAccountIdAndRunIdAndOrdinal(long accountId, long runId, int ordinal);

    /** The tempo of the last climb's last pass on each section: which that is, an index alone knows. */
    @Query("""
            select new tachylim.server.ceiling.PlayedPassRepository$OfSection(p.sectionId, p.tempo) from PlayedPass p
            join (select max(c.id) as id from PlayedPass c
                  where c.accountId = :accountId and c.sectionId in :sectionIds
                    and c.part = tachylim.workout.Part.OPENER and c.kind = tachylim.task.PassKind.CONTROLLED
                  group by c.sectionId) as last on last.id = p.id""")
    List<OfSection> lastClimbs(long accountId, Collection<Long> sectionIds);
}

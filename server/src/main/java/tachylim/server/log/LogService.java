package tachylim.server.log;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.AwayPractice;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.count.CountService;
import tachylim.server.load.AwayDto;
import tachylim.server.load.AwayService;
import tachylim.server.load.LoadService;
import tachylim.server.log.LogController.Corrected;
import tachylim.server.log.LogController.Correction;
import tachylim.server.log.LogController.Entry;
import tachylim.server.log.LogController.LogPage;
import tachylim.server.log.LogController.LoggedPass;
import tachylim.server.log.LogController.LoggedWorkout;
import tachylim.server.log.LogController.Month;
import tachylim.server.log.LogController.MonthDay;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.Corrections;
import tachylim.server.run.RunService;
import tachylim.server.run.RunSummaries;
import tachylim.server.run.RunSummary;
import tachylim.server.run.RunViews;
import tachylim.server.run.StoredRun;
import tachylim.server.take.TakeService;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.StoredWorkout;
import tachylim.task.Ask;
import tachylim.task.Tension;
import tachylim.workout.Pass;
import tachylim.workout.Segment;

/** What was played, workout by workout. */
@Service
class LogService {

    private static final int PAGE = 30;
    private static final int MOST_IN_MONTH = 400;
    private static final RunService.Wanted EVERYTHING = new RunService.Wanted(null, null, null, null, null);

    private final RunService runs;
    private final RunViews views;
    private final PlanService plans;
    private final RepertoireService repertoire;
    private final RunSummaries summaries;
    private final Passes passes;
    private final Corrections corrections;
    private final LoadService load;
    private final AwayService aways;
    private final CountService counts;
    private final TakeService takes;
    private final AccountService accounts;

    LogService(
            RunService runs,
            RunViews views,
            PlanService plans,
            RepertoireService repertoire,
            RunSummaries summaries,
            Passes passes,
            Corrections corrections,
            LoadService load,
            AwayService aways,
            CountService counts,
            TakeService takes,
            AccountService accounts) {
        this.summaries = summaries;
        this.runs = runs;
        this.views = views;
        this.plans = plans;
        this.repertoire = repertoire;
        this.passes = passes;
        this.corrections = corrections;
        this.load = load;
        this.aways = aways;
        this.counts = counts;
        this.takes = takes;
        this.accounts = accounts;
    }

    @Transactional
    LogPage page(SignedIn who, RunService.Wanted wanted, Long before) {
        List<StoredRun> found =
                wanted.equals(EVERYTHING) ? runs.before(who, before, PAGE) : runs.search(who, wanted, before, PAGE);
        Long older = found.size() < PAGE ? null : found.get(PAGE - 1).id();
        return new LogPage(entries(who, found), older);
    }

    @Transactional
    LoggedWorkout workout(SignedIn who, long runId) {
        StoredRun stored = runs.get(who, runId);
        StoredWorkout workout = plans.get(who, stored.workoutId());
        Entry entry = entries(who, List.of(stored)).get(0);
        return new LoggedWorkout(
                entry,
                views.planned(stored, workout),
                views.played(who, stored, workout),
                passes.isTest(who, runId),
                said(who, stored));
    }

    private List<LoggedPass> said(SignedIn who, StoredRun stored) {
        Map<Integer, TakeService.OfStep> heard = takes.ofRun(who, stored.id());
        return corrections.passes(who, stored).stream()
                .map(one -> dto(one, heard.get(one.ordinal())))
                .toList();
    }

    private static LoggedPass dto(Corrections.StoredSegment kept, TakeService.OfStep heard) {
        Segment segment = kept.segment();
        Pass pass = (Pass) segment.step();
        boolean set = pass.ask().kind() == Ask.Kind.SET;
        return new LoggedPass(
                kept.place(),
                pass.kind(),
                pass.tempo().bpm(),
                segment.passes(),
                segment.answer() == null ? null : segment.answer().verdict(),
                segment.saysTension() ? segment.after().tension().ordinal() : null,
                edge(segment, pass),
                set && segment.answer() != null ? (int) segment.answer().told() : null,
                pass.task().manner(),
                pass.ask().kind() == Ask.Kind.MATCH,
                LogController.HeardOfPass.of(heard),
                kept.correctedAt());
    }

    /** The edge as it was marked, in BPM of what was played. */
    private static Double edge(Segment segment, Pass pass) {
        return segment.answer() != null
                        && pass.ask().kind() == Ask.Kind.EDGE
                        && segment.answer().told() > 0
                ? segment.answer().told()
                : null;
    }

    @Transactional
    Corrected correct(SignedIn who, long runId, int place, Correction now) {
        boolean learned = corrections.correct(
                who,
                runId,
                place,
                now.verdict(),
                Tension.said(now.tension()),
                now.clean() == null ? null : now.clean().doubleValue());
        return new Corrected(said(who, runs.get(who, runId)), learned);
    }

    /** A month by its days: its workouts, what was played elsewhere, and how often changes were counted. */
    @Transactional
    Month month(SignedIn who, LocalDate of) {
        LocalDate today = accounts.today(who);
        LocalDate first = (of == null ? today : of).withDayOfMonth(1);
        LocalDate last = first.plusMonths(1).minusDays(1);
        Map<LocalDate, List<Entry>> workouts = entries(who, runs.between(who, first, last, MOST_IN_MONTH)).stream()
                .collect(Collectors.groupingBy(Entry::day));
        Map<LocalDate, List<AwayDto>> away =
                aways.away(who, first, last).stream().collect(Collectors.groupingBy(AwayDto::day));
        Map<LocalDate, Double> efforts = load.efforts(who, first, last);
        Map<LocalDate, Long> counted = counts.days(who, first, last);
        return new Month(
                first,
                today,
                first.datesUntil(last.plusDays(1))
                        .map(day -> new MonthDay(
                                day,
                                efforts.getOrDefault(day, 0.0),
                                workouts.getOrDefault(day, List.of()),
                                away.getOrDefault(day, List.of()),
                                counted.getOrDefault(day, 0L).intValue()))
                        .toList(),
                List.of(AwayPractice.values()));
    }

    /** The entries of some runs, in a few queries however many they are. */
    private List<Entry> entries(SignedIn who, List<StoredRun> found) {
        Map<Long, StoredSection> sections = repertoire.sectionsById(
                who, found.stream().map(StoredRun::sectionId).toList());
        Map<Long, StoredWorkout> workouts =
                plans.byId(who, found.stream().map(StoredRun::workoutId).toList());
        Map<Long, RunSummary> summaries = this.summaries.of(who, found);
        return found.stream()
                .map(run -> entry(
                        run, sections.get(run.sectionId()), workouts.get(run.workoutId()), summaries.get(run.id())))
                .toList();
    }

    private static Entry entry(StoredRun run, StoredSection section, StoredWorkout workout, RunSummary summary) {
        return new Entry(
                run.id(),
                run.day(),
                run.startedAt(),
                run.lastAt(),
                section.passage().title(),
                section.part(),
                summary.sections(),
                workout.focus(),
                workout.minutes(),
                run.outcome(),
                summary.passes(),
                summary.clean(),
                summary.rough(),
                summary.broke(),
                summary.playedSeconds(),
                summary.burstSeconds(),
                summary.effort(),
                summary.fastestClean(),
                summary.worstTension(),
                summary.sketch(),
                run.note(),
                run.isLate());
    }
}

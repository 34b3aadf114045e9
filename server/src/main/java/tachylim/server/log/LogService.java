package tachylim.server.log;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.log.LogController.Entry;
import tachylim.server.log.LogController.LogPage;
import tachylim.server.log.LogController.Session;
import tachylim.server.log.LogController.SketchDto;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.run.RunService;
import tachylim.server.run.RunSummaries;
import tachylim.server.run.RunSummary;
import tachylim.server.run.RunViews;
import tachylim.server.run.StoredRun;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.StoredWorkout;

/** What was played, session by session. */
@Service
class LogService {

    private static final int PAGE = 30;

    private final RunService runs;
    private final RunViews views;
    private final PlanService plans;
    private final RepertoireService repertoire;
    private final RunSummaries summaries;
    private final Passes passes;

    LogService(
            RunService runs,
            RunViews views,
            PlanService plans,
            RepertoireService repertoire,
            RunSummaries summaries,
            Passes passes) {
        this.summaries = summaries;
        this.runs = runs;
        this.views = views;
        this.plans = plans;
        this.repertoire = repertoire;
        this.passes = passes;
    }

    @Transactional
    LogPage page(SignedIn who, Long before) {
        List<StoredRun> found = runs.before(who, before, PAGE);
        Long older = found.size() < PAGE ? null : found.get(PAGE - 1).id();
        return new LogPage(entries(who, found), older);
    }

    @Transactional
    Session session(SignedIn who, long runId) {
        StoredRun stored = runs.get(who, runId);
        StoredWorkout workout = plans.get(who, stored.workoutId());
        Entry entry = entries(who, List.of(stored)).get(0);
        return new Session(
                entry, views.planned(stored, workout), views.played(who, stored, workout), passes.isTest(who, runId));
    }

    /** The entries of some runs, in a few queries however many they are. */
    private List<Entry> entries(SignedIn who, List<StoredRun> found) {
        Map<Long, StoredPiece> pieces = repertoire.piecesById(
                who, found.stream().map(StoredRun::pieceId).toList());
        Map<Long, StoredWorkout> workouts =
                plans.byId(who, found.stream().map(StoredRun::workoutId).toList());
        Map<Long, RunSummary> summaries = this.summaries.of(who, found);
        return found.stream()
                .map(run ->
                        entry(run, pieces.get(run.pieceId()), workouts.get(run.workoutId()), summaries.get(run.id())))
                .toList();
    }

    private static Entry entry(StoredRun run, StoredPiece piece, StoredWorkout workout, RunSummary summary) {
        return new Entry(
                run.id(),
                run.day(),
                run.startedAt(),
                run.lastAt(),
                piece.passage().title(),
                piece.part(),
                summary.pieces(),
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
                summary.sketch().stream()
                        .map(pass -> new SketchDto(pass.kind(), pass.tempo(), pass.seconds(), pass.verdict()))
                        .toList(),
                run.note());
    }
}

package tachylim.server.log;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.method.PassKind;
import tachylim.method.Verdict;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.PlayedPass;
import tachylim.server.log.LogController.Entry;
import tachylim.server.log.LogController.LogPage;
import tachylim.server.log.LogController.Session;
import tachylim.server.log.LogController.SketchDto;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.run.RunService;
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
    private final Passes passes;

    LogService(RunService runs, RunViews views, PlanService plans, RepertoireService repertoire, Passes passes) {
        this.runs = runs;
        this.views = views;
        this.plans = plans;
        this.repertoire = repertoire;
        this.passes = passes;
    }

    @Transactional(readOnly = true)
    LogPage page(SignedIn who, Long before) {
        List<StoredRun> found = runs.before(who, before, PAGE);
        Long older = found.size() < PAGE ? null : found.get(PAGE - 1).id();
        return new LogPage(entries(who, found), older);
    }

    @Transactional(readOnly = true)
    Session session(SignedIn who, long runId) {
        StoredRun stored = runs.get(who, runId);
        StoredWorkout workout = plans.get(who, stored.workoutId());
        Entry entry = entries(who, List.of(stored)).get(0);
        return new Session(
                entry, views.planned(stored, workout), views.played(who, stored, workout), passes.isTest(who, runId));
    }

    /** The entries of some runs, in three queries however many they are. */
    private List<Entry> entries(SignedIn who, List<StoredRun> found) {
        Map<Long, StoredPiece> pieces = repertoire.piecesById(
                who, found.stream().map(StoredRun::pieceId).toList());
        Map<Long, StoredWorkout> workouts =
                plans.byId(who, found.stream().map(StoredRun::workoutId).toList());
        Map<Long, List<PlayedPass>> played =
                passes.ofRuns(who.accountId(), found.stream().map(StoredRun::id).toList()).stream()
                        .collect(Collectors.groupingBy(PlayedPass::runId));
        return found.stream()
                .map(run -> entry(
                        run,
                        pieces.get(run.pieceId()),
                        workouts.get(run.workoutId()),
                        played.getOrDefault(run.id(), List.of())))
                .toList();
    }

    private static Entry entry(StoredRun run, StoredPiece piece, StoredWorkout workout, List<PlayedPass> passes) {
        Double fastest = passes.stream()
                .filter(pass -> pass.verdict() == Verdict.CLEAN && pass.kind() != PassKind.WARM_UP)
                .map(pass -> pass.tempo().bpm())
                .max(Double::compare)
                .orElse(null);
        return new Entry(
                run.id(),
                run.day(),
                run.startedAt(),
                run.lastAt(),
                piece.passage().title(),
                piece.part(),
                workout.focus(),
                workout.minutes(),
                run.outcome(),
                (int) passes.stream().filter(pass -> pass.verdict() != null).count(),
                count(passes, Verdict.CLEAN),
                count(passes, Verdict.ROUGH),
                count(passes, Verdict.BROKE),
                passes.stream().mapToDouble(PlayedPass::playSeconds).sum(),
                passes.stream()
                        .filter(pass -> pass.kind() == PassKind.BURST)
                        .mapToDouble(PlayedPass::playSeconds)
                        .sum(),
                passes.stream().mapToDouble(PlayedPass::effort).sum(),
                fastest,
                passes.stream().mapToInt(pass -> pass.tension().ordinal()).max().orElse(0),
                passes.stream()
                        .sorted(Comparator.comparingInt(PlayedPass::ordinal))
                        .map(pass -> new SketchDto(pass.kind(), pass.tempo().bpm(), pass.playSeconds(), pass.verdict()))
                        .toList(),
                run.note());
    }

    private static int count(List<PlayedPass> passes, Verdict verdict) {
        return (int) passes.stream().filter(pass -> pass.verdict() == verdict).count();
    }
}

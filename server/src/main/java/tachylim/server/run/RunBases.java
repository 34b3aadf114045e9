package tachylim.server.run;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.record.WorkoutCodec;
import tachylim.server.account.SignedIn;
import tachylim.server.record.Documents;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.run.RunDtos.HeardAnswer;
import tachylim.server.run.RunDtos.HeardRun;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.StoredWorkout;
import tachylim.shown.BeliefDto;
import tachylim.shown.EventDto;
import tachylim.shown.LeftDto;
import tachylim.shown.RunBasis;
import tachylim.words.Reason;
import tachylim.workout.Rules;

/** Runs in full, for pages that go on with them while the server cannot be reached. */
@Service
class RunBases {

    private final RunService runs;
    private final RunEventRepository events;
    private final PlanService plans;
    private final RepertoireService repertoire;

    RunBases(RunService runs, RunEventRepository events, PlanService plans, RepertoireService repertoire) {
        this.runs = runs;
        this.events = events;
        this.plans = plans;
        this.repertoire = repertoire;
    }

    /** A run in progress with all that it is folded from. */
    @Transactional(readOnly = true)
    RunBasis of(SignedIn who, long id) {
        StoredRun stored = runs.get(who, id);
        if (stored.outcome() != null) {
            throw Refused.conflict(ProblemCode.OVER, Reason.of("refusal.runScores.thisWorkoutIsOver"));
        }
        StoredWorkout workout = plans.get(who, stored.workoutId());
        var begun = plans.begun(workout);
        return new RunBasis(
                Rules.EDITION,
                Documents.write(WorkoutCodec.WORKOUT, begun),
                plans.believed(workout).stream()
                        .map(belief -> BeliefDto.of(belief.theme(), belief.passes(), belief.weights()))
                        .toList(),
                kept(who, id),
                LeftDto.of(stored.told()),
                stored.effortBefore().minutes(),
                begun.brief().themes().stream()
                        .map(theme -> PackingService.place(repertoire.anySection(who, stored.sectionOf(theme))))
                        .toList());
    }

    /** What is kept of a run, whether it is over or not. */
    @Transactional(readOnly = true)
    HeardRun heard(SignedIn who, long id) {
        StoredRun stored = runs.get(who, id);
        return new HeardRun(
                stored.outcome() != null,
                events.findByAccountIdAndRunIdOrderByOrdinal(who.accountId(), id).stream()
                        .map(event -> new HeardAnswer(event.clientId(), event.tension()))
                        .toList());
    }

    private List<EventDto> kept(SignedIn who, long id) {
        return events.findByAccountIdAndRunIdOrderByOrdinal(who.accountId(), id).stream()
                .map(RunEvent::kept)
                .toList();
    }
}

package tachylim.server.run;

import java.util.List;
import org.springframework.stereotype.Component;
import tachylim.load.Guardrails;
import tachylim.load.Limit;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.record.PlanOutline;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.run.RunDtos.LastAnswer;
import tachylim.server.run.RunDtos.RunView;
import tachylim.server.run.RunDtos.StepDto;
import tachylim.server.workout.Relief;
import tachylim.server.workout.StoredWorkout;
import tachylim.workout.Block;
import tachylim.workout.Done;
import tachylim.workout.Pass;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Theme;

/** What is shown of a run: one in progress from where it stands, one that is over from what was kept. */
@Component
public class RunViews {

    private final RepertoireService repertoire;
    private final RunRecorder recorder;
    private final Passes passes;

    RunViews(RepertoireService repertoire, RunRecorder recorder, Passes passes) {
        this.passes = passes;
        this.repertoire = repertoire;
        this.recorder = recorder;
    }

    RunView open(SignedIn who, StoredRun stored, StoredWorkout workout, List<RunEvent> kept, Run run, String holder) {
        boolean inBlock = !run.isDone();
        Block block = inBlock ? run.blocks().get(run.block()) : null;
        Theme theme = run.workout().brief().themes().get(inBlock ? block.theme() : 0);
        StoredPiece piece = repertoire.anyPiece(who, theme.id() == 0 ? stored.pieceId() : theme.id());
        StepDescription description = new StepDescription(run, piece.notes().firstNote());
        double cap = stored.effortBefore() + run.tally().effort() + run.left().effort();
        Relief relief = Relief.of(
                run,
                stored.effortBefore(),
                new Limit(Limit.Kind.EFFORT, cap, stored.effortBefore(), "What today allows."));
        return new RunView(
                stored.id(),
                piece.passage().title(),
                piece.part(),
                workout.focus(),
                kept.size(),
                stored.isHeldBy(holder),
                description.step(),
                inBlock ? block.part() : null,
                inBlock ? block.why() : "",
                inBlock ? run.block() : null,
                inBlock ? block.music().title() : "",
                inBlock ? block.method().school().title() : "",
                piece.id(),
                piece.passage().id(),
                inBlock ? block.target(theme).bpm() : theme.target().bpm(),
                description.upcoming(),
                lastAnswer(kept, run),
                run.tally().elapsed(),
                relief,
                Math.max(0, Guardrails.UNBROKEN_SECONDS - run.tally().sinceBreak()),
                false,
                stored.note());
    }

    RunView ended(SignedIn who, StoredRun stored, StoredWorkout workout, int events, String holder) {
        StoredPiece piece = repertoire.anyPiece(who, stored.pieceId());
        Done done = stored.done();
        Relief relief = played(who, stored, workout);
        return new RunView(
                stored.id(),
                piece.passage().title(),
                piece.part(),
                workout.focus(),
                events,
                stored.isHeldBy(holder),
                new StepDto(done.why(), null, null, done.cause()),
                null,
                "",
                null,
                "",
                "",
                piece.id(),
                piece.passage().id(),
                workout.outline().target(),
                "the end",
                null,
                relief.seconds(),
                relief,
                0,
                passes.isTest(who, stored.id()),
                stored.note());
    }

    /** The relief of what was played, as it was kept. */
    public Relief played(SignedIn who, StoredRun stored, StoredWorkout workout) {
        return relief(stored, workout.outline(), recorder.segments(who, stored), List.of());
    }

    /** The relief of the plan, as it was told. */
    public Relief planned(StoredRun stored, StoredWorkout workout) {
        return relief(stored, workout.outline(), List.of(), workout.planned().orElse(List.of()));
    }

    private static Relief relief(StoredRun stored, PlanOutline outline, List<Segment> past, List<Segment> ahead) {
        return Relief.of(
                outline,
                past,
                ahead,
                stored.effortBefore(),
                new Limit(
                        Limit.Kind.EFFORT,
                        stored.effortBefore() + outline.effortLeft(),
                        stored.effortBefore(),
                        "Today's cap when this was planned."));
    }

    /** The last answer, as long as its tension may still be put right: nothing has followed it. */
    private static LastAnswer lastAnswer(List<RunEvent> kept, Run run) {
        if (kept.isEmpty() || kept.get(kept.size() - 1).kind() != RunEvent.Kind.JUDGED) {
            return null;
        }
        RunEvent last = kept.get(kept.size() - 1);
        Segment segment = run.past().get(run.past().size() - 1);
        return new LastAnswer(
                last.clientId(),
                segment.answer().verdict(),
                last.tension(),
                ((Pass) segment.step()).tempo().bpm());
    }
}

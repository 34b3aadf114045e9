package tachylim.server.run;

import java.util.List;
import org.springframework.stereotype.Component;
import tachylim.load.Limit;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.RunDtos.LastAnswer;
import tachylim.server.run.RunDtos.RunView;
import tachylim.server.workout.StoredWorkout;
import tachylim.shown.Moment;
import tachylim.shown.PlanOutline;
import tachylim.shown.Timeline;
import tachylim.words.Reason;
import tachylim.workout.Run;
import tachylim.workout.Segment;

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

    RunView open(SignedIn who, StoredRun stored, List<RunEvent> kept, Run run, String holder) {
        int theme = run.isDone() ? 0 : run.blocks().get(run.block()).theme();
        StoredSection section = repertoire.anySection(
                who, stored.sectionOf(run.workout().brief().themes().get(theme)));
        Moment now = Moment.of(run, any -> section.notes().firstNote(), stored.effortBefore());
        String focus = run.workout().brief().choices().focus();
        return view(stored, focus, section, kept.size(), holder, lastAnswer(kept, now), false, now);
    }

    RunView ended(SignedIn who, StoredRun stored, StoredWorkout workout, int events, String holder) {
        StoredSection section = repertoire.anySection(who, stored.sectionId());
        Moment end = Moment.over(stored.done(), workout.outline().target(), played(who, stored, workout));
        return view(stored, workout.focus(), section, events, holder, null, passes.isTest(who, stored.id()), end);
    }

    private static RunView view(
            StoredRun stored,
            String focus,
            StoredSection section,
            int events,
            String holder,
            LastAnswer last,
            boolean measured,
            Moment now) {
        return new RunView(
                stored.id(),
                section.passage().title(),
                section.part(),
                section.passage().instrument(),
                focus,
                events,
                stored.isHeldBy(holder),
                section.id(),
                section.passage().id(),
                last,
                measured,
                stored.note(),
                now);
    }

    /** The timeline of what was played, as it was kept. */
    public Timeline played(SignedIn who, StoredRun stored, StoredWorkout workout) {
        return timeline(stored, workout.outline(), recorder.segments(who, stored), List.of());
    }

    /** The timeline of the plan, as it was told. */
    public Timeline planned(StoredRun stored, StoredWorkout workout) {
        return timeline(stored, workout.outline(), List.of(), workout.planned());
    }

    private static Timeline timeline(StoredRun stored, PlanOutline outline, List<Segment> past, List<Segment> ahead) {
        return Timeline.of(
                outline,
                past,
                ahead,
                stored.effortBefore(),
                new Limit(
                        Limit.Kind.EFFORT,
                        stored.effortBefore().plus(outline.effortLeft()).minutes(),
                        stored.effortBefore().minutes(),
                        Reason.of("limits.planned")));
    }

    /** The last answer, as long as its tension may still be put right: nothing has followed it. */
    private static LastAnswer lastAnswer(List<RunEvent> kept, Moment now) {
        RunEvent last = kept.isEmpty() ? null : kept.get(kept.size() - 1);
        return last == null || !last.kind().isPlayed() || now.answered() == null
                ? null
                : new LastAnswer(
                        last.clientId(),
                        now.answered().verdict(),
                        now.answered().tension(),
                        now.answered().tempo());
    }
}

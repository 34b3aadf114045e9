package tachylim.server.run;

import java.util.List;
import tachylim.server.workout.StoredWorkout;
import tachylim.workout.Run;

/**
 * A run that can be played on: the fold of its events, each under what today allowed when its step was told.
 *
 * @param stored the run as it is kept
 * @param kept its events, in order
 * @param run where it stood when its step was told
 */
record SoFar(StoredRun stored, List<RunEvent> kept, Run run) {

    static SoFar of(StoredRun stored, StoredWorkout workout, List<RunEvent> played) {
        Run run = Run.start(workout.workout());
        for (RunEvent event : played) {
            run = (event.told() == null ? run : run.under(event.told())).after(event.event());
        }
        return new SoFar(stored, played, stored.told() == null ? run : run.under(stored.told()));
    }
}

package tachylim.workout;

import java.util.List;

/** A run by what happened in it. */
final class Replay {

    private Replay() {}

    static Run of(Workout workout, List<Event> events) {
        Run run = Run.start(workout);
        for (Event event : events) {
            run = run.after(event);
        }
        return run;
    }
}

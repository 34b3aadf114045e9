package tachylim.server.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.List;
import org.springframework.stereotype.Component;
import tachylim.server.account.SignedIn;
import tachylim.server.workout.PlanService;
import tachylim.shown.EventDto;
import tachylim.workout.Run;

/**
 * Where the runs stand that are being played, so that one more answer costs one more step. What is kept decides: a run is
 * folded on from here only where its kept events begin with those that are remembered, and from the start otherwise.
 */
@Component
class RunMemory {

    private static final int MOST_RUNS = 500;
    private static final Duration KEPT = Duration.ofHours(2);

    private final PlanService plans;
    private final Cache<Long, Remembered> runs =
            Caffeine.newBuilder().maximumSize(MOST_RUNS).expireAfterAccess(KEPT).build();

    RunMemory(PlanService plans) {
        this.plans = plans;
    }

    /**
     * Where a run stood after some events.
     *
     * @param earlier where it stood before, since the last answer may be put right; null when that is not known
     */
    private record Remembered(List<EventDto> events, Run run, Remembered earlier) {

        /** The latest of both from which a run with these events goes on; null when it does from neither. */
        Remembered before(List<EventDto> signs) {
            if (events.size() <= signs.size() && events.equals(signs.subList(0, events.size()))) {
                return this;
            }
            return earlier == null ? null : earlier.before(signs);
        }

        Remembered alone() {
            return new Remembered(events, run, null);
        }
    }

    /** A run after some of its events; what was planned is read only when the run is not remembered. */
    SoFar after(SignedIn who, StoredRun stored, List<RunEvent> played) {
        List<EventDto> signs = played.stream().map(RunEvent::kept).toList();
        Remembered known = known(stored, signs);
        Run run = known == null ? Run.start(plans.begun(plans.get(who, stored.workoutId()))) : known.run;
        for (RunEvent event : played.subList(known == null ? 0 : known.events.size(), played.size())) {
            run = event.kept().onto(run);
        }
        remember(stored, signs, run, known);
        return new SoFar(stored, played, stored.told() == null ? run : run.under(stored.told()));
    }

    /** Takes note of where a run stands after {@code played}. */
    void note(StoredRun stored, List<RunEvent> played, Run run) {
        List<EventDto> signs = played.stream().map(RunEvent::kept).toList();
        remember(stored, signs, run, known(stored, signs));
    }

    private Remembered known(StoredRun stored, List<EventDto> signs) {
        Remembered last = runs.getIfPresent(stored.id());
        return last == null ? null : last.before(signs);
    }

    private void remember(StoredRun stored, List<EventDto> signs, Run run, Remembered known) {
        if (known == null || known.events.size() < signs.size()) {
            runs.put(stored.id(), new Remembered(signs, run, known == null ? null : known.alone()));
        }
    }
}

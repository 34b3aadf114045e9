package tachylim.server.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.Effort;
import tachylim.record.WorkoutCodec;
import tachylim.server.account.SignedIn;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.record.Documents;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.RunDtos.EventWish;
import tachylim.server.run.RunDtos.PackedDto;
import tachylim.server.web.Refused;
import tachylim.server.workout.DraftService;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.StoredWish;
import tachylim.server.workout.StoredWorkout;
import tachylim.shown.BeliefDto;
import tachylim.shown.LeftDto;
import tachylim.shown.PlaceDto;
import tachylim.shown.PlanWish;
import tachylim.shown.RunBasis;
import tachylim.words.Reason;
import tachylim.workout.Done;
import tachylim.workout.Rules;
import tachylim.workout.Theme;
import tachylim.workout.Workout;

/** Packs workouts for browsers that may have no network when they are begun. */
@Service
class PackingService {

    /** What was packed longer ago is not begun any more: its answers would not be taken either. */
    private static final Duration KEPT = Duration.ofDays(15);

    /** A browser packs what Today shows when that has changed; somebody has a few of them. */
    private static final int MOST = 40;

    private final PackedWorkoutRepository packed;
    private final RunRepository runs;
    private final RunService service;
    private final PlanService plans;
    private final DraftService drafts;
    private final RepertoireService repertoire;
    private final LoadService load;
    private final Clock clock;

    PackingService(
            PackedWorkoutRepository packed,
            RunRepository runs,
            RunService service,
            PlanService plans,
            DraftService drafts,
            RepertoireService repertoire,
            LoadService load,
            Clock clock) {
        this.packed = packed;
        this.runs = runs;
        this.service = service;
        this.plans = plans;
        this.drafts = drafts;
        this.repertoire = repertoire;
        this.load = load;
        this.clock = clock;
    }

    /** The workout that {@code wish} would begin now, with all that a page needs to play it by itself. */
    @Transactional
    PackedDto pack(SignedIn who, PlanWish wish) {
        Instant now = clock.instant();
        Today today = load.today(who, now);
        Workout workout = plans.drawn(who, wish, today);
        List<Theme> themes = workout.brief().themes();
        RunBasis basis = new RunBasis(
                Rules.EDITION,
                Documents.write(WorkoutCodec.WORKOUT, workout),
                IntStream.range(0, themes.size())
                        .filter(theme -> themes.get(theme).known().belief().isPresent())
                        .mapToObj(theme -> BeliefDto.of(
                                theme, themes.get(theme).known().belief().orElseThrow()))
                        .toList(),
                List.of(),
                LeftDto.of(today.allowance()),
                today.done().effort().minutes(),
                themes.stream()
                        .map(theme -> place(repertoire.anySection(who, theme.id())))
                        .toList());
        makeRoom(who, now);
        PackedWorkout kept = packed.save(new PackedWorkout(who.accountId(), now, StoredWish.written(wish), basis));
        return new PackedDto(
                kept.id(),
                repertoire.anySection(who, themes.get(0).id()).passage().instrument(),
                workout.brief().choices().focus(),
                basis);
    }

    /**
     * Begins a workout that was packed when that has been done, in a browser without a network: it is played as it was packed,
     * whatever has come since. Of another one that is open the later goes on.
     *
     * @return the run; the same one when it is asked again
     */
    @Transactional
    long begun(SignedIn who, long id, String holder, double secondsAgo) {
        PackedWorkout workout = packed.lock(id, who.accountId()).orElseThrow(PackingService::notHere);
        if (workout.runId() != null) {
            return workout.runId();
        }
        Instant said = clock.instant().minusMillis((long) (1000 * secondsAgo));
        Instant at = said.isBefore(workout.packedAt()) ? workout.packedAt() : said;
        Optional<StoredRun> other = service.open(who);
        boolean late = other.filter(run -> run.lastAt().isAfter(at)).isPresent();
        if (!late) {
            other.ifPresent(run -> service.play(who, run.id(), EventWish.stopped()));
        }
        runs.flush();
        StoredRun run = run(who, workout, at, holder);
        if (late) {
            run.end(Done.of(Done.Cause.LEFT));
        }
        workout.begunAs(runs.save(run).id());
        return run.id();
    }

    private StoredRun run(SignedIn who, PackedWorkout workout, Instant at, String holder) {
        RunBasis basis = workout.basis();
        PlanWish wish = StoredWish.read(workout.wish()).orElseThrow(PackingService::notHere);
        Workout drawn = basis.run(Documents.tree(basis.workout())).workout();
        Today then = load.today(who, at);
        StoredWorkout kept = plans.keep(who, wish, drawn, then, at);
        drafts.begun(who, wish);
        return new StoredRun(
                who.accountId(),
                kept.id(),
                kept.sectionId(),
                then.day(),
                at,
                holder,
                new Effort(basis.effortBefore()),
                basis.left().allowance(),
                basis.edition());
    }

    private static Refused notHere() {
        return Refused.notFound(Reason.of("refusal.runService.thisRunIsNotHere"));
    }

    private void makeRoom(SignedIn who, Instant now) {
        List<Long> newest = packed.ids(who.accountId(), Limit.of(MOST - 1));
        packed.letGo(who.accountId(), now.minus(KEPT), newest.size() < MOST - 1 ? 0 : newest.get(newest.size() - 1));
    }

    static PlaceDto place(StoredSection section) {
        return new PlaceDto(
                section.id(),
                section.passage().id(),
                section.passage().title(),
                section.part(),
                section.notes().firstNote());
    }
}

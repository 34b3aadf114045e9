package tachylim.server.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.record.WorkoutCodec;
import tachylim.server.account.SignedIn;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.record.Documents;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.RunDtos.PackedDto;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.StoredWish;
import tachylim.shown.BeliefDto;
import tachylim.shown.LeftDto;
import tachylim.shown.PlaceDto;
import tachylim.shown.PlanWish;
import tachylim.shown.RunBasis;
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
    private final PlanService plans;
    private final RepertoireService repertoire;
    private final LoadService load;
    private final Clock clock;

    PackingService(
            PackedWorkoutRepository packed,
            PlanService plans,
            RepertoireService repertoire,
            LoadService load,
            Clock clock) {
        this.packed = packed;
        this.plans = plans;
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
                today.day(),
                repertoire.anySection(who, themes.get(0).id()).passage().instrument(),
                workout.brief().choices().focus(),
                basis);
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

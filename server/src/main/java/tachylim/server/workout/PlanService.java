package tachylim.server.workout;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.method.Tension;
import tachylim.passage.Readiness;
import tachylim.server.account.SignedIn;
import tachylim.server.bench.ReadinessService;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StorageService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.server.workout.PlanDtos.PlanView;
import tachylim.server.workout.PlanDtos.PlanWish;
import tachylim.server.workout.PlanDtos.SchoolDto;
import tachylim.tempo.Tempo;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Need;
import tachylim.workout.Planner;
import tachylim.workout.Run;
import tachylim.workout.Workout;

/** Plans workouts from what is known of a piece and what is left of the day. */
@Service
public class PlanService {

    /** A run that began so long ago is not folded again: an answer may come late by two weeks. */
    private static final int BELIEF_DAYS = 15;

    private final WorkoutRepository workouts;
    private final StartingBeliefRepository beliefs;
    private final RepertoireService repertoire;
    private final StandingService standings;
    private final Passes passes;
    private final LoadService load;
    private final ReadinessService readiness;
    private final StorageService storage;

    PlanService(
            WorkoutRepository workouts,
            StartingBeliefRepository beliefs,
            RepertoireService repertoire,
            StandingService standings,
            Passes passes,
            LoadService load,
            ReadinessService readiness,
            StorageService storage) {
        this.workouts = workouts;
        this.beliefs = beliefs;
        this.repertoire = repertoire;
        this.standings = standings;
        this.passes = passes;
        this.load = load;
        this.readiness = readiness;
        this.storage = storage;
    }

    @Transactional
    public PlanView preview(SignedIn who, PlanWish wish) {
        StoredPiece piece = repertoire.piece(who, wish.pieceId());
        Today today = load.today(who);
        Standing standing = standings.standing(who, piece.subject(), today.day());
        return view(wish, piece, today, plan(who, wish, piece, standing, today));
    }

    private static PlanView view(PlanWish wish, StoredPiece piece, Today today, Workout workout) {
        Relief relief =
                Relief.of(Run.start(workout), today.done().effort(), today.limit(tachylim.load.Limit.Kind.EFFORT));
        return new PlanView(
                wish,
                SchoolDto.ALL,
                piece.passage().title(),
                piece.part(),
                piece.passage().neededOn(),
                relief,
                today.dto());
    }

    private Workout plan(SignedIn who, PlanWish wish, StoredPiece piece, Standing standing, Today today) {
        Choices choices = Refused.unlessValid("choices", wish::choices);
        Workout workout = Refused.unlessValid(
                "minutes",
                () -> Planner.plan(new Brief(
                        repertoire.music(piece),
                        Tempo.of(piece.passage().targetBpm()),
                        standing.known().besides(passes.awkward(who, piece.id(), today.day())),
                        wish.minutes(),
                        choices,
                        today.allowance(),
                        today.condition(),
                        passes.lastClimb(who, piece.id()),
                        repertoire.reachedRate(who, piece.passage()),
                        today.done().worstTension().atLeast(Tension.GRIPPING)
                                ? passes.gripped(who, piece.id(), today.day())
                                : Optional.empty(),
                        today.spared())));
        if (today.rest() != null) {
            return workout.withOnlyRemark(today.restSentence());
        }
        String warning = choices.school().isFast() ? Readiness.warning(readiness.open(who, piece.passage())) : "";
        return warning.isEmpty() ? workout : workout.withRemark(warning);
    }

    /** Keeps the workout that is about to be played. */
    @Transactional
    public StoredWorkout keep(SignedIn who, PlanWish wish, Today today, Instant at) {
        StoredPiece piece = repertoire.piece(who, wish.pieceId());
        storage.checkRoom(who);
        Standing standing = standings.standing(who, piece.subject(), today.day());
        today.checkMayPlay();
        Workout workout = plan(who, wish, piece, standing, today);
        if (workout.blocks().isEmpty()) {
            throw Refused.conflict(ProblemCode.NOTHING_LEFT, String.join(" ", workout.remarks()));
        }
        StoredWorkout stored = workouts.save(new StoredWorkout(
                who.accountId(),
                piece.id(),
                today.day(),
                at,
                wish.minutes(),
                wish.focus().strip(),
                workout));
        beliefs.deleteByAccountIdAndDayBefore(who.accountId(), today.day().minusDays(BELIEF_DAYS));
        workout.brief()
                .known()
                .belief()
                .ifPresent(
                        belief -> beliefs.save(new StartingBelief(stored.id(), who.accountId(), today.day(), belief)));
        return stored;
    }

    /** A kept workout, to be played on from what was believed when it was begun. */
    @Transactional(readOnly = true)
    public Workout begun(StoredWorkout stored) {
        return stored.workout(beliefs.findById(stored.id()).map(StartingBelief::belief));
    }

    @Transactional(readOnly = true)
    public StoredWorkout get(SignedIn who, long id) {
        return workouts.findByIdAndAccountId(id, who.accountId()).orElseThrow(() -> Refused.notFound("This workout"));
    }

    /** A workout whoever's it is: for bringing what is kept up to date. */
    @Transactional
    public StoredWorkout ofAnyone(long id) {
        return workouts.findById(id).orElseThrow();
    }

    @Transactional(readOnly = true)
    public Map<Long, StoredWorkout> byId(SignedIn who, Collection<Long> ids) {
        return workouts.findByAccountIdAndIdIn(who.accountId(), ids).stream()
                .collect(Collectors.toMap(StoredWorkout::id, Function.identity()));
    }

    /** The piece that needs today most, with how it stands. */
    public record Neediest(StoredPiece piece, Standing standing) {}

    @Transactional(readOnly = true)
    public Optional<Neediest> neediest(SignedIn who, LocalDate day) {
        List<StoredPiece> pieces = repertoire.pieces(who);
        Map<Long, Standing> known = standings.standings(
                who, pieces.stream().map(StoredPiece::subject).toList(), day);
        return pieces.stream()
                .map(piece -> new Neediest(piece, known.get(piece.id())))
                .max(Comparator.comparingDouble(candidate -> need(candidate, day)));
    }

    private static double need(Neediest candidate, LocalDate day) {
        LocalDate date = candidate.piece.passage().neededOn();
        Long daysLeft = date == null ? null : ChronoUnit.DAYS.between(day, date);
        return Need.of(
                Tempo.of(candidate.piece.passage().targetBpm()),
                candidate.standing.estimate().ceiling().middle(),
                daysLeft);
    }

    @Transactional(readOnly = true)
    public PlanView prepared(SignedIn who, PlanWish wish, Neediest neediest, Today today) {
        return view(wish, neediest.piece, today, plan(who, wish, neediest.piece, neediest.standing, today));
    }
}

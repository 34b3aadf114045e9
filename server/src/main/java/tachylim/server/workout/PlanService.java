package tachylim.server.workout;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Function;
import java.util.function.LongPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.Posterior;
import tachylim.load.Limit;
import tachylim.method.School;
import tachylim.passage.Readiness;
import tachylim.record.WorkoutCodec;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.bench.ChoiceService;
import tachylim.server.bench.LinkService;
import tachylim.server.bench.ReadinessService;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.record.Documents;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StorageService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.server.workout.PlanDtos.PlanView;
import tachylim.server.workout.PlanDtos.SchoolDto;
import tachylim.shown.BeliefDto;
import tachylim.shown.PlanScore;
import tachylim.shown.PlanWish;
import tachylim.shown.Relief;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.PieceLeft;
import tachylim.workout.Planner;
import tachylim.workout.Rules;
import tachylim.workout.Run;
import tachylim.workout.Theme;
import tachylim.workout.WhichMethod;
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
    private final TodaysPieces todaysPieces;
    private final LoadService load;
    private final ReadinessService readiness;
    private final LinkService links;
    private final ChoiceService choices;
    private final StorageService storage;
    private final AccountService accounts;

    PlanService(
            WorkoutRepository workouts,
            StartingBeliefRepository beliefs,
            RepertoireService repertoire,
            StandingService standings,
            Passes passes,
            TodaysPieces todaysPieces,
            LoadService load,
            ReadinessService readiness,
            LinkService links,
            ChoiceService choices,
            StorageService storage,
            AccountService accounts) {
        this.workouts = workouts;
        this.beliefs = beliefs;
        this.repertoire = repertoire;
        this.standings = standings;
        this.passes = passes;
        this.todaysPieces = todaysPieces;
        this.load = load;
        this.readiness = readiness;
        this.links = links;
        this.choices = choices;
        this.storage = storage;
        this.accounts = accounts;
    }

    @Transactional(readOnly = true)
    public PlanView preview(SignedIn who, PlanWish wish) {
        List<StoredPiece> pieces = repertoire.pieces(who, wish.pieceIds());
        Today today = load.today(who);
        Workout workout = plan(who, wish, pieces, known(who, pieces, today), today);
        return view(wish, pieces, workout, advice(who, workout, pieces.get(0), today), today);
    }

    /** What a page plans from by itself: the same as {@link #preview} does. */
    @Transactional(readOnly = true)
    public PlanScore score(SignedIn who, PlanWish wish) {
        List<StoredPiece> pieces = repertoire.pieces(who, wish.pieceIds());
        Today today = load.today(who);
        Map<Long, Standing> known = known(who, pieces, today);
        List<Theme> themes = themes(who, pieces, known, id -> true, today);
        Brief brief = new Brief(
                themes,
                List.of(),
                wish.minutes(),
                Refused.unlessValid("choices", wish::choices),
                today.allowance(),
                today.condition(),
                accounts.get(who).routine(),
                today.spared());
        Limit effort = today.limit(Limit.Kind.EFFORT);
        return new PlanScore(
                Rules.EDITION,
                Documents.write(WorkoutCodec.WORKOUT, new Workout(brief, List.of(), List.of())),
                IntStream.range(0, themes.size())
                        .mapToObj(theme -> BeliefDto.of(
                                theme, themes.get(theme).known().belief().orElseThrow()))
                        .toList(),
                today.done().effort().minutes(),
                effort.cap(),
                effort.why(),
                today.rest() == null ? "" : today.restSentence(),
                Readiness.warning(readiness.open(who, pieces.get(0).passage())));
    }

    /** The last session on a piece again, by what is known and allowed today. */
    @Transactional(readOnly = true)
    public PlanView again(SignedIn who, long pieceId) {
        Brief begun = workouts.findFirstByAccountIdAndPieceIdOrderByIdDesc(who.accountId(), pieceId)
                .map(last -> last.workout(Map.of()).brief())
                .filter(last -> last.theme().id() == pieceId)
                .orElseThrow(() -> Refused.notFound("A session on this piece that could be played again"));
        return preview(who, PlanWish.of(begun));
    }

    private Map<Long, Standing> known(SignedIn who, List<StoredPiece> pieces, Today today) {
        return standings.believed(who, pieces.stream().map(StoredPiece::subject).toList(), today.day());
    }

    private static PlanView view(
            PlanWish wish, List<StoredPiece> pieces, Workout workout, PlanDtos.Advice advice, Today today) {
        Relief relief = Relief.of(Run.start(workout), today.done().effort(), today.limit(Limit.Kind.EFFORT));
        StoredPiece first = pieces.get(0);
        return new PlanView(
                wish.with(workout.brief().sketches()),
                SchoolDto.ALL,
                first.passage().title(),
                first.part(),
                first.passage().neededOn(),
                pieces.stream()
                        .map(piece -> new PlanDtos.SessionPiece(
                                piece.id(),
                                piece.passage().id(),
                                piece.notes().firstNote(),
                                piece.notes().lastNote(),
                                piece.passage().title(),
                                piece.part(),
                                piece.passage().targetBpm()))
                        .toList(),
                advice,
                relief,
                today.dto());
    }

    private PlanDtos.Advice advice(SignedIn who, Workout workout, StoredPiece piece, Today today) {
        LocalDate date = piece.passage().neededOn();
        WhichMethod which = WhichMethod.now(
                workout.brief().theme(),
                date == null || date.isBefore(today.day())
                        ? OptionalLong.empty()
                        : OptionalLong.of(ChronoUnit.DAYS.between(today.day(), date)),
                today.allowance(),
                lately(who, piece));
        return new PlanDtos.Advice(which.school(), which.school().title(), which.why());
    }

    /** The method that a piece was last worked on by, where that was chosen for more than a day; or else bursts. */
    @Transactional(readOnly = true)
    public School usual(SignedIn who, long pieceId) {
        return usual(who, repertoire.piece(who, pieceId));
    }

    @Transactional(readOnly = true)
    public School usual(SignedIn who, StoredPiece piece) {
        return lately(who, piece).stream()
                .filter(school -> school.isFast() && school != School.CEILING_TEST)
                .findFirst()
                .orElse(School.INTERVAL_BURSTS);
    }

    /** The methods of the last workouts on a piece, the newest first. */
    private List<School> lately(SignedIn who, StoredPiece piece) {
        return workouts.schools(who.accountId(), piece.id(), LATELY).stream()
                .map(School::of)
                .toList();
    }

    private static final org.springframework.data.domain.Limit LATELY = org.springframework.data.domain.Limit.of(3);

    private Workout plan(
            SignedIn who, PlanWish wish, List<StoredPiece> pieces, Map<Long, Standing> known, Today today) {
        Choices choices = Refused.unlessValid("choices", wish::choices);
        Workout workout = Refused.unlessValid(
                "blocks",
                () -> Planner.plan(new Brief(
                        themes(who, pieces, known, wish::modesOf, today),
                        wish.sketches(),
                        wish.minutes(),
                        choices,
                        today.allowance(),
                        today.condition(),
                        accounts.get(who).routine(),
                        today.spared())));
        if (today.rest() != null) {
            return workout.withOnlyRemark(today.restSentence());
        }
        String warning = choices.school().isFast()
                ? Readiness.warning(readiness.open(who, pieces.get(0).passage()))
                : "";
        return warning.isEmpty() ? workout : workout.withRemark(warning);
    }

    /** All that is known of some pieces, in as many queries as of one. */
    private List<Theme> themes(
            SignedIn who, List<StoredPiece> pieces, Map<Long, Standing> known, LongPredicate inModes, Today today) {
        List<Long> ids = pieces.stream().map(StoredPiece::id).toList();
        Map<Long, List<AwkwardBand>> awkward = passes.awkward(who, ids, today.day());
        Map<Long, Tempo> climbed = passes.lastClimbs(who, ids);
        Map<Long, Double> reached = repertoire.reachedRates(
                who,
                pieces.stream().map(piece -> piece.passage().id()).distinct().toList());
        Map<Long, Tempo> gripped = today.done().worstTension().atLeast(Tension.GRIPPING)
                ? passes.gripped(who, ids, today.day())
                : Map.of();
        Map<Long, PieceLeft> left = todaysPieces.left(who, pieces, today.day());
        Map<Long, List<Integer>> weak = links.weakest(who, pieces, today.day());
        Map<Long, List<String>> wanted = choices.wanted(who, pieces, today.day());
        return pieces.stream()
                .map(piece -> new Theme(
                        piece.id(),
                        repertoire.music(piece),
                        Tempo.of(piece.passage().targetBpm()),
                        known.get(piece.id()).known().besides(awkward.get(piece.id())),
                        Optional.ofNullable(climbed.get(piece.id())),
                        reached.get(piece.passage().id()),
                        Optional.ofNullable(gripped.get(piece.id())),
                        weak.get(piece.id()),
                        wanted.get(piece.id()),
                        inModes.test(piece.id())
                                ? passes.modes(
                                        who, piece.id(), known.get(piece.id()).estimate())
                                : Map.of(),
                        left.get(piece.id())))
                .toList();
    }

    /** The tempo at which the next session on a piece opens. */
    @Transactional(readOnly = true)
    public Tempo opensAt(SignedIn who, StoredPiece piece, Standing standing, Today today) {
        return Planner.opensAt(themes(who, List.of(piece), Map.of(piece.id(), standing), id -> false, today)
                .get(0));
    }

    /** Keeps the workout that is about to be played. */
    @Transactional
    public StoredWorkout keep(SignedIn who, PlanWish wish, Today today, Instant at) {
        List<StoredPiece> pieces = repertoire.pieces(who, wish.pieceIds());
        storage.checkRoom(who);
        today.checkMayPlay();
        Workout workout = plan(who, wish, pieces, known(who, pieces, today), today);
        if (workout.blocks().isEmpty()) {
            throw Refused.conflict(ProblemCode.NOTHING_LEFT, String.join(" ", workout.remarks()));
        }
        StoredWorkout stored = workouts.save(
                new StoredWorkout(who.accountId(), pieces.get(0).id(), today.day(), at, wish.minutes(), workout));
        beliefs.deleteByAccountIdAndDayBefore(who.accountId(), today.day().minusDays(BELIEF_DAYS));
        List<Theme> themes = workout.brief().themes();
        for (int theme = 0; theme < themes.size(); theme++) {
            int index = theme;
            themes.get(theme)
                    .known()
                    .belief()
                    .ifPresent(belief ->
                            beliefs.save(new StartingBelief(stored.id(), index, who.accountId(), today.day(), belief)));
        }
        return stored;
    }

    /** A kept workout, to be played on from what was believed when it was begun. */
    @Transactional(readOnly = true)
    public Workout begun(StoredWorkout stored) {
        return stored.workout(beliefs.findByWorkoutId(stored.id()).stream()
                .collect(Collectors.toMap(StartingBelief::theme, StartingBelief::belief)));
    }

    /** What was believed of one of the pieces of a workout when it was begun, as it is kept. */
    public record Believed(int theme, double passes, byte[] weights) {}

    /** What was believed of a piece when a workout was begun, while that is kept: two weeks. */
    @Transactional(readOnly = true)
    public Optional<Posterior> startingBelief(StoredWorkout stored, int theme) {
        return beliefs.findById(new StartingBelief.Key(stored.id(), theme)).map(StartingBelief::belief);
    }

    /** Says what ought to have been believed of a piece when a workout was begun. */
    @Transactional
    public void startFrom(StoredWorkout stored, int theme, Posterior belief) {
        beliefs.findById(new StartingBelief.Key(stored.id(), theme)).ifPresent(kept -> kept.belief(belief));
    }

    @Transactional(readOnly = true)
    public List<Believed> believed(StoredWorkout stored) {
        return beliefs.findByWorkoutId(stored.id()).stream()
                .map(StartingBelief::kept)
                .toList();
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

    /** The pieces that may be worked on, each with how it stands. */
    public record Worked(StoredPiece piece, Standing standing) {}

    @Transactional(readOnly = true)
    public List<Worked> workedOn(SignedIn who, LocalDate day) {
        List<StoredPiece> pieces = repertoire.pieces(who);
        Map<Long, Standing> known = standings.standings(
                who, pieces.stream().map(StoredPiece::subject).toList(), day);
        return pieces.stream()
                .map(piece -> new Worked(piece, known.get(piece.id())))
                .toList();
    }

    /** The workout that Today has ready: it is begun or looked at, and which method it might be instead is asked there. */
    @Transactional(readOnly = true)
    public PlanView prepared(SignedIn who, PlanWish wish, List<StoredPiece> pieces, Today today) {
        return view(wish, pieces, plan(who, wish, pieces, known(who, pieces, today), today), null, today);
    }
}

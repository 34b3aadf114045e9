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
import tachylim.method.Strictness;
import tachylim.passage.InstrumentFamily;
import tachylim.passage.Readiness;
import tachylim.record.WorkoutCodec;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.count.CountService;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.record.Documents;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StorageService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.sheet.ChoiceService;
import tachylim.server.sheet.ReadinessService;
import tachylim.server.sheet.TransitionService;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.server.workout.PlanDtos.PlanView;
import tachylim.shown.BeliefDto;
import tachylim.shown.PlanBasis;
import tachylim.shown.PlanWish;
import tachylim.shown.Timeline;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Planner;
import tachylim.workout.Rules;
import tachylim.workout.Run;
import tachylim.workout.SectionLeft;
import tachylim.workout.Theme;
import tachylim.workout.WhichMethod;
import tachylim.workout.Workout;

/** Plans workouts from what is known of a section and what is left of the day. */
@Service
public class PlanService {

    /** A run that began so long ago is not folded again: an answer may come late by two weeks. */
    private static final int BELIEF_DAYS = 15;

    private final WorkoutRepository workouts;
    private final StartingBeliefRepository beliefs;
    private final RepertoireService repertoire;
    private final StandingService standings;
    private final Passes passes;
    private final TodaysSections todaysSections;
    private final CountService counts;
    private final LoadService load;
    private final ReadinessService readiness;
    private final TransitionService transitions;
    private final ChoiceService choices;
    private final StorageService storage;
    private final AccountService accounts;

    PlanService(
            WorkoutRepository workouts,
            StartingBeliefRepository beliefs,
            RepertoireService repertoire,
            StandingService standings,
            Passes passes,
            TodaysSections todaysSections,
            CountService counts,
            LoadService load,
            ReadinessService readiness,
            TransitionService transitions,
            ChoiceService choices,
            StorageService storage,
            AccountService accounts) {
        this.workouts = workouts;
        this.beliefs = beliefs;
        this.repertoire = repertoire;
        this.standings = standings;
        this.passes = passes;
        this.todaysSections = todaysSections;
        this.counts = counts;
        this.load = load;
        this.readiness = readiness;
        this.transitions = transitions;
        this.choices = choices;
        this.storage = storage;
        this.accounts = accounts;
    }

    @Transactional(readOnly = true)
    public PlanView preview(SignedIn who, PlanWish wish) {
        List<StoredSection> sections = repertoire.sections(who, wish.sectionIds());
        Today today = load.today(who);
        Workout workout = plan(who, wish, sections, known(who, sections, today), today);
        return view(wish, sections, workout, advice(who, workout.brief().theme(), sections.get(0), today), today);
    }

    /** What a page plans from by itself: the same as {@link #preview} does. */
    @Transactional(readOnly = true)
    public PlanBasis score(SignedIn who, PlanWish wish) {
        List<StoredSection> sections = repertoire.sections(who, wish.sectionIds());
        Today today = load.today(who);
        Map<Long, Standing> known = known(who, sections, today);
        Choices asked = Refused.unlessValid("choices", wish::choices);
        List<Theme> themes = themes(who, sections, known, id -> true, asked.strictness(), today);
        Brief brief = new Brief(
                themes,
                List.of(),
                wish.minutes(),
                asked,
                today.allowance(),
                today.condition(),
                accounts.get(who).routine(sections.get(0).passage().instrument()),
                today.spared());
        Limit effort = today.limit(Limit.Kind.EFFORT);
        return new PlanBasis(
                Rules.EDITION,
                Documents.write(WorkoutCodec.WORKOUT, new Workout(brief, List.of(), List.of())),
                IntStream.range(0, themes.size())
                        .mapToObj(theme -> BeliefDto.of(
                                theme, themes.get(theme).known().belief().orElseThrow()))
                        .toList(),
                today.done().effort().minutes(),
                effort.cap(),
                effort.why(),
                Reason.text(today.restSentence()),
                Readiness.warning(readiness.open(who, sections.get(0).passage())));
    }

    /** The last workout on a section again, by what is known and allowed today. */
    @Transactional(readOnly = true)
    public PlanView again(SignedIn who, long sectionId) {
        Brief begun = workouts.findFirstByAccountIdAndSectionIdOrderByIdDesc(who.accountId(), sectionId)
                .map(last -> last.workout(Map.of()).brief())
                .filter(last -> last.theme().id() == sectionId)
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.planService.aWorkoutOnThisSectionThat")));
        return preview(who, PlanWish.of(begun));
    }

    private Map<Long, Standing> known(SignedIn who, List<StoredSection> sections, Today today) {
        return standings.believed(
                who, sections.stream().map(StoredSection::subject).toList(), today.day());
    }

    private static PlanView view(
            PlanWish wish, List<StoredSection> sections, Workout workout, PlanDtos.Advice advice, Today today) {
        Timeline timeline = Timeline.of(Run.start(workout), today.done().effort(), today.limit(Limit.Kind.EFFORT));
        StoredSection first = sections.get(0);
        return new PlanView(
                wish.with(workout.brief().sketches()),
                PlanDtos.SCHOOLS,
                first.passage().title(),
                first.part(),
                first.passage().neededOn(),
                sections.stream()
                        .map(section -> new PlanDtos.WorkoutSection(
                                section.id(),
                                section.passage().id(),
                                section.notes().firstNote(),
                                section.notes().lastNote(),
                                section.passage().title(),
                                section.part(),
                                section.passage().targetBpm()))
                        .toList(),
                advice,
                timeline,
                today.dto());
    }

    private PlanDtos.Advice advice(SignedIn who, Theme theme, StoredSection section, Today today) {
        WhichMethod which = which(who, theme, section, today);
        return new PlanDtos.Advice(which.school(), which.why(), asChosen(section, today));
    }

    /** The method that a section wants now. */
    private WhichMethod which(SignedIn who, Theme theme, StoredSection section, Today today) {
        LocalDate date = section.passage().neededOn();
        return WhichMethod.now(
                theme,
                date == null || date.isBefore(today.day())
                        ? OptionalLong.empty()
                        : OptionalLong.of(ChronoUnit.DAYS.between(today.day(), date)),
                today.allowance(),
                lately(who, section));
    }

    private static Reason asChosen(StoredSection section, Today today) {
        return section.passage()
                .chosen(today.day())
                .map(chosen -> Reason.of(
                        "which.asChosen",
                        "method",
                        Reason.of("method." + chosen.school().name()),
                        "days",
                        chosen.daysLeft(today.day())))
                .orElse(Reason.NONE);
    }

    /** The instrument that a section is played on. */
    @Transactional(readOnly = true)
    public InstrumentFamily instrument(SignedIn who, long sectionId) {
        return repertoire.section(who, sectionId).passage().instrument();
    }

    /** A workout that is ready, with what is known of its sections. */
    public record Ready(PlanView view, List<Theme> themes) {}

    /**
     * The workout that is ready for some sections: by the method that the player chose for the first, which holds for a week,
     * or else by the one that it wants now. This is the one decision, for Today and Plan alike.
     *
     * @param named the method that was asked for by name; null where none was
     * @param wished the wish for a method
     */
    @Transactional(readOnly = true)
    public Ready ready(
            SignedIn who, List<StoredSection> sections, School named, Today today, Function<School, PlanWish> wished) {
        StoredSection first = sections.get(0);
        List<Theme> themes = themes(
                who,
                sections,
                known(who, sections, today),
                id -> false,
                accounts.get(who).strictness(),
                today);
        WhichMethod which = which(who, themes.get(0), first, today);
        School decided = first.passage()
                .chosen(today.day())
                .map(StoredPassage.Chosen::school)
                .orElse(which.school());
        PlanWish wish = wished.apply(named == null ? decided : named);
        PlanView view = view(
                wish,
                sections,
                plan(who, wish, sections, themes, today),
                new PlanDtos.Advice(which.school(), which.why(), asChosen(first, today)),
                today);
        return new Ready(view, themes);
    }

    /** The workout that is ready for one section. */
    @Transactional(readOnly = true)
    public PlanView ready(SignedIn who, long sectionId, School named, Function<School, PlanWish> wished) {
        return ready(who, List.of(repertoire.section(who, sectionId)), named, load.today(who), wished)
                .view();
    }

    /** What the player chose against the advice is remembered of a passage; what is for one day only is not. */
    private void remember(SignedIn who, PlanWish wish, Workout workout, StoredSection section, Today today) {
        School school = wish.school();
        boolean lasts = school.isFast() && school != School.CEILING_TEST && school != School.PERFORMANCE_RUN;
        if (lasts) {
            School advised = which(who, workout.brief().theme(), section, today).school();
            repertoire.choose(who, section.passage(), school == advised ? null : school, today.day());
        }
    }

    /** The methods of the last workouts on a section, the newest first. */
    private List<School> lately(SignedIn who, StoredSection section) {
        return workouts.schools(who.accountId(), section.id(), LATELY).stream()
                .map(School::of)
                .toList();
    }

    private static final org.springframework.data.domain.Limit LATELY = org.springframework.data.domain.Limit.of(3);

    private Workout plan(
            SignedIn who, PlanWish wish, List<StoredSection> sections, Map<Long, Standing> known, Today today) {
        Choices choices = Refused.unlessValid("choices", wish::choices);
        return plan(
                who,
                wish,
                sections,
                themes(who, sections, known, wish::articulationsOf, choices.strictness(), today),
                today);
    }

    private Workout plan(SignedIn who, PlanWish wish, List<StoredSection> sections, List<Theme> themes, Today today) {
        Choices choices = Refused.unlessValid("choices", wish::choices);
        Workout workout = Refused.unlessValid(
                "blocks",
                () -> Planner.plan(new Brief(
                        themes,
                        wish.sketches(),
                        wish.minutes(),
                        choices,
                        today.allowance(),
                        today.condition(),
                        accounts.get(who).routine(sections.get(0).passage().instrument()),
                        today.spared())));
        if (today.rest() != null) {
            return workout.withOnlyRemark(Reason.text(today.restSentence()));
        }
        Reason warning = choices.school().isFast()
                ? Readiness.warning(readiness.open(who, sections.get(0).passage()))
                : Reason.NONE;
        return warning.saysNothing() ? workout : workout.withRemark(warning);
    }

    /** All that is known of some sections, in as many queries as of one. */
    private List<Theme> themes(
            SignedIn who,
            List<StoredSection> sections,
            Map<Long, Standing> known,
            LongPredicate articulated,
            Strictness strictness,
            Today today) {
        List<Long> ids = sections.stream().map(StoredSection::id).toList();
        Map<Long, List<AwkwardBand>> awkward = passes.awkward(who, ids, today.day());
        Map<Long, Tempo> climbed = passes.lastClimbs(who, ids);
        Map<Long, Double> reached = repertoire.reachedRates(
                who,
                sections.stream()
                        .map(section -> section.passage().id())
                        .distinct()
                        .toList());
        Map<Long, Tempo> gripped = strictness.lowers(today.done().worstTension())
                ? passes.tooTense(who, ids, today.day(), strictness)
                : Map.of();
        Map<Long, Tempo> edges = passes.lastEdges(who, ids, today.day());
        Map<Long, Tempo> changes = counts.slowest(who, sections, today.day());
        Map<Long, SectionLeft> left = todaysSections.left(who, sections, today.day());
        Map<Long, List<Integer>> weak = transitions.weakest(who, sections, today.day());
        Map<Long, List<String>> wanted = choices.wanted(who, sections, today.day());
        Map<Long, List<String>> lately = passes.lately(who, ids, today.day());
        return sections.stream()
                .map(section -> new Theme(
                        section.id(),
                        repertoire.music(section),
                        Tempo.of(section.passage().targetBpm()),
                        known.get(section.id()).known().besides(awkward.get(section.id())),
                        Optional.ofNullable(climbed.get(section.id())),
                        reached.get(section.passage().id()),
                        Optional.ofNullable(gripped.get(section.id())),
                        weak.get(section.id()),
                        wanted.get(section.id()),
                        lately.getOrDefault(section.id(), List.of()),
                        articulated.test(section.id())
                                ? passes.articulations(
                                        who,
                                        section.id(),
                                        known.get(section.id()).estimate())
                                : Map.of(),
                        Optional.ofNullable(edges.get(section.id())),
                        Optional.ofNullable(changes.get(section.id())),
                        left.get(section.id())))
                .toList();
    }

    /** The tempo at which the next workout on a section opens. */
    @Transactional(readOnly = true)
    public Tempo opensAt(SignedIn who, StoredSection section, Standing standing, Today today) {
        Strictness strictness = accounts.get(who).strictness();
        return Planner.opensAt(
                themes(who, List.of(section), Map.of(section.id(), standing), id -> false, strictness, today)
                        .get(0));
    }

    /** The workout that a wish comes to on a day, where anything is left of that. */
    @Transactional(readOnly = true)
    public Workout drawn(SignedIn who, PlanWish wish, Today today) {
        List<StoredSection> sections = repertoire.sections(who, wish.sectionIds());
        today.checkMayPlay();
        Workout workout = plan(who, wish, sections, known(who, sections, today), today);
        if (workout.blocks().isEmpty()) {
            throw Refused.conflict(
                    ProblemCode.NOTHING_LEFT, workout.remarks().stream().reduce(Reason.NONE, Reason::then));
        }
        return workout;
    }

    /** Keeps the workout that is about to be played. */
    @Transactional
    public StoredWorkout keep(SignedIn who, PlanWish wish, Today today, Instant at) {
        storage.checkRoom(who);
        return keep(who, wish, drawn(who, wish, today), today, at);
    }

    /** Keeps a workout that was drawn before, and is played or has been. */
    @Transactional
    public StoredWorkout keep(SignedIn who, PlanWish wish, Workout workout, Today today, Instant at) {
        StoredSection first = repertoire.anySection(who, workout.brief().theme().id());
        remember(who, wish, workout, first, today);
        StoredWorkout stored =
                workouts.save(new StoredWorkout(who.accountId(), first.id(), today.day(), at, wish.minutes(), workout));
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

    /** What was believed of one of the sections of a workout when it was begun, as it is kept. */
    public record Believed(int theme, double passes, byte[] weights) {}

    /** What was believed of a section when a workout was begun, while that is kept: two weeks. */
    @Transactional(readOnly = true)
    public Optional<Posterior> startingBelief(StoredWorkout stored, int theme) {
        return beliefs.findById(new StartingBelief.Key(stored.id(), theme)).map(StartingBelief::belief);
    }

    /** Says what ought to have been believed of a section when a workout was begun. */
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
        return workouts.findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.planService.thisWorkoutIsNotHere")));
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

    /** The sections that may be worked on, each with how it stands. */
    public record Worked(StoredSection section, Standing standing) {}

    @Transactional(readOnly = true)
    public List<Worked> workedOn(SignedIn who, LocalDate day) {
        List<StoredSection> sections = repertoire.sections(who);
        Map<Long, Standing> known = standings.standings(
                who, sections.stream().map(StoredSection::subject).toList(), day);
        return sections.stream()
                .map(section -> new Worked(section, known.get(section.id())))
                .toList();
    }
}

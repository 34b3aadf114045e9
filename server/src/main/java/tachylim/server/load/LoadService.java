package tachylim.server.load;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.Condition;
import tachylim.load.DayLoad;
import tachylim.load.Effort;
import tachylim.load.FeltEffort;
import tachylim.load.Guardrails;
import tachylim.load.History;
import tachylim.load.Ordered;
import tachylim.load.Return;
import tachylim.load.Sparing;
import tachylim.load.SymptomHistory;
import tachylim.load.SymptomRest;
import tachylim.season.Season;
import tachylim.server.TachylimSettings;
import tachylim.server.account.Account;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.DaySums;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.PlayedPass;
import tachylim.server.load.LoadController.DayDto;
import tachylim.server.load.LoadController.GivenDto;
import tachylim.server.load.LoadController.SymptomDto;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.web.Refused;
import tachylim.server.words.Words;
import tachylim.task.Tension;
import tachylim.words.Reason;
import tachylim.workout.Allowance;

/** What was played, day by day, and what may still be. */
@Service
public class LoadService {

    private static final int SYMPTOMS_SHOWN = 20;
    private static final int MOST_REMEMBERED = 2_000;
    private static final Duration REMEMBERED = Duration.ofMinutes(5);
    private static final int MOST_GIVEN = 12;
    private static final int MOST_SYMPTOMS_A_DAY = 50;

    private final AccountService accounts;
    private final Passes passes;
    private final UnmeasuredPracticeRepository practices;
    private final SymptomRepository symptoms;
    private final StoredConditionRepository conditions;
    private final GivenLimitRepository given;
    private final WorkoutRatingRepository ratings;
    private final HeldCaps held;
    private final RepertoireService repertoire;
    private final TachylimSettings settings;
    private final Clock clock;

    /** The weeks before today, as they were read last: nothing rests on it that would not be read again soon. */
    private final Cache<Long, Histories> before = Caffeine.newBuilder()
            .maximumSize(MOST_REMEMBERED)
            .expireAfterWrite(REMEMBERED)
            .build();

    LoadService(
            AccountService accounts,
            Passes passes,
            UnmeasuredPracticeRepository practices,
            SymptomRepository symptoms,
            StoredConditionRepository conditions,
            GivenLimitRepository given,
            WorkoutRatingRepository ratings,
            HeldCaps held,
            RepertoireService repertoire,
            TachylimSettings settings,
            Clock clock) {
        this.accounts = accounts;
        this.passes = passes;
        this.practices = practices;
        this.symptoms = symptoms;
        this.conditions = conditions;
        this.given = given;
        this.ratings = ratings;
        this.held = held;
        this.repertoire = repertoire;
        this.settings = settings;
        this.clock = clock;
    }

    /** Where the player's day stands now. */
    @Transactional
    public Today today(SignedIn who) {
        return today(who, clock.instant());
    }

    /** Where the day of {@code now} stands. */
    @Transactional
    public Today today(SignedIn who, Instant now) {
        Account account = accounts.get(who);
        LocalDate day = account.day(now);
        Weeks weeks = weeks(who, account, now);
        List<Symptom> reports = reports(who);
        reports.forEach(one -> one.notAfter(clock.instant()));
        Guardrails guardrails = guardrails(who, account, weeks, reports, now);
        LocalDate lastPlayed = practices.lastDay(who.accountId(), day);
        return new Today(
                day,
                ahead(account, guardrails, weeks, reports, now),
                account.home().zoneAt(now),
                weeks.done(),
                guardrails.today(weeks.done(), now),
                guardrails.caps(now),
                guardrails.symptoms().burstsLocked(),
                guardrails.rest(now).orElse(null),
                lastPlayed,
                condition(who, now)
                        .unbrokenFor(
                                guardrails.back().isPresent() ? Return.UNBROKEN_SECONDS : Guardrails.UNBROKEN_SECONDS)
                        .after(weeks.done()),
                Sparing.why(
                        day,
                        lastPlayed,
                        reports.isEmpty() ? null : reports.get(0).at(),
                        weeks.done().worstTension(),
                        now),
                guardrails.caution(weeks.done(), now).map(Words.spoken()::say).orElse(""));
    }

    /** What may still be done on the day of {@code now}. */
    @Transactional(readOnly = true)
    public Allowance allowance(SignedIn who, Instant now) {
        Account account = accounts.get(who);
        LocalDate day = account.day(now);
        // Asked with every answer of a run: the weeks before are the same as a moment ago.
        Histories known = before.getIfPresent(who.accountId());
        Weeks weeks = known != null && known.history().today().equals(day)
                ? new Weeks(done(days(who, day, day), day), known)
                : weeks(who, account, now);
        return Allowance.of(guardrails(who, account, weeks, reports(who), now).today(weeks.done(), now));
    }

    /** The day at hand and the weeks before it. */
    private record Weeks(DayLoad done, Histories histories) {

        History history() {
            return histories.history();
        }
    }

    /**
     * The weeks before a day.
     *
     * @param history as they were known when it began
     * @param told with what was told of them since; empty where nothing was
     */
    private record Histories(History history, Optional<History> told) {}

    private Weeks weeks(SignedIn who, Account account, Instant now) {
        LocalDate day = account.day(now);
        LocalDate from = day.minusDays(History.DAYS);
        List<DaySums> passed = passes.days(who, from, day);
        // What is told today of days gone by raises nothing until tomorrow, and lowers at once.
        List<UnmeasuredPracticeRepository.SumsAt> practised = practices.daysThenAndNow(
                who.accountId(), from, day, account.home().dayBegan(now));
        List<DayDto> days = felt(account, days(passed, known(practised, true)), day, from, day);
        List<DayDto> asTold = felt(account, days(passed, known(practised, false)), day, from, day);
        History history = history(account, day, days);
        Histories histories = new Histories(
                history, asTold.equals(days) ? Optional.empty() : Optional.of(history(account, day, asTold)));
        before.put(who.accountId(), histories);
        return new Weeks(done(days, day), histories);
    }

    private static List<UnmeasuredPracticeRepository.SumsAt> known(
            List<UnmeasuredPracticeRepository.SumsAt> practised, boolean byThen) {
        return practised.stream().filter(one -> one.getByThen() == 1 == byThen).toList();
    }

    private static History history(Account account, LocalDate day, List<DayDto> days) {
        NavigableMap<LocalDate, Effort> played = new TreeMap<>();
        Map<LocalDate, Double> bursts = new HashMap<>();
        for (DayDto one : days) {
            if (one.day().isBefore(day) && one.effort() > 0) {
                played.put(one.day(), new Effort(one.effort()));
                if (!Tension.of(one.worstTension()).atLeast(Tension.GRIPPING)) {
                    bursts.put(one.day(), one.burstSeconds());
                }
            }
        }
        return new History(day, played, bursts, Effort.planned(account.minutes().on(day)));
    }

    private static DayLoad done(List<DayDto> days, LocalDate day) {
        return days.stream()
                .filter(one -> one.day().equals(day))
                .findFirst()
                .map(one -> new DayLoad(
                        new Effort(one.effort()),
                        one.burstSeconds(),
                        one.playedSeconds(),
                        Tension.of(one.worstTension())))
                .orElse(DayLoad.NONE);
    }

    private List<Symptom> reports(SignedIn who) {
        return symptoms.findByAccountIdAndWithdrawnAtIsNullOrderByAtDesc(who.accountId(), Limit.of(SYMPTOMS_SHOWN));
    }

    /**
     * What the days ahead are planned by.
     *
     * @param guardrails those of today, with all that is needed later
     * @param done what today has had
     * @param restOver the day on which the rest after the last symptom is over; null when there was none
     */
    public record Ahead(Guardrails guardrails, DayLoad done, LocalDate restOver, Instant now) {}

    @Transactional(readOnly = true)
    public Ahead ahead(SignedIn who) {
        Instant now = clock.instant();
        Account account = accounts.get(who);
        Weeks weeks = weeks(who, account, now);
        List<Symptom> reports = reports(who);
        return ahead(account, guardrails(who, account, weeks, reports, now), weeks, reports, now);
    }

    private static Ahead ahead(
            Account account, Guardrails guardrails, Weeks weeks, List<Symptom> reports, Instant now) {
        return new Ahead(
                guardrails,
                weeks.done(),
                reports.isEmpty()
                        ? null
                        : account.home()
                                .day(SymptomRest.after(reports.get(0).at()).until()),
                now);
    }

    /** The effort of each day that was played, the oldest first. */
    @Transactional(readOnly = true)
    public NavigableMap<LocalDate, Double> efforts(SignedIn who, LocalDate from, LocalDate to) {
        NavigableMap<LocalDate, Double> efforts = new TreeMap<>();
        days(who, from, to).forEach(day -> efforts.put(day.day(), day.effort()));
        return efforts;
    }

    private Guardrails guardrails(SignedIn who, Account account, Weeks weeks, List<Symptom> reports, Instant now) {
        LocalDate day = weeks.history().today();
        return new Guardrails(
                account.minutes().on(day),
                symptoms(account, reports, now),
                weeks.history(),
                repertoire.needed(who, day, day.plusDays(Season.MOST_DAYS)),
                given.holding(who.accountId(), day, Limit.of(MOST_GIVEN)).stream()
                        .map(GivenLimit::ordered)
                        .toList(),
                weeks.histories().told(),
                held.lowest(who, day));
    }

    /** Lets no cap of today be more than it is now, whatever is changed next. */
    @Transactional
    public void holdCaps(SignedIn who) {
        Instant now = clock.instant();
        Account account = accounts.get(who);
        Weeks weeks = weeks(who, account, now);
        held.hold(
                who,
                account.day(now),
                guardrails(who, account, weeks, reports(who), now).lowest(weeks.done(), now));
    }

    private static SymptomHistory symptoms(Account account, List<Symptom> reports, Instant now) {
        if (reports.isEmpty()) {
            return SymptomHistory.NONE;
        }
        Symptom last = reports.get(0);
        Instant until = SymptomRest.after(last.at()).until();
        boolean again = last.advisedAt() == null
                && reports.stream().anyMatch(one -> SymptomHistory.isAgain(one.at(), last.at()));
        return new SymptomHistory(
                last.at(), until.isAfter(now) ? null : account.home().day(until), again);
    }

    /** The days with practice, oldest first: passes of runs, and what was played on the practice sheet. */
    @Transactional(readOnly = true)
    List<DayDto> days(SignedIn who, LocalDate from, LocalDate to) {
        Account account = accounts.get(who);
        LocalDate today = account.day(clock.instant());
        return felt(
                account, days(passes.days(who, from, to), practices.days(who.accountId(), from, to)), today, from, to);
    }

    /** The same days as they were felt, where the player's effort is counted so. */
    private List<DayDto> felt(Account account, List<DayDto> days, LocalDate today, LocalDate from, LocalDate to) {
        if (!account.isFeltOn(today) || days.isEmpty()) {
            return days;
        }
        Map<LocalDate, WorkoutRatingRepository.Felt> felt = ratings.days(account.id(), from, to).stream()
                .collect(Collectors.toMap(WorkoutRatingRepository.Felt::day, Function.identity()));
        return days.stream()
                .map(day -> felt.containsKey(day.day())
                        ? day.costing(FeltEffort.ofDay(
                                new Effort(day.effort()),
                                new Effort(felt.get(day.day()).counted()),
                                new Effort(felt.get(day.day()).felt()),
                                day.day().isBefore(today)))
                        : day)
                .toList();
    }

    /** Keeps how hard a workout felt, on its own day. */
    @Transactional
    public void felt(SignedIn who, long runId, LocalDate day, int rating) {
        if (!day.equals(accounts.today(who))) {
            throw Refused.field("rating", Reason.of("refusal.loadService.howHardItFeltIsToldOnThe"));
        }
        List<PlayedPass> played = passes.ofRuns(who.accountId(), List.of(runId));
        WorkoutRating one = ratings.findById(runId).orElseGet(() -> new WorkoutRating(who.accountId(), runId, day));
        Refused.unlessValid("rating", () -> {
            one.tell(
                    rating,
                    played.stream().mapToDouble(PlayedPass::playSeconds).sum(),
                    Effort.sum(played.stream().map(PlayedPass::effort).map(Effort::new)));
            return one;
        });
        ratings.save(one);
    }

    private static List<DayDto> days(
            List<DaySums> played, List<? extends UnmeasuredPracticeRepository.Sums> practised) {
        Map<LocalDate, DayDto> days = new TreeMap<>();
        for (DaySums one : played) {
            days.put(
                    one.getDay(),
                    new DayDto(
                            one.getDay(),
                            one.getEffort(),
                            one.getBurstSeconds(),
                            one.getPlaySeconds(),
                            one.getWorstTension(),
                            one.getPasses()));
        }
        for (UnmeasuredPracticeRepository.Sums one : practised) {
            days.merge(
                    one.getDay(),
                    new DayDto(one.getDay(), one.getEffort(), one.getBurstSeconds(), one.getPlaySeconds(), 0, 0),
                    DayDto::and);
        }
        return List.copyOf(days.values());
    }

    // Condition

    private Condition condition(SignedIn who, Instant now) {
        return conditions
                .findById(who.accountId())
                .map(kept -> kept.condition()
                        .rested(Math.max(0, Duration.between(kept.at(), now).toMillis() / 1000.0 * settings.speed())))
                .orElse(Condition.FRESH);
    }

    /** Keeps how the player came out of something played, for what is played next. */
    @Transactional
    public void cameOut(SignedIn who, Condition condition, Instant now) {
        StoredCondition kept =
                conditions.findById(who.accountId()).orElseGet(() -> new StoredCondition(who.accountId()));
        kept.keep(condition, now);
        conditions.save(kept);
    }

    // Limits that somebody gave

    @Transactional(readOnly = true)
    List<GivenDto> given(SignedIn who, LocalDate today) {
        return given.holding(who.accountId(), today, Limit.of(MOST_GIVEN)).stream()
                .map(one -> new GivenDto(
                        one.id(),
                        one.ordered().kind(),
                        one.ordered().cap(),
                        one.ordered().by(),
                        one.untilDay() != null))
                .toList();
    }

    /**
     * A limit holds at once; with another of its kind the one that allows less holds. Where there is room for no more, the
     * weakest goes, under which another of its kind holds anyway.
     */
    @Transactional
    void give(SignedIn who, Ordered ordered) {
        LocalDate today = accounts.today(who);
        List<GivenLimit> holding = given.holding(who.accountId(), today, Limit.of(MOST_GIVEN));
        if (holding.size() >= MOST_GIVEN) {
            GivenLimit weakest = holding.stream()
                    .filter(one -> isIdle(one, ordered, holding))
                    .max(Comparator.comparingDouble(one -> one.ordered().cap()))
                    .orElseThrow(() -> Refused.field(
                            "cap",
                            Reason.of("refusal.loadService.thereIsRoomForLimitsAndOne", "mostGiven", MOST_GIVEN)));
            given.delete(weakest);
        }
        given.save(new GivenLimit(who.accountId(), ordered, today));
    }

    /** Whether a limit allows more than another of its kind does, the one that is given now among them. */
    private static boolean isIdle(GivenLimit one, Ordered ordered, List<GivenLimit> holding) {
        boolean underNew =
                one.ordered().kind() == ordered.kind() && one.ordered().cap() > ordered.cap();
        boolean newBinds = holding.stream()
                .noneMatch(other -> other.ordered().kind() == ordered.kind()
                        && other.ordered().cap() <= ordered.cap());
        boolean underAnother = holding.stream()
                .anyMatch(other -> other != one
                        && other.ordered().kind() == one.ordered().kind()
                        && (other.ordered().cap() < one.ordered().cap()
                                || other.ordered().cap() == one.ordered().cap() && other.id() > one.id()));
        return newBinds && (underNew || underAnother);
    }

    /** Less of a limit is more of a day: it goes when the day is over. */
    @Transactional
    void liftTomorrow(SignedIn who, long id) {
        given.findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.loadService.thisLimitIsNotHere")))
                .endsOn(accounts.today(who));
    }

    /** The player has had advice after a second report. */
    @Transactional
    void advised(SignedIn who) {
        reports(who).stream().findFirst().ifPresent(last -> last.advised(clock.instant()));
    }

    // Symptoms

    /** Keeps a symptom, once for each id of the browser's making. */
    @Transactional
    public void symptom(SignedIn who, String clientId, Instant at) {
        if (symptoms.findByAccountIdAndClientId(who.accountId(), clientId).isPresent()) {
            return;
        }
        List<Symptom> ofTheDay = symptoms.findByAccountIdAndAtAfterOrderByAtDesc(
                who.accountId(), at.minus(Duration.ofDays(1)), Limit.of(MOST_SYMPTOMS_A_DAY));
        if (ofTheDay.size() < MOST_SYMPTOMS_A_DAY) {
            symptoms.save(new Symptom(who.accountId(), clientId, at));
        } else {
            // So many are no more news, but the rest begins with the last of them.
            ofTheDay.get(0).again(at);
        }
    }

    @Transactional
    void withdraw(SignedIn who, long id) {
        symptoms.findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.loadService.thisReportIsNotHere")))
                .withdraw(clock.instant());
    }

    @Transactional(readOnly = true)
    List<SymptomDto> symptoms(SignedIn who) {
        return symptoms.findByAccountIdOrderByAtDesc(who.accountId(), Limit.of(SYMPTOMS_SHOWN)).stream()
                .map(one -> new SymptomDto(one.id(), one.at(), one.withdrawnAt() != null))
                .toList();
    }
}

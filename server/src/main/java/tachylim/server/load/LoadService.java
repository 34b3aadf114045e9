package tachylim.server.load;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.Condition;
import tachylim.load.DayLoad;
import tachylim.load.Guardrails;
import tachylim.load.Sparing;
import tachylim.server.TachylimSettings;
import tachylim.server.account.Account;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.DaySums;
import tachylim.server.ceiling.Passes;
import tachylim.server.load.LoadController.DayDto;
import tachylim.server.load.LoadController.SymptomDto;
import tachylim.server.web.Refused;
import tachylim.task.Tension;
import tachylim.workout.Allowance;

/** What was played, day by day, and what may still be. */
@Service
public class LoadService {

    private static final int SYMPTOMS_SHOWN = 20;
    private static final int MOST_SYMPTOMS_A_DAY = 50;
    private static final int MOST_PRACTICE_A_DAY = 1_000;

    private final AccountService accounts;
    private final Passes passes;
    private final BenchPracticeRepository practices;
    private final SymptomRepository symptoms;
    private final StoredConditionRepository conditions;
    private final TachylimSettings settings;
    private final Clock clock;

    LoadService(
            AccountService accounts,
            Passes passes,
            BenchPracticeRepository practices,
            SymptomRepository symptoms,
            StoredConditionRepository conditions,
            TachylimSettings settings,
            Clock clock) {
        this.accounts = accounts;
        this.passes = passes;
        this.practices = practices;
        this.symptoms = symptoms;
        this.conditions = conditions;
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
        DayLoad done = done(who, day);
        Optional<Symptom> symptom = symptoms.findFirstByAccountIdAndWithdrawnAtIsNullOrderByAtDesc(who.accountId());
        symptom.ifPresent(one -> one.notAfter(clock.instant()));
        Guardrails guardrails = new Guardrails(
                account.minutes().on(day), symptom.map(Symptom::at).orElse(null));
        return new Today(
                day,
                account.home().zoneAt(now),
                done,
                guardrails.today(done, now),
                guardrails.rest(now).orElse(null),
                condition(who, now),
                Sparing.why(day, lastDay(who, day), symptom.map(Symptom::at).orElse(null), now),
                guardrails.caution(done, now));
    }

    /** What may still be done on the day of {@code now}. */
    @Transactional(readOnly = true)
    public Allowance allowance(SignedIn who, Instant now) {
        Account account = accounts.get(who);
        LocalDate day = account.day(now);
        Instant symptom = symptoms.findFirstByAccountIdAndWithdrawnAtIsNullOrderByAtDesc(who.accountId())
                .map(Symptom::at)
                .orElse(null);
        return Today.allowance(new Guardrails(account.minutes().on(day), symptom).today(done(who, day), now));
    }

    private LocalDate lastDay(SignedIn who, LocalDate day) {
        return Stream.of(passes.lastDay(who, day), practices.lastDay(who.accountId(), day))
                .filter(Objects::nonNull)
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    private DayLoad done(SignedIn who, LocalDate day) {
        return days(who, day, day).stream()
                .findFirst()
                .map(one -> new DayLoad(
                        one.effort(), one.burstSeconds(), one.playedSeconds(), Tension.of(one.worstTension())))
                .orElse(DayLoad.NONE);
    }

    /** The days with practice, oldest first: passes of runs, and what was played on the bench. */
    @Transactional(readOnly = true)
    List<DayDto> days(SignedIn who, LocalDate from, LocalDate to) {
        Map<LocalDate, DayDto> days = new TreeMap<>();
        for (DaySums one : passes.days(who, from, to)) {
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
        for (BenchPracticeRepository.Sums one : practices.days(who.accountId(), from, to)) {
            days.merge(
                    one.getDay(),
                    new DayDto(one.getDay(), one.getEffort(), 0, one.getPlaySeconds(), 0, 0),
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

    // The bench

    /**
     * Counts something played on the bench, once; nothing may be played in the rest after a symptom.
     */
    @Transactional
    public void played(SignedIn who, Played played) {
        Instant now = clock.instant();
        Today today = today(who, now);
        today.checkMayPlay();
        if (played.clientId() != null && practices.existsByAccountIdAndClientId(who.accountId(), played.clientId())) {
            return;
        }
        if (practices.countByAccountIdAndAtAfter(who.accountId(), now.minus(Duration.ofDays(1)))
                >= MOST_PRACTICE_A_DAY) {
            throw Refused.field("seconds", "That is more than a day of practice on the bench.");
        }
        practices.save(new BenchPractice(who.accountId(), played, today.day(), now));
        Condition after = today.condition().played(today.condition().reserve(), played.seconds());
        cameOut(who, after, now);
    }

    /** A choice that was not played after all. */
    @Transactional
    public void notPlayed(SignedIn who, long choiceId) {
        practices.deleteByAccountIdAndChoiceId(who.accountId(), choiceId);
    }

    // Symptoms

    /** Keeps a symptom, once for each id of the browser's making. */
    @Transactional
    public void symptom(SignedIn who, String clientId, Instant at) {
        if (symptoms.findByAccountIdAndClientId(who.accountId(), clientId).isPresent()) {
            return;
        }
        if (symptoms.countByAccountIdAndAtAfter(who.accountId(), at.minus(Duration.ofDays(1))) >= MOST_SYMPTOMS_A_DAY) {
            return;
        }
        symptoms.save(new Symptom(who.accountId(), clientId, at));
    }

    @Transactional
    void withdraw(SignedIn who, long id) {
        symptoms.findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound("This report"))
                .withdraw(clock.instant());
    }

    @Transactional(readOnly = true)
    List<SymptomDto> symptoms(SignedIn who) {
        return symptoms.findByAccountIdOrderByAtDesc(who.accountId(), Limit.of(SYMPTOMS_SHOWN)).stream()
                .map(one -> new SymptomDto(one.id(), one.at(), one.withdrawnAt() != null))
                .toList();
    }
}

package tachylim.server.load;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.AwayPractice;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/** What was played away from the screen: told afterwards, put right and taken back; it counts as anything else does. */
@Service
public class AwayService {

    private static final int ELSEWHERE_SHOWN = 10;
    private static final int DAYS_TOLD = 28;
    private static final int MOST_PRACTICE_A_DAY = 1_000;

    private final AccountService accounts;
    private final UnmeasuredPracticeRepository practices;
    private final Clock clock;

    AwayService(AccountService accounts, UnmeasuredPracticeRepository practices, Clock clock) {
        this.accounts = accounts;
        this.practices = practices;
        this.clock = clock;
    }

    /** Counts something that was played elsewhere, once for each id of the browser's making. It is over: nothing forbids it. */
    @Transactional
    public void elsewhere(SignedIn who, String clientId, AwayPractice kind, int minutes) {
        elsewhere(who, clientId, accounts.today(who), new Away(kind, minutes, ""));
    }

    /** Counts something that was played elsewhere on a day of the last weeks; of days gone by it counts from tomorrow. */
    @Transactional
    public void elsewhere(SignedIn who, String clientId, LocalDate day, Away away) {
        if (practices.existsByAccountIdAndClientId(who.accountId(), clientId)) {
            return;
        }
        Instant now = clock.instant();
        if (practices.countByAccountIdAndAtAfter(who.accountId(), now.minus(Duration.ofDays(1)))
                >= MOST_PRACTICE_A_DAY) {
            throw Refused.field("minutes", Reason.of("refusal.awayService.thatIsMoreThanADayOf"));
        }
        LocalDate today = accounts.get(who).day(now);
        if (day.isAfter(today) || day.isBefore(today.minusDays(DAYS_TOLD))) {
            throw Refused.field("day", Reason.of("refusal.awayService.giveADayOfTheLastDays", "daysTold", DAYS_TOLD));
        }
        UnmeasuredPractice practice = Refused.unlessValid(
                "minutes",
                () -> new UnmeasuredPractice(who.accountId(), clientId, away.kind(), away.minutes(), day, now));
        practice.become(away.kind(), away.minutes(), away.note().strip());
        practices.save(practice);
    }

    @Transactional(readOnly = true)
    List<AwayDto> elsewhere(SignedIn who) {
        return practices
                .findByAccountIdAndElsewhereNotNullAndWithdrawnAtNullOrderByIdDesc(
                        who.accountId(), Limit.of(ELSEWHERE_SHOWN))
                .stream()
                .map(AwayDto::of)
                .toList();
    }

    private static final int ASKED_AT_ONCE = 500;

    /** Which of some ids something was taken over under, whatever has become of it since. */
    @Transactional(readOnly = true)
    public Set<String> takenOver(SignedIn who, List<String> ids) {
        Set<String> known = new HashSet<>();
        for (int from = 0; from < ids.size(); from += ASKED_AT_ONCE) {
            known.addAll(
                    practices.known(who.accountId(), ids.subList(from, Math.min(ids.size(), from + ASKED_AT_ONCE))));
        }
        return known;
    }

    /**
     * Something that was practised before, from a notebook.
     *
     * @param id what it is known by: under the same it is taken over once
     */
    public record Noted(String id, LocalDate day, Away away) {}

    /** Takes over what was practised before, however long ago. */
    @Transactional
    public void takeOver(SignedIn who, List<Noted> all) {
        practices.saveAll(all.stream()
                .map(one -> {
                    Away away = one.away();
                    UnmeasuredPractice practice = new UnmeasuredPractice(
                            who.accountId(), one.id(), away.kind(), away.minutes(), one.day(), clock.instant());
                    practice.become(away.kind(), away.minutes(), away.note().strip());
                    return practice;
                })
                .toList());
    }

    /** What was played elsewhere on some days, the oldest first. */
    @Transactional(readOnly = true)
    public List<AwayDto> away(SignedIn who, LocalDate from, LocalDate to) {
        return practices
                .findByAccountIdAndElsewhereNotNullAndWithdrawnAtNullAndDayBetweenOrderByDayAscIdAsc(
                        who.accountId(), from, to, Limit.of(MOST_PRACTICE_A_DAY))
                .stream()
                .map(AwayDto::of)
                .toList();
    }

    private UnmeasuredPractice elsewhere(SignedIn who, long id) {
        return practices
                .findByIdAndAccountIdAndElsewhereNotNullAndWithdrawnAtNull(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.awayService.thisEntryIsNotHere")));
    }

    /** Puts right what was entered by mistake; of a day gone by it counts from tomorrow as it is now, and today as it was. */
    @Transactional
    public void elsewhere(SignedIn who, long id, Away away) {
        UnmeasuredPractice one = elsewhere(who, id);
        Refused.unlessValid("minutes", () -> away.kind().effort(away.minutes()));
        UnmeasuredPractice now = one;
        if (one.day().isBefore(accounts.today(who))) {
            one.withdraw(clock.instant());
            now = new UnmeasuredPractice(
                    who.accountId(),
                    UUID.randomUUID().toString(),
                    away.kind(),
                    away.minutes(),
                    one.day(),
                    clock.instant());
        }
        now.become(away.kind(), away.minutes(), away.note().strip());
        practices.save(now);
    }

    /** Takes back what was entered by mistake; of a day gone by it still counts for what today may be. */
    @Transactional
    public void notElsewhere(SignedIn who, long id) {
        UnmeasuredPractice one = elsewhere(who, id);
        one.takeBack(accounts.today(who), clock.instant(), practices::delete);
    }
}

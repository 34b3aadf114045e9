package tachylim.server.load;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.Condition;
import tachylim.load.Limit;
import tachylim.server.TachylimSettings;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.words.Reason;
import tachylim.workout.Run;

/**
 * What is played on the pages outside of workouts: along with a passage, counts of changes, variations that are ticked off. It
 * is held by clock and caps as a workout is, but that a warning comes at a cap and the door closes a tenth above it.
 */
@Service
public class PracticeLog {

    private static final int MOST_A_DAY = 1_000;

    private final UnmeasuredPracticeRepository practices;
    private final LoadService load;
    private final AccountService accounts;
    private final TachylimSettings settings;
    private final Clock clock;

    PracticeLog(
            UnmeasuredPracticeRepository practices,
            LoadService load,
            AccountService accounts,
            TachylimSettings settings,
            Clock clock) {
        this.practices = practices;
        this.load = load;
        this.accounts = accounts;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * Counts something that was played, once.
     *
     * @param secondsAgo how long ago it ended, where it could not be sent at once
     */
    @Transactional
    public void played(SignedIn who, Played played, double secondsAgo) {
        Instant now = clock.instant();
        Instant at = now.minusMillis((long) (1000 * secondsAgo));
        accounts.inTurn(who);
        if (played.clientId() != null && practices.existsByAccountIdAndClientId(who.accountId(), played.clientId())) {
            return;
        }
        load.today(who, now).checkMayPlay();
        Today today = load.today(who, at);
        checkCaps(today, played);
        checkClock(who, played, at);
        if (practices.countByAccountIdAndAtAfter(who.accountId(), now.minus(Duration.ofDays(1))) >= MOST_A_DAY) {
            throw Refused.field("seconds", Reason.of("refusal.practiceLog.thatIsMoreThanADayOf"));
        }
        practices.save(new UnmeasuredPractice(who.accountId(), played, today.day(), at));
        Condition after = today.condition().played(today.condition().recovery(), played.seconds());
        load.cameOut(who, after, at);
    }

    private static void checkCaps(Today today, Played played) {
        for (Limit limit : today.limits()) {
            boolean concerned = limit.kind() != Limit.Kind.BURST_SECONDS || played.burstSeconds() > 0;
            if (concerned && limit.isClosed()) {
                throw Refused.conflict(
                        ProblemCode.NOTHING_LEFT,
                        Reason.of(
                                "refusal.practiceLog.todaysAreUsedOfSoThisIsNot",
                                "unit",
                                limit.kind().unit(),
                                "used",
                                Math.round(limit.used()),
                                "cap",
                                Math.round(limit.cap()),
                                "enterIt",
                                Reason.of("refusal.practiceLog.enterIt")));
            }
        }
    }

    /** Nothing is played twice at a time: what is said to have been played needs seconds of its own. */
    private void checkClock(SignedIn who, Played played, Instant at) {
        if (played.choiceId() != null) {
            // It is ticked off afterwards, as practice away from the page is.
            return;
        }
        Duration longest = seconds(UnmeasuredPractice.LONGEST_SECONDS);
        Instant from = at.minus(seconds(played.seconds()));
        double taken = practices.onThePage(who.accountId(), from, at.plus(longest)).stream()
                .mapToDouble(one -> overlap(from, at, one.at().minus(seconds(one.playSeconds())), one.at()))
                .sum();
        double missing = taken - Run.CLOCK_TOLERANCE;
        if (missing > 0) {
            throw Refused.conflict(
                            ProblemCode.TOO_SOON,
                            Reason.of(
                                    "refusal.practiceLog.byTheClockThisCannotHave",
                                    "value",
                                    Math.max(1, Math.round(missing)),
                                    "enterIt",
                                    Reason.of("refusal.practiceLog.enterIt")))
                    .with("seconds", missing);
        }
    }

    /** Seconds of music as the clock counts them. */
    private Duration seconds(double ofMusic) {
        return Duration.ofMillis((long) (1000 * ofMusic / settings.speed()));
    }

    private static double overlap(Instant from, Instant to, Instant otherFrom, Instant otherTo) {
        Instant begin = from.isAfter(otherFrom) ? from : otherFrom;
        Instant end = to.isBefore(otherTo) ? to : otherTo;
        return Math.max(0, Duration.between(begin, end).toMillis() / 1000.0);
    }

    /** A choice that was not played after all. */
    @Transactional
    public void notPlayed(SignedIn who, long choiceId) {
        LocalDate today = accounts.today(who);
        List<UnmeasuredPractice> ticked =
                practices.findByAccountIdAndChoiceIdAndWithdrawnAtNull(who.accountId(), choiceId);
        ticked.forEach(one -> one.takeBack(today, clock.instant(), practices::delete));
    }
}

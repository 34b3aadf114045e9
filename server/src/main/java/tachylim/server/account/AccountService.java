package tachylim.server.account;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.DailyMinutes;
import tachylim.load.DayBoundary;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.InstrumentFamily;
import tachylim.server.cluster.Again;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.words.Reason;
import tachylim.workout.Choices;

/** Accounts: opening, signing in to, changing and deleting them. */
@Service
public class AccountService {

    private static final int MOST_DAYS_OFF = 6;

    private static final String NOT_TOGETHER = "refusal.account.notTogether";

    private final AccountRepository accounts;
    private final Guard guard;
    private final Hashing hashing;
    private final PasswordEncoder passwords;
    private final Sessions sessions;
    private final Clock clock;

    /** The hash of a password nobody has, compared against so that an unknown name takes as long to refuse. */
    private final String nobody;

    AccountService(
            AccountRepository accounts,
            Guard guard,
            Hashing hashing,
            PasswordEncoder passwords,
            Sessions sessions,
            Clock clock) {
        this.hashing = hashing;
        this.accounts = accounts;
        this.guard = guard;
        this.passwords = passwords;
        this.sessions = sessions;
        this.clock = clock;
        this.nobody = passwords.encode(UUID.randomUUID().toString());
    }

    @Transactional(readOnly = true)
    public Account get(SignedIn who) {
        return accounts.findById(who.accountId())
                .orElseThrow(() -> Refused.unauthorized(Reason.of("refusal.accountService.thisAccountIsNoLongerHere")));
    }

    /**
     * What a player is used to.
     *
     * @param minutesTomorrow what a day holds from tomorrow; null when nothing changes
     * @param home where they live
     */
    public record Habit(
            InstrumentFamily instrument,
            int usualMinutes,
            Integer minutesTomorrow,
            Strictness strictness,
            boolean restsAsPlayed,
            boolean felt,
            List<WarmUpRoutine.Item> routine,
            List<OtherInstrument> others,
            LocalDate today,
            DayBoundary home) {

        /** What this player chooses of a workout when nothing but the method is chosen. */
        public Choices choices(School school) {
            return Choices.usual(school, instrument).with(strictness).resting(restsAsPlayed);
        }
    }

    @Transactional(readOnly = true)
    public Habit habit(SignedIn who) {
        Account account = get(who);
        return habit(account, account.instrument());
    }

    /** The same on the instrument of a passage: of another than the first by what was said of it. */
    @Transactional(readOnly = true)
    public Habit habit(SignedIn who, InstrumentFamily on) {
        return habit(get(who), on);
    }

    private Habit habit(Account account, InstrumentFamily on) {
        LocalDate today = account.day(clock.instant());
        return new Habit(
                on,
                account.on(on)
                        .map(OtherInstrument::minutes)
                        .orElse(account.minutes().on(today)),
                account.minutes().tomorrow(today),
                account.strictness(),
                account.restsAsPlayed(on),
                account.isFelt(),
                account.routine(on),
                account.otherInstruments(),
                today,
                account.home());
    }

    /** Puts down what is usual on an instrument beside the first. */
    @Transactional
    public void usedTo(SignedIn who, OtherInstrument other) {
        get(who).on(other);
    }

    /** Lets what is done for an account wait until whatever else does the same is done: nothing is counted side by side. */
    @Transactional
    public void inTurn(SignedIn who) {
        accounts.lock(who.accountId());
    }

    Instant now() {
        return clock.instant();
    }

    /** The player's today. */
    @Transactional(readOnly = true)
    public LocalDate today(SignedIn who) {
        return get(who).day(clock.instant());
    }

    /**
     * Opens an account for somebody at {@code address}. A registration whose answer was lost is the same one when it comes
     * again: it signs in.
     *
     * @param clientId what the browser calls it; null where it has no name for it
     */
    public SignedIn register(String name, String password, String zone, String clientId, String address) {
        if (isRegistered(name, clientId)) {
            return signIn(name, password, address);
        }
        guard.count(Guard.What.REGISTRATION_FROM_ADDRESS, address);
        if (name.codePoints().anyMatch(AccountService::isUnseen)) {
            throw Refused.field("name", Reason.of("refusal.accountService.thisNameHoldsASignThat"));
        }
        PasswordRule.check("password", password, name);
        try {
            return open(name, password, zone, clientId);
        } catch (Refused taken) {
            // The first of two that are the same may have come through meanwhile.
            if (isRegistered(name, clientId)) {
                return signIn(name, password, address);
            }
            throw taken;
        }
    }

    private boolean isRegistered(String name, String clientId) {
        return accounts.findByName(name.strip())
                .filter(account -> account.isRegisteredAs(clientId))
                .isPresent();
    }

    /** What nobody sees would make two names look alike. */
    private static boolean isUnseen(int sign) {
        int type = Character.getType(sign);
        return type == Character.FORMAT || type == Character.PRIVATE_USE || type == Character.UNASSIGNED;
    }

    /** Opens an account without asking how it comes: for the demo alone. */
    public SignedIn open(String name, String password, String zone) {
        return open(name, password, zone, null);
    }

    private SignedIn open(String name, String password, String zone, String clientId) {
        String trimmed = name.strip();
        if (accounts.findByName(trimmed).isPresent()) {
            throw nameTaken();
        }
        String hash = hash(Hashing.What.REGISTERING, password);
        try {
            Account account = Again.of(() -> accounts.saveAndFlush(new Account(
                            trimmed,
                            hash,
                            InstrumentFamily.OTHER,
                            DailyMinutes.USUAL,
                            zone(zone).orElse(ZoneOffset.UTC),
                            clock.instant())
                    .registeredAs(clientId)));
            return new SignedIn(account.id(), account.name());
        } catch (DataIntegrityViolationException sameMoment) {
            throw nameTaken();
        }
    }

    private static Refused nameTaken() {
        return Refused.field("name", Reason.of("refusal.accountService.thatNameIsTakenChoose"));
    }

    /** Does not run in a transaction, so that every try is counted and none holds a connection while it waits. */
    public SignedIn signIn(String name, String password, String address) {
        String trimmed = name.strip();
        guard.count(Guard.What.SIGN_IN_FROM_ADDRESS, address);
        guard.count(Guard.What.SIGN_IN_OF_NAME, trimmed);
        Account account = accounts.findByName(trimmed).orElse(null);
        boolean right = matches(Hashing.What.SIGNING_IN, password, account == null ? nobody : account.passwordHash());
        if (account == null || !right) {
            throw Refused.unauthorized(Reason.of(NOT_TOGETHER));
        }
        guard.forget(Guard.What.SIGN_IN_OF_NAME, trimmed);
        if (passwords.upgradeEncoding(account.passwordHash())) {
            account.passwordHash(hash(Hashing.What.CHANGING, password));
            Again.run(() -> accounts.save(account));
        }
        return new SignedIn(account.id(), account.name());
    }

    private boolean matches(Hashing.What what, String password, String hash) {
        return hashing.of(what, () -> passwords.matches(PasswordRule.composed(password), hash));
    }

    private String hash(Hashing.What what, String password) {
        return hashing.of(what, () -> passwords.encode(PasswordRule.composed(password)));
    }

    private void checkPresent(SignedIn who, Account account, String password, String field, String refusal) {
        guard.count(Guard.What.OLD_PASSWORD, who.getName());
        if (!matches(Hashing.What.CHANGING, password, account.passwordHash())) {
            throw Refused.field(field, Reason.of(refusal));
        }
        guard.forget(Guard.What.OLD_PASSWORD, who.getName());
    }

    void changePassword(SignedIn who, String old, String fresh) {
        Account account = get(who);
        PasswordRule.check("newPassword", fresh, who.name());
        checkPresent(who, account, old, "oldPassword", "refusal.account.wrongPassword");
        account.passwordHash(hash(Hashing.What.CHANGING, fresh));
        Again.run(() -> accounts.save(account));
    }

    /** Asks for another zone; it holds once the running day is over in both. */
    @Transactional
    void moveTo(SignedIn who, String zone) {
        Account account = get(who);
        ZoneId to = zone(zone)
                .orElseThrow(
                        () -> Refused.field("zone", Reason.of("refusal.accountService.thatIsNoTimeZoneKnownHere")));
        try {
            account.home(account.home().movingTo(to, clock.instant()));
        } catch (IllegalStateException tooSoon) {
            throw Refused.conflict(ProblemCode.ONE_MOVE_A_DAY, Reason.of("refusal.account.oneMoveADay"));
        }
    }

    /** Counts days in a zone from now on, of an account whose days are nobody's yet; where there is no such zone, as before. */
    @Transactional
    public void settle(SignedIn who, String zone) {
        zone(zone).ifPresent(to -> get(who).home(DayBoundary.in(to)));
    }

    @Transactional
    public void change(
            SignedIn who, InstrumentFamily instrument, int usualMinutes, Strictness strictness, Boolean felt) {
        Account account = get(who);
        if (felt != null) {
            account.felt(felt, account.day(clock.instant()));
        }
        account.instrument(instrument);
        account.strictness(strictness);
        account.minutes(account.minutes().asked(usualMinutes, account.day(clock.instant())));
    }

    /** Puts down whether the player rests as long as they play. */
    @Transactional
    public void rest(SignedIn who, boolean asPlayed) {
        get(who).restsAsPlayed(asPlayed);
    }

    /** Puts down how the player warms up; no lines mean large, easy movement. */
    @Transactional
    public void warmUpBy(SignedIn who, List<WarmUpRoutine.Item> lines) {
        get(who).routine(lines);
    }

    /** Puts down the days of the week without practice: all of them would be no practice at all. */
    @Transactional
    public void daysOff(SignedIn who, Collection<DayOfWeek> days) {
        if (days.stream().distinct().count() > MOST_DAYS_OFF) {
            throw Refused.field("days", Reason.of("refusal.accountService.leaveAtLeastOneDayOfThe"));
        }
        get(who).daysOff(days);
    }

    /** Learns gains anew from a day on. */
    @Transactional
    public void gainsSince(SignedIn who, LocalDate day) {
        get(who).gainsSince(day);
    }

    /** The account of an id: for whoever holds a secret that leads to it. */
    @Transactional(readOnly = true)
    public Optional<SignedIn> of(long id) {
        return accounts.findById(id).map(account -> new SignedIn(account.id(), account.name()));
    }

    /** Deletes the account and all its data; every session of it ends. */
    void delete(SignedIn who, String password) {
        Account account = get(who);
        checkPresent(who, account, password, "password", "refusal.account.wrongPasswordNothingDeleted");
        accounts.deleteById(account.id());
        sessions.endAll(who);
    }

    /** The account of a name, without any password: for the demo alone. */
    @Transactional(readOnly = true)
    public Optional<SignedIn> named(String name) {
        return accounts.findByName(name).map(account -> new SignedIn(account.id(), account.name()));
    }

    /** Deletes an account without asking for its password: for the demo alone. */
    @Transactional
    public void deleteNow(SignedIn who) {
        accounts.deleteById(who.accountId());
        sessions.endAll(who);
    }

    /** An unknown zone is no reason to keep somebody out. */
    private static Optional<ZoneId> zone(String zone) {
        try {
            return Optional.of(ZoneId.of(zone));
        } catch (DateTimeException unknown) {
            return Optional.empty();
        }
    }
}

package tachylim.server.account;

import tachylim.passage.InstrumentFamily;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Optional;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.web.Refused;

/** Accounts: opening, signing in to, changing and deleting them. */
@Service
public class AccountService {

    static final int FIRST_MINUTES = 30;

    /** The hash of a password nobody has, compared against so that an unknown name takes as long to refuse. */
    private static final String NOBODY = "$2a$12$v2dw.j6OfCvyskewtVjWiej/eqbZG6ssC4nqdM3uyMKbbAh7EcNwi";

    private final AccountRepository accounts;
    private final SignInLimit limit;
    private final PasswordEncoder passwords;
    private final JdbcIndexedSessionRepository sessions;
    private final Clock clock;

    AccountService(AccountRepository accounts, SignInLimit limit, PasswordEncoder passwords,
            JdbcIndexedSessionRepository sessions, Clock clock) {
        this.accounts = accounts;
        this.limit = limit;
        this.passwords = passwords;
        this.sessions = sessions;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public Account get(SignedIn who) {
        return accounts.findById(who.accountId())
                .orElseThrow(() -> Refused.unauthorized("This account is no longer here. Sign in again."));
    }

    /**
     * What a player is used to.
     *
     * @param minutesTomorrow what a day holds from tomorrow; null when nothing changes
     */
    public record Habit(InstrumentFamily instrument, int usualMinutes, Integer minutesTomorrow, LocalDate today) {}

    @Transactional(readOnly = true)
    public Habit habit(SignedIn who) {
        Account account = get(who);
        LocalDate today = account.day(clock.instant());
        return new Habit(account.instrument(), account.usualMinutes(today), account.minutesTomorrow(today), today);
    }

    /** The player's today. */
    @Transactional(readOnly = true)
    public LocalDate today(SignedIn who) {
        return get(who).day(clock.instant());
    }

    @Transactional
    public SignedIn register(String name, String password, String zone) {
        return register(name, password, zone, clock.instant());
    }

    /** As {@link #register}, at a given time: the demo's player has been here for weeks. */
    @Transactional
    public SignedIn register(String name, String password, String zone, Instant at) {
        String trimmed = name.strip();
        if (accounts.findByName(trimmed).isPresent()) {
            throw nameTaken();
        }
        try {
            Account account = accounts.saveAndFlush(new Account(trimmed, passwords.encode(password),
                    InstrumentFamily.OTHER, FIRST_MINUTES, zone(zone), at));
            return new SignedIn(account.id(), account.name());
        } catch (DataIntegrityViolationException sameMoment) {
            throw nameTaken();
        }
    }

    private static Refused nameTaken() {
        return Refused.field("name", "That name is taken. Choose another, or sign in if it is yours.");
    }

    /** Does not run in a transaction, so that a failed try is kept. */
    public SignedIn signIn(String name, String password, String zone, String address) {
        String trimmed = name.strip();
        limit.check(trimmed, address);
        Account account = accounts.findByName(trimmed).orElse(null);
        boolean right = passwords.matches(password, account == null ? NOBODY : account.passwordHash());
        if (account == null || !right) {
            limit.failed(trimmed, address);
            throw Refused.unauthorized("Name and password do not belong together. Check both and try again.");
        }
        limit.succeeded(trimmed);
        account.zone(zone(zone));
        accounts.save(account);
        return new SignedIn(account.id(), account.name());
    }

    @Transactional
    public void changePassword(SignedIn who, String old, String fresh) {
        Account account = get(who);
        if (!passwords.matches(old, account.passwordHash())) {
            throw Refused.field("oldPassword", "That is not the present password.");
        }
        account.passwordHash(passwords.encode(fresh));
    }

    @Transactional
    void change(SignedIn who, InstrumentFamily instrument, int usualMinutes) {
        change(who, instrument, usualMinutes, clock.instant());
    }

    /** As {@link #change}, at a given time. */
    @Transactional
    public void change(SignedIn who, InstrumentFamily instrument, int usualMinutes, Instant at) {
        Account account = get(who);
        account.instrument(instrument);
        account.minutes(usualMinutes, account.day(at));
    }

    /** Deletes the account and all its data; every session of it ends. */
    @Transactional
    public void delete(SignedIn who, String password) {
        Account account = get(who);
        if (!passwords.matches(password, account.passwordHash())) {
            throw Refused.field("password", "That is not the present password; nothing was deleted.");
        }
        accounts.delete(account);
        endSessions(who);
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
        endSessions(who);
    }

    /** Ends every session of an account, in this browser and any other. */
    void endSessions(SignedIn who) {
        sessions.findByPrincipalName(who.getName()).keySet().forEach(sessions::deleteById);
    }

    /** An unknown zone is no reason to keep somebody out. */
    private static ZoneId zone(String zone) {
        try {
            return ZoneId.of(zone);
        } catch (DateTimeException unknown) {
            return ZoneOffset.UTC;
        }
    }
}

package tachylim.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tachylim.server.cluster.Again;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/**
 * Slows guessing down. Each try is counted before it is looked at; after the free ones each takes longer, up to a few
 * seconds, but nobody is locked out: who knows the password gets in. How many may wait at once is bounded, and
 * a count that cannot be kept refuses the try.
 */
@Service
class Guard {

    /** What is guarded, and how many tries in a quarter of an hour are free. */
    enum What {
        SIGN_IN_OF_NAME(8),
        SIGN_IN_FROM_ADDRESS(30),
        REGISTRATION_FROM_ADDRESS(20),
        OLD_PASSWORD(5);

        private final int free;

        What(int free) {
            this.free = free;
        }
    }

    private static final Duration WINDOW = Duration.ofMinutes(15);
    private static final long FIRST_WAIT_MILLIS = 250;
    private static final long LONGEST_WAIT_MILLIS = 3_000;

    /** Tries that wait hold a thread each, so only so many may on one instance. */
    private static final int MOST_WAITING = 24;

    private final GuardedTryRepository tries;
    private final TransactionTemplate apart;
    private final Patience patience;
    private final Clock clock;
    private final Semaphore waiting = new Semaphore(MOST_WAITING);

    Guard(GuardedTryRepository tries, PlatformTransactionManager transactions, Patience patience, Clock clock) {
        this.tries = tries;
        this.apart = new TransactionTemplate(transactions);
        this.apart.setPropagationBehavior(TransactionTemplate.PROPAGATION_REQUIRES_NEW);
        this.patience = patience;
        this.clock = clock;
    }

    /** Counts a try, and waits when there were too many. */
    void count(What what, String whose) {
        String subject = subject(what, whose);
        Instant now = clock.instant();
        Integer made = Again.of(() -> apart.execute(status -> {
            tries.count(subject, now, now.minus(WINDOW));
            return tries.tries(subject);
        }));
        int over = (made == null ? Integer.MAX_VALUE : made) - what.free;
        if (over > 0) {
            slowDown(Math.min(LONGEST_WAIT_MILLIS, FIRST_WAIT_MILLIS << Math.min(over - 1, 8)));
        }
    }

    private void slowDown(long millis) {
        if (!waiting.tryAcquire()) {
            throw tooMany();
        }
        try {
            patience.wait(Duration.ofMillis(millis));
        } finally {
            waiting.release();
        }
    }

    static Refused tooMany() {
        return Refused.tooMany(Reason.of("refusal.guard.tooManyTriesAtOnceWaitAFew"));
    }

    void forget(What what, String whose) {
        Again.run(() -> apart.executeWithoutResult(
                status -> tries.forget(subject(what, whose), clock.instant().minus(WINDOW))));
    }

    /** Whatever is sent as a name or an address, however long, becomes a key of one length. */
    private static String subject(What what, String whose) {
        return HexFormat.of().formatHex(Digest.of(what + " " + whose.toLowerCase(Locale.ROOT)));
    }
}

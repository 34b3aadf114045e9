package tachylim.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.web.Refused;

/** Limits guessing: only so many failures in a quarter of an hour, by name and by address. */
@Service
class SignInLimit {

    private static final Duration WINDOW = Duration.ofMinutes(15);
    private static final int MOST_OF_NAME = 8;
    private static final int MOST_OF_ADDRESS = 60;

    private final FailedSignInRepository failures;
    private final Clock clock;

    SignInLimit(FailedSignInRepository failures, Clock clock) {
        this.failures = failures;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    void check(String name, String address) {
        Instant since = clock.instant().minus(WINDOW);
        if (failures.countOfName(name, since) >= MOST_OF_NAME
                || failures.countOfAddress(address, since) >= MOST_OF_ADDRESS) {
            throw Refused.tooMany("Too many tries in a short time. Wait a quarter of an hour, then try again.");
        }
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    void failed(String name, String address) {
        failures.save(new FailedSignIn(name, address, clock.instant()));
    }

    @Transactional
    void succeeded(String name) {
        failures.forget(name, clock.instant().minus(WINDOW));
    }
}

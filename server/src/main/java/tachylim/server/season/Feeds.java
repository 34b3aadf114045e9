package tachylim.server.season;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.Base64;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.AccountService;
import tachylim.server.account.Digest;
import tachylim.server.account.SignedIn;

/** The private addresses at which calendars read. */
@Component
class Feeds {

    private static final int SECRET_BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final CalendarFeedRepository feeds;
    private final AccountService accounts;
    private final Clock clock;

    Feeds(CalendarFeedRepository feeds, AccountService accounts, Clock clock) {
        this.feeds = feeds;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** Opens an address and gives its secret; one that was open before is closed. */
    @Transactional
    String open(SignedIn who) {
        byte[] random = new byte[SECRET_BYTES];
        RANDOM.nextBytes(random);
        String secret = Base64.getUrlEncoder().withoutPadding().encodeToString(random);
        CalendarFeed feed = feeds.findById(who.accountId()).orElseGet(() -> new CalendarFeed(who.accountId()));
        feed.opensBy(Digest.of(secret), clock.instant());
        feeds.save(feed);
        return secret;
    }

    @Transactional
    void close(SignedIn who) {
        feeds.findById(who.accountId()).ifPresent(feeds::delete);
    }

    /** Whose season a secret opens. */
    @Transactional(readOnly = true)
    Optional<SignedIn> by(String secret) {
        return feeds.findByDigest(Digest.of(secret)).flatMap(feed -> accounts.of(feed.getId()));
    }

    @Transactional(readOnly = true)
    Optional<Instant> since(SignedIn who) {
        return feeds.findById(who.accountId()).map(CalendarFeed::since);
    }
}

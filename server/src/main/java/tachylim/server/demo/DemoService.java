package tachylim.server.demo;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import tachylim.load.DayBoundary;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.cluster.Lease;
import tachylim.server.run.RunService;

/** The demo account: there from the start, and written anew when its history is no longer up to today. */
@Service
@Lazy(false)
@ConditionalOnProperty("tachylim.demo")
class DemoService {

    /** Before so much is written its pace says little: a server that has just started is slow. */
    private static final double TELLS_FROM = 0.2;

    private final AccountService accounts;
    private final RunService runs;
    private final DemoHistory history;
    private final Clock clock;
    private final Lease lease;
    private volatile Long since;
    private volatile SignedIn odile;

    DemoService(AccountService accounts, RunService runs, DemoHistory history, Clock clock, Lease lease) {
        this.accounts = accounts;
        this.runs = runs;
        this.history = history;
        this.clock = clock;
        this.lease = lease;
    }

    /** Prepares the account while nobody waits; whoever opens it sooner waits for the rest. */
    @EventListener(ApplicationReadyEvent.class)
    void prepare() {
        Thread writer = new Thread(this::account, "demo-history");
        writer.setDaemon(true);
        writer.start();
    }

    synchronized SignedIn account() {
        if (odile == null || !accounts.named(DemoHistory.NAME).equals(Optional.of(odile))) {
            odile = lease.alone("demo", this::upToDate);
        }
        return odile;
    }

    /** How far the history is written. */
    record DemoProgress(
            @Schema(description = "how much of it is written, from 0 to 1")
            double share,

            @Schema(
                    nullable = true,
                    description = "how long the rest takes at the pace so far; null while that cannot be told")
            Double secondsLeft) {}

    /** How far the writing is, while it goes on; by the clock on the wall, since the demo's own goes through ten weeks. */
    DemoProgress progress() {
        Long from = since;
        if (from == null) {
            return new DemoProgress(odile == null ? 0 : 1, null);
        }
        double share = history.share();
        double seconds = (System.nanoTime() - from) / 1e9;
        return new DemoProgress(share, share < TELLS_FROM ? null : seconds * (1 - share) / share);
    }

    /** The account as somebody finds it whose days are counted in a zone; where that is none, in that of this machine. */
    SignedIn visited(String zone) {
        SignedIn who = account();
        accounts.settle(who, zone);
        return who;
    }

    private SignedIn upToDate() {
        ZoneId zone = ZoneId.systemDefault();
        LocalDate today = DayBoundary.in(zone).day(clock.instant());
        Optional<SignedIn> present = accounts.named(DemoHistory.NAME);
        if (present.isPresent() && isUpToDate(present.get(), today)) {
            return present.get();
        }
        present.ifPresent(accounts::deleteNow);
        since = System.nanoTime();
        try {
            return history.write(today, zone);
        } finally {
            since = null;
        }
    }

    private boolean isUpToDate(SignedIn who, LocalDate today) {
        return runs.before(who, null, 1).stream().anyMatch(run -> !run.day().isBefore(today.minusDays(1)));
    }
}

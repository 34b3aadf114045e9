package tachylim.server;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** For trials: a clock that has run faster than the others since a moment, and is the same after each start. */
final class FasterClock extends Clock {

    private final Clock real;
    private final Instant since;
    private final int times;

    FasterClock(Clock real, Instant since, int times) {
        this.real = real;
        this.since = since;
        this.times = times;
    }

    @Override
    public Instant instant() {
        return since.plus(Duration.between(since, real.instant()).multipliedBy(times));
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        throw new UnsupportedOperationException("Zones are the players' own");
    }
}

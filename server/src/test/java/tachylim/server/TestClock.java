package tachylim.server;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** A clock that stands still until a test moves it, and begins far from any midnight. */
public final class TestClock extends Clock {

    private static final Instant BEGINNING = Instant.parse("2026-06-02T10:00:00Z");

    public static final TestClock CLOCK = new TestClock();

    private static final Duration LAP = Duration.ofDays(180);

    private Instant beginning = BEGINNING;
    private Instant now = BEGINNING;

    private TestClock() {}

    @Override
    public synchronized Instant instant() {
        return now;
    }

    public synchronized void pass(Duration time) {
        now = now.plus(time);
    }

    public void pass(double seconds) {
        pass(Duration.ofMillis((long) Math.ceil(1000 * seconds)));
    }

    public synchronized void set(Instant to) {
        now = to;
    }

    /**
     * Ten in the morning of a day that no test has had. After more than half a year it is one of the year before: whoever signs
     * in does so by the clock on the wall, and is signed in for ninety days only.
     */
    public synchronized void anotherDay() {
        nextMorning();
        if (now.isAfter(beginning.plus(LAP))) {
            beginning = beginning.minus(Duration.ofDays(400));
            now = beginning;
        }
    }

    /** Ten in the morning of the day after this one. */
    public synchronized void nextMorning() {
        now = now.atZone(ZoneOffset.UTC).toLocalDate().plusDays(1).atTime(10, 0).toInstant(ZoneOffset.UTC);
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

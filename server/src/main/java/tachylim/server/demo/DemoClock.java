package tachylim.server.demo;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/**
 * The demo's clock: it goes like any other, but whoever writes the ten weeks moves it back and lets time pass. Only the
 * thread that has moved it sees it moved, so that everybody else stays in the present.
 */
@Component
@Primary
@ConditionalOnProperty("tachylim.demo")
class DemoClock extends Clock {

    private final Clock present = Clock.systemUTC();
    private final ThreadLocal<Instant> moved = new ThreadLocal<>();

    /** From here on it is {@code then}, until it is moved again. */
    void move(Instant then) {
        moved.set(then);
    }

    /** Back to the present. */
    void goOn() {
        moved.remove();
    }

    @Override
    public Instant instant() {
        Instant then = moved.get();
        return then == null ? present.instant() : then;
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return fixed(instant(), zone);
    }
}

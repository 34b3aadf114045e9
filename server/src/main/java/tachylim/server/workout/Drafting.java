package tachylim.server.workout;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/**
 * Where workouts are drawn up, which takes a processor for a tenth of a second: as many at once as there are processors. The
 * others wait before they ask the database for anything, so that everything else goes on beside them.
 */
@Component
public class Drafting {

    private static final long PATIENCE_SECONDS = 8;

    private final Semaphore desks = new Semaphore(Runtime.getRuntime().availableProcessors(), true);

    /** What {@code drawing} gives, in its turn. */
    public <T> T inTurn(Supplier<T> drawing) {
        try {
            if (!desks.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                throw full();
            }
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
            throw full();
        }
        try {
            return drawing.get();
        } finally {
            desks.release();
        }
    }

    private static Refused full() {
        return Refused.tooMany(Reason.of("refusal.drafting.manyWorkoutsAreBeingDrawn"));
    }
}

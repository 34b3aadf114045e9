package tachylim.server.exchange;

import java.time.Duration;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/** Where music is read: a few at a time, so that memory is bounded, and for so long and no longer. */
@Component
class ReadingRoom implements DisposableBean {

    private static final int SEATS = 2;
    private static final int WAITING = 8;

    /** A score of two hundred pages takes two seconds or less. */
    static final Duration PATIENCE = Duration.ofSeconds(20);

    private final ExecutorService seats = seats(SEATS);

    /** What is read into accounts writes as well; one after the other is soonest done. */
    private final ExecutorService desk = seats(1);

    private static ExecutorService seats(int many) {
        return new ThreadPoolExecutor(many, many, 0, TimeUnit.SECONDS, new ArrayBlockingQueue<>(WAITING), work -> {
            Thread reader = new Thread(work, "reader");
            reader.setDaemon(true);
            return reader;
        });
    }

    /** What {@code importing} gives, once those before it are done. It ends by itself: it knows its own deadline. */
    <T> T inTurn(Callable<T> importing) {
        try {
            return desk.submit(importing).get();
        } catch (RejectedExecutionException full) {
            throw Refused.tooMany(Reason.of("refusal.readingRoom.otherFilesAreBeingReadJust"));
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("The server is stopping", stopping);
        } catch (ExecutionException failed) {
            throw failed.getCause() instanceof RuntimeException refusal
                    ? refusal
                    : new IllegalStateException(failed.getCause());
        }
    }

    /** What {@code reading} gives, or a refusal when it takes too long or too many are waiting. */
    <T> T read(Callable<T> reading) {
        Future<T> result;
        try {
            result = seats.submit(reading);
        } catch (RejectedExecutionException full) {
            throw Refused.tooMany(Reason.of("refusal.readingRoom.otherFilesAreBeingReadJust"));
        }
        try {
            return result.get(PATIENCE.toSeconds(), TimeUnit.SECONDS);
        } catch (TimeoutException tooLong) {
            result.cancel(true);
            throw Refused.field(
                    "file",
                    Reason.of("refusal.readingRoom.readingThisTakesLongerThan", "toSeconds", PATIENCE.toSeconds()));
        } catch (InterruptedException stopping) {
            result.cancel(true);
            Thread.currentThread().interrupt();
            throw new IllegalStateException("The server is stopping", stopping);
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof OutOfMemoryError) {
                throw Refused.field("file", Reason.of("refusal.readingRoom.thisFileNeedsMoreMemoryTo"));
            }
            throw failed.getCause() instanceof RuntimeException refusal
                    ? refusal
                    : new IllegalStateException(failed.getCause());
        }
    }

    @Override
    public void destroy() {
        seats.shutdownNow();
        desk.shutdownNow();
    }
}

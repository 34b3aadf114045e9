package tachylim.server.account;

import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.PriorityBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * Where passwords are hashed, which takes a processor for a quarter of a second each: on threads of its own, so that everything
 * else goes on beside it, and who signs in goes before who registers.
 */
@Component
class Hashing implements DisposableBean {

    /** What a hash is for, the most urgent first, and how many of a kind may wait. */
    enum What {
        SIGNING_IN(40),
        CHANGING(10),
        REGISTERING(20);

        private final int mostWaiting;

        What(int mostWaiting) {
            this.mostWaiting = mostWaiting;
        }
    }

    private static final long PATIENCE_SECONDS = 8;

    private final ThreadPoolExecutor threads;
    private final Map<What, AtomicInteger> waiting = new EnumMap<>(What.class);
    private final AtomicLong order = new AtomicLong();

    Hashing() {
        int half = Math.max(1, Runtime.getRuntime().availableProcessors() / 2);
        threads = new ThreadPoolExecutor(half, half, 0, TimeUnit.SECONDS, new PriorityBlockingQueue<>(), work -> {
            Thread hasher = new Thread(work, "hashing");
            hasher.setDaemon(true);
            return hasher;
        });
        for (What what : What.values()) {
            waiting.put(what, new AtomicInteger());
        }
    }

    /** Work in the order of its urgency, and of its coming. */
    private static final class Job<T> extends FutureTask<T> implements Comparable<Job<?>> {

        private final What what;
        private final long number;

        Job(What what, long number, Supplier<T> work) {
            super(work::get);
            this.what = what;
            this.number = number;
        }

        @Override
        public int compareTo(Job<?> other) {
            int urgency = what.compareTo(other.what);
            return urgency != 0 ? urgency : Long.compare(number, other.number);
        }
    }

    /** What {@code work} gives, in its turn. */
    <T> T of(What what, Supplier<T> work) {
        AtomicInteger alike = waiting.get(what);
        if (alike.incrementAndGet() > what.mostWaiting) {
            alike.decrementAndGet();
            throw Guard.tooMany();
        }
        Job<T> job = new Job<>(what, order.incrementAndGet(), work);
        try {
            threads.execute(job);
            return job.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException full) {
            throw Guard.tooMany();
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
            throw Guard.tooMany();
        } catch (ExecutionException failed) {
            throw failed.getCause() instanceof RuntimeException refusal
                    ? refusal
                    : new IllegalStateException(failed.getCause());
        } finally {
            if (job.cancel(false)) {
                threads.remove(job);
            }
            alike.decrementAndGet();
        }
    }

    /** How many are being hashed, or wait for it. */
    int waiting() {
        return waiting.values().stream().mapToInt(AtomicInteger::get).sum();
    }

    @Override
    public void destroy() {
        threads.shutdownNow();
    }
}

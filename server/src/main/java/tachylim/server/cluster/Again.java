package tachylim.server.cluster;

import java.time.Duration;
import java.util.function.Supplier;
import org.aopalliance.intercept.MethodInvocation;
import org.springframework.aop.ProxyMethodInvocation;
import org.springframework.core.retry.RetryException;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Does a whole transaction again when it lost against another one: a few times, and for a few seconds at the most. */
public final class Again {

    /** Shorter than a page waits for its answer, so that it is told how it went. */
    private static final Duration PATIENCE = Duration.ofSeconds(5);

    private static final RetryTemplate RETRY = new RetryTemplate(RetryPolicy.builder()
            .maxRetries(10)
            .delay(Duration.ofMillis(10))
            .multiplier(2)
            .maxDelay(Duration.ofMillis(200))
            .jitter(Duration.ofMillis(10))
            .timeout(PATIENCE)
            .predicate(Collision::isBehind)
            .build());

    private Again() {}

    /** Does work that is one transaction, and does it again when it lost. */
    public static <T> T of(Supplier<T> work) {
        return isPartOfAnother() ? work.get() : RETRY.invoke(work);
    }

    public static void run(Runnable work) {
        of(() -> {
            work.run();
            return null;
        });
    }

    /** As {@link #of}, for a method that opens a transaction. */
    static Object proceed(MethodInvocation method) throws Throwable {
        if (isPartOfAnother()) {
            return method.proceed();
        }
        try {
            return RETRY.execute(
                    () -> ((ProxyMethodInvocation) method).invocableClone().proceed());
        } catch (RetryException lost) {
            throw lost.getCause();
        }
    }

    /** Only whoever began a transaction can do it again: what is done within one falls and rises with it. */
    private static boolean isPartOfAnother() {
        return TransactionSynchronizationManager.isActualTransactionActive();
    }
}

package tachylim.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.awaitility.Awaitility.await;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tachylim.server.web.Refused;

class HashingTest {

    private final Hashing hashing = new Hashing();
    private final CountDownLatch gate = new CountDownLatch(1);
    private final List<CompletableFuture<?>> all = new ArrayList<>();

    @AfterEach
    void openTheGate() {
        gate.countDown();
        all.forEach(CompletableFuture::join);
        hashing.destroy();
    }

    private void begin(Hashing.What what, Runnable work) {
        long before = hashing.waiting();
        all.add(CompletableFuture.runAsync(
                () -> hashing.of(what, () -> {
                    work.run();
                    return null;
                }),
                task -> new Thread(task).start()));
        await().until(() -> hashing.waiting() > before);
    }

    private void everyThreadIsTaken() {
        for (int i = 0; i < Math.max(1, Runtime.getRuntime().availableProcessors() / 2); i++) {
            begin(Hashing.What.REGISTERING, () -> {
                try {
                    gate.await();
                } catch (InterruptedException over) {
                    Thread.currentThread().interrupt();
                }
            });
        }
    }

    @Test
    void whoSignsInGoesBeforeWhoRegisters() {
        everyThreadIsTaken();
        List<String> order = Collections.synchronizedList(new ArrayList<>());
        begin(Hashing.What.REGISTERING, () -> order.add("registers"));
        begin(Hashing.What.CHANGING, () -> order.add("changes"));
        begin(Hashing.What.SIGNING_IN, () -> order.add("signs in"));
        gate.countDown();
        all.forEach(CompletableFuture::join);
        assertThat(order.indexOf("signs in")).isLessThan(order.indexOf("registers"));
        assertThat(order.indexOf("changes")).isLessThan(order.indexOf("registers"));
    }

    @Test
    void noMoreWaitThanThereIsRoomFor() {
        everyThreadIsTaken();
        while (hashing.waiting() < 20) {
            begin(Hashing.What.REGISTERING, () -> {});
        }
        assertThatThrownBy(() -> hashing.of(Hashing.What.REGISTERING, () -> 1))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("refusal.guard.tooManyTries");
        begin(Hashing.What.SIGNING_IN, () -> {});
    }

    @Test
    void whatGoesWrongIsSaidAsItWas() {
        assertThatThrownBy(() -> hashing.of(Hashing.What.CHANGING, () -> {
                    throw new IllegalArgumentException("no salt");
                }))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("no salt");
    }
}

package tachylim.server.account;

import java.time.Duration;
import org.springframework.stereotype.Component;

/** How a slowed-down try waits. */
@Component
public class Patience {

    public void wait(Duration time) {
        try {
            Thread.sleep(time.toMillis());
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
        }
    }
}

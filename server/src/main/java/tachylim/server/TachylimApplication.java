package tachylim.server;

import java.time.Clock;
import java.time.Instant;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;

/** The server: one process with no state of its own outside the database. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class TachylimApplication {

    public static void main(String[] args) {
        SpringApplication.run(TachylimApplication.class, args);
    }

    /** The one clock: everything that happens, happens when it says. The demo brings one that can be moved. */
    @Bean
    @ConditionalOnProperty(name = "tachylim.demo", havingValue = "false", matchIfMissing = true)
    Clock clock(@Value("${tachylim.clock-since:}") String since, @Value("${tachylim.clock-times:1}") int times) {
        Clock real = Clock.systemUTC();
        return since.isEmpty() ? real : new FasterClock(real, Instant.parse(since), times);
    }
}

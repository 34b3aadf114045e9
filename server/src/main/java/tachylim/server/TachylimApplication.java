package tachylim.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;

/** The server: one process with no state of its own outside the database. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class TachylimApplication {

    public static void main(String[] args) {
        SpringApplication.run(TachylimApplication.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}

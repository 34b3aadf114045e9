package bare;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Nothing but the starters. */
@SpringBootApplication
public class BareApplication {

    public static void main(String[] args) {
        SpringApplication.run(BareApplication.class, args);
    }
}

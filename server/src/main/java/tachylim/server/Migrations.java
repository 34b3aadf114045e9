package tachylim.server;

import java.util.Arrays;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * How the schema is brought up to date. Every migration may be run again, so one that was cut off is simply begun anew; what
 * a newer Tachylim has written is left alone.
 */
@Configuration
class Migrations {

    @Bean
    FlywayMigrationStrategy repeatable() {
        return flyway -> {
            refuseNewer(flyway);
            flyway.repair();
            flyway.migrate();
        };
    }

    private static void refuseNewer(Flyway flyway) {
        int ours = Arrays.stream(flyway.info().all())
                .filter(migration -> migration.getState().isResolved() && migration.getVersion() != null)
                .mapToInt(Migrations::number)
                .max()
                .orElse(0);
        int theirs = Arrays.stream(flyway.info().applied())
                .filter(migration -> migration.getVersion() != null)
                .mapToInt(Migrations::number)
                .max()
                .orElse(0);
        if (theirs > ours) {
            throw new IllegalStateException("This database was written by a newer Tachylim (schema " + theirs
                    + ", here " + ours + "). Nothing was changed; start the newer one.");
        }
    }

    private static int number(MigrationInfo migration) {
        return Integer.parseInt(migration.getVersion().getVersion());
    }
}

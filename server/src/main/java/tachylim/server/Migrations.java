package tachylim.server;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Properties;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.springframework.boot.flyway.autoconfigure.FlywayConfigurationCustomizer;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import tachylim.server.cluster.Lease;

/**
 * How the schema is brought up to date: by one instance while the others wait. Every migration may be run again, so one that
 * was cut off is simply begun anew; what a newer Tachylim has written is left alone.
 */
@Configuration
class Migrations {

    /** Steps take the time they take: their connection is their own, and only has to be there in time. */
    @Bean
    FlywayConfigurationCustomizer ownConnection(DataSourceProperties database) {
        DriverManagerDataSource own = new DriverManagerDataSource(
                database.determineUrl(), database.determineUsername(), database.determinePassword());
        Properties inTime = new Properties();
        inTime.setProperty("connectTimeout", "2000");
        own.setConnectionProperties(inTime);
        return configuration -> configuration.dataSource(own);
    }

    @Bean
    FlywayMigrationStrategy oneByOne(Lease lease) {
        return flyway -> lease.alone("migrations", () -> {
            refuseNewer(flyway);
            beginWhereNothingIs(flyway);
            flyway.repair();
            return flyway.migrate();
        });
    }

    /** A database that holds the leases and nothing else counts as empty; of any other without a history Flyway keeps off. */
    private static void beginWhereNothingIs(Flyway flyway) {
        try (Connection connection = flyway.getConfiguration().getDataSource().getConnection();
                ResultSet tables = connection.getMetaData().getTables(connection.getCatalog(), null, "%", null)) {
            int others = 0;
            while (tables.next()) {
                others += Lease.TABLE.equalsIgnoreCase(tables.getString("TABLE_NAME")) ? 0 : 1;
            }
            if (others == 0) {
                flyway.baseline();
            }
        } catch (SQLException failure) {
            throw new IllegalStateException("It cannot be told what this database holds", failure);
        }
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

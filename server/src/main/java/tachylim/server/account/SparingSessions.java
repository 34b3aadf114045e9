package tachylim.server.account;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;

/** Keeps when a session was last used to the minute: to look at a page writes nothing else to the disk. */
@Configuration
class SparingSessions {

    /** As the repository writes it, but only when a minute has gone by, or before it is said whose session it is. */
    private static final String UPDATE = """
            UPDATE SPRING_SESSION
            SET SESSION_ID = ?, LAST_ACCESS_TIME = ?, MAX_INACTIVE_INTERVAL = ?, EXPIRY_TIME = ?, PRINCIPAL_NAME = ?
            WHERE PRIMARY_ID = ?
              AND (LAST_ACCESS_TIME < 1000 * (UNIX_TIMESTAMP() - 60) OR PRINCIPAL_NAME IS NULL)""";

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> sparing() {
        return repository -> repository.setUpdateSessionQuery(UPDATE);
    }
}

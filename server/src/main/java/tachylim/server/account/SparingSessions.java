package tachylim.server.account;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps when a session was last used to the minute: to look at a page writes nothing else to the disk. */
@Configuration
class SparingSessions {

    /** As the repository writes it, but only when a minute has gone by, or before it is said whose session it is. */
    private static final String UPDATE = """
            UPDATE SPRING_SESSION
            SET SESSION_ID = ?, LAST_ACCESS_TIME = ?, MAX_INACTIVE_INTERVAL = ?, EXPIRY_TIME = ?, PRINCIPAL_NAME = ?
            WHERE PRIMARY_ID = ?
              AND (LAST_ACCESS_TIME < 1000 * (UNIX_TIMESTAMP() - 60) OR PRINCIPAL_NAME IS NULL)""";

    /** A session is looked up in one statement, which needs no transaction around it. */
    @Bean("springSessionTransactionOperations")
    TransactionOperations oneByOne() {
        return TransactionOperations.withoutTransaction();
    }

    /** All else that is written goes together or not at all. */
    @Bean
    @Primary
    TransactionTemplate together(PlatformTransactionManager transactions) {
        return new TransactionTemplate(transactions);
    }

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> sparing() {
        return repository -> repository.setUpdateSessionQuery(UPDATE);
    }
}

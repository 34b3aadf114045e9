package tachylim.server.account;

import jakarta.servlet.DispatcherType;
import java.util.EnumSet;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.web.http.SessionRepositoryFilter;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

/** Sessions cost the database as little as they can: see {@link LastUsed}. */
@Configuration
class SparingSessions {

    /** A session is looked up in one statement, which needs no transaction around it. */
    @Bean("springSessionTransactionOperations")
    TransactionOperations oneByOne() {
        return TransactionOperations.withoutTransaction();
    }

    /** Lies around the sessions of the database as the framework sets them up. */
    @Bean
    static BeanPostProcessor lastUsed(ObjectProvider<TransactionTemplate> together) {
        return new BeanPostProcessor() {
            @Override
            @SuppressWarnings("unchecked")
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof JdbcIndexedSessionRepository
                        ? new LastUsed((FindByIndexNameSessionRepository<Session>) bean, together.getObject())
                        : bean;
            }
        };
    }

    /**
     * Before the filter that asks for sessions, each time that a request comes through; not where a page is handed on within
     * one, which is still the same request.
     */
    @Bean
    FilterRegistrationBean<LastUsed.OnceARequest> onceARequest() {
        FilterRegistrationBean<LastUsed.OnceARequest> registration =
                new FilterRegistrationBean<>(new LastUsed.OnceARequest());
        registration.setOrder(SessionRepositoryFilter.DEFAULT_ORDER - 1);
        registration.setDispatcherTypes(EnumSet.of(DispatcherType.REQUEST, DispatcherType.ASYNC, DispatcherType.ERROR));
        registration.setAsyncSupported(true);
        return registration;
    }

    /** All else that is written goes together or not at all. */
    @Bean
    @Primary
    TransactionTemplate together(PlatformTransactionManager transactions) {
        return new TransactionTemplate(transactions);
    }
}

package tachylim.server.web;

import jakarta.servlet.DispatcherType;
import java.util.EnumSet;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;

/** Where the filters of our own stand. */
@Configuration
class Filters {

    /** Right behind the gate, and before everything that would wait for a body with a thread. */
    @Bean
    FilterRegistrationBean<BufferedBody> bufferedBody() {
        FilterRegistrationBean<BufferedBody> registration = new FilterRegistrationBean<>(new BufferedBody());
        registration.setOrder(Ordered.HIGHEST_PRECEDENCE + 1);
        registration.setDispatcherTypes(EnumSet.of(DispatcherType.REQUEST, DispatcherType.ASYNC));
        registration.setAsyncSupported(true);
        return registration;
    }

    /** Behind the door where players sign in: nobody else sends files. */
    @Bean
    FilterRegistrationBean<Uploads> uploads() {
        FilterRegistrationBean<Uploads> registration = new FilterRegistrationBean<>(new Uploads());
        registration.setOrder(BEHIND_SIGNING_IN);
        registration.setDispatcherTypes(EnumSet.of(DispatcherType.REQUEST, DispatcherType.ASYNC));
        registration.setAsyncSupported(true);
        return registration;
    }

    private static final int BEHIND_SIGNING_IN = 0;
}

package tachylim.server.load;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Set;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tachylim.server.account.SignedIn;
import tachylim.server.web.ChangesNoCap;

/** Holds today's caps before anything is changed through the API, through whichever door: a new one is held without a word. */
@Configuration
class CapsAreHeld implements WebMvcConfigurer, HandlerInterceptor {

    private static final Set<String> CHANGING = Set.of("POST", "PUT", "PATCH", "DELETE");

    private final LoadService load;

    CapsAreHeld(LoadService load) {
        this.load = load;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (CHANGING.contains(request.getMethod())
                && handler instanceof HandlerMethod method
                && !method.hasMethodAnnotation(ChangesNoCap.class)) {
            Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
            if (authentication != null && authentication.getPrincipal() instanceof SignedIn who) {
                load.holdCaps(who);
            }
        }
        return true;
    }
}

package tachylim.server.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.core.Ordered;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Whoever opens an address that leads nowhere finds the page, which says so; a program is told in its own way. */
@Component
class WrongAddresses implements HandlerExceptionResolver, Ordered {

    private static final String PAGE = "/index.html";

    @Override
    public int getOrder() {
        return HIGHEST_PRECEDENCE;
    }

    @Override
    public ModelAndView resolveException(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception failure) {
        return failure instanceof NoResourceFoundException && isLookedAt(request)
                ? new ModelAndView("forward:" + PAGE, HttpStatus.NOT_FOUND)
                : null;
    }

    private static boolean isLookedAt(HttpServletRequest request) {
        String wanted = request.getHeader(HttpHeaders.ACCEPT);
        String address = request.getRequestURI();
        return HttpMethod.GET.matches(request.getMethod())
                && wanted != null
                && wanted.contains(MediaType.TEXT_HTML_VALUE)
                && !address.startsWith("/api/")
                && !address.startsWith("/assets/")
                && !address.equals(PAGE);
    }
}

package tachylim.server.web;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Whoever opens an address that leads nowhere finds the page, which says so; a program is told in its own way. */
@ControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class WrongAddresses {

    @ExceptionHandler
    ModelAndView nowhere(NoResourceFoundException nothing, HttpServletRequest request) throws NoResourceFoundException {
        String wanted = request.getHeader(HttpHeaders.ACCEPT);
        boolean looks = "GET".equals(request.getMethod())
                && wanted != null
                && wanted.contains(MediaType.TEXT_HTML_VALUE)
                && !request.getRequestURI().startsWith("/api/")
                && !request.getRequestURI().startsWith("/assets/");
        if (!looks || nothing.getResourcePath().endsWith("index.html")) {
            throw nothing;
        }
        return new ModelAndView("forward:/index.html", HttpStatus.NOT_FOUND);
    }
}

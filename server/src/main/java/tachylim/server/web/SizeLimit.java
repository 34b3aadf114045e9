package tachylim.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import tachylim.notation.ScoreReader;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses request bodies that no page of ours would send, before they are read. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SizeLimit extends OncePerRequestFilter {

    private static final long MOST_BYTES = 128 * 1024;

    /** Where files of music are read, which are larger than what is typed. */
    private static final String SCORES = "/api/scores";

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean chunked = request.getHeader("Transfer-Encoding") != null;
        long most = request.getRequestURI().equals(SCORES) ? ScoreReader.MOST_BYTES : MOST_BYTES;
        if (chunked || request.getContentLengthLong() > most) {
            response.setStatus(HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE);
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.setCharacterEncoding("UTF-8");
            response.getWriter().write("{\"status\":413,\"detail\":\"That is more than fits here: a request holds up to "
                    + most / 1024 + " kB. Keep the part you are working on.\"}");
            return;
        }
        chain.doFilter(request, response);
    }
}

package tachylim.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Says on every answer of the API with which script a page of this build begins, so that an older page knows that it is old. */
@Component
class BuildOfPage extends OncePerRequestFilter {

    static final String HEADER = "Tachylim-Page";

    private static final Pattern SCRIPT = Pattern.compile("<script [^>]*src=\"/assets/([\\w.-]+\\.js)\"");

    private final String script;

    BuildOfPage() {
        this(new ClassPathResource("static/index.html"));
    }

    /** @param page the page as it was built; one that is not there says nothing */
    BuildOfPage(Resource page) {
        this.script = scriptOf(page);
    }

    private static String scriptOf(Resource page) {
        if (!page.exists()) {
            return null;
        }
        try {
            Matcher first = SCRIPT.matcher(page.getContentAsString(StandardCharsets.UTF_8));
            return first.find() ? first.group(1) : null;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return script == null || !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader(HEADER, script);
        chain.doFilter(request, response);
    }
}

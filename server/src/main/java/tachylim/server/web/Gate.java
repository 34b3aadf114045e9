package tachylim.server.web;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.util.StringUtils;
import org.springframework.web.filter.OncePerRequestFilter;
import tachylim.notation.Format;
import tachylim.server.cluster.Collision;
import tachylim.server.words.Words;
import tachylim.words.Reason;
import tools.jackson.databind.json.JsonMapper;

/**
 * Refuses requests that no page of ours would send, before anything of them is read; and whatever goes wrong behind it, it
 * answers with a sentence and never with a success.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Gate extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(Gate.class);

    static final long MOST_BYTES = 128 * 1024;
    private static final int MOST_QUERY = 4_096;
    private static final int MOST_PARAMETERS = 50;

    private static final long MOST_OF_AN_ACCOUNT = 32L * 1024 * 1024;
    private static final long MOST_OF_A_TABLE = 1024 * 1024;

    /** Where files are read, which are larger than what is typed, and how large they may be. */
    private static final Map<String, Long> FILES = Map.of(
            "/api/scores",
            (long) Format.MOST_BYTES,
            "/api/imports/account",
            MOST_OF_AN_ACCOUNT,
            "/api/imports/practice",
            MOST_OF_A_TABLE);

    private static final Set<String> WITH_BODY = Set.of("POST", "PUT", "PATCH");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getDispatcherType() == DispatcherType.REQUEST && isRefused(request, response)) {
            return;
        }
        try {
            chain.doFilter(request, response);
        } catch (ServletException | IOException | RuntimeException failure) {
            answer(failure, request, response);
        }
    }

    /** A request whose body had to be waited for comes through here a second time, and may go wrong then as well. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    /** Whether a request brings a file. */
    static boolean isFile(HttpServletRequest request) {
        return FILES.containsKey(request.getRequestURI());
    }

    private static boolean isRefused(HttpServletRequest request, HttpServletResponse response) throws IOException {
        boolean file = isFile(request);
        long most = FILES.getOrDefault(request.getRequestURI(), MOST_BYTES);
        if (request.getRequestURI().equals("/error")) {
            return refuse(request, response, 404, Reason.of("refusal.nothingHere"));
        }
        if (request.getHeader("Transfer-Encoding") != null || request.getContentLengthLong() > most) {
            return refuse(request, response, 413, Reason.of("refusal.tooLarge", "kilobytes", most / 1024));
        }
        if (!isReadable(request.getQueryString())) {
            return refuse(request, response, 400, Reason.of("refusal.address"));
        }
        boolean body = WITH_BODY.contains(request.getMethod()) && request.getContentLengthLong() > 0;
        if (body && !isTaken(request.getContentType(), file)) {
            return refuse(request, response, 415, Reason.of(file ? "refusal.fileAsItIs" : "refusal.jsonAlone"));
        }
        return false;
    }

    private static boolean isTaken(String type, boolean file) {
        try {
            MediaType given = MediaType.parseMediaType(type == null ? "" : type);
            return given.equalsTypeAndSubtype(file ? MediaType.APPLICATION_OCTET_STREAM : MediaType.APPLICATION_JSON);
        } catch (IllegalArgumentException noType) {
            return false;
        }
    }

    private static boolean isReadable(String query) {
        if (query == null) {
            return true;
        }
        if (query.length() > MOST_QUERY || StringUtils.countOccurrencesOf(query, "&") >= MOST_PARAMETERS) {
            return false;
        }
        try {
            byte[] bytes =
                    StringUtils.uriDecode(query, StandardCharsets.ISO_8859_1).getBytes(StandardCharsets.ISO_8859_1);
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .chars()
                    .noneMatch(sign -> sign == 0);
        } catch (CharacterCodingException | IllegalArgumentException unreadable) {
            return false;
        }
    }

    private static void answer(Exception failure, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        if (response.isCommitted()) {
            throw failure instanceof IOException io ? io : new IOException(failure);
        }
        response.reset();
        if (DatabaseTrouble.isBehind(failure) || Collision.isBehind(failure)) {
            LOG.warn("The database does not answer: {}", failure.getMessage());
            response.setHeader("Retry-After", DatabaseTrouble.RETRY_AFTER_SECONDS);
            refuse(request, response, 503, Reason.of(DatabaseTrouble.SENTENCE));
        } else {
            LOG.error("A request failed", failure);
            refuse(request, response, 500, Reason.of(ProblemAdvice.FAILED));
        }
    }

    static boolean refuse(HttpServletRequest request, HttpServletResponse response, int status, Reason reason)
            throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        response.getWriter()
                .write(JsonMapper.shared()
                        .writeValueAsString(Map.of(
                                "status",
                                status,
                                "detail",
                                Words.in(request.getLocales()).say(reason))));
        return true;
    }
}

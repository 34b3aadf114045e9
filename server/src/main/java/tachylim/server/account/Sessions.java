package tachylim.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tachylim.server.account.AccountController.SessionDto;

/** The sessions of an account: listed, ended, and over for good after a while however much they are used. */
@Component
class Sessions {

    static final String BROWSER = "tachylim.browser";

    /** However often it is used, a session ends this long after signing in. */
    static final Duration LONGEST = Duration.ofDays(90);

    private static final int HANDLE_LENGTH = 24;

    private final FindByIndexNameSessionRepository<? extends Session> repository;

    Sessions(FindByIndexNameSessionRepository<? extends Session> repository) {
        this.repository = repository;
    }

    /** The browsers that are signed in, the one that asks first. */
    List<SessionDto> of(SignedIn who, String hereId) {
        return repository.findByPrincipalName(who.getName()).values().stream()
                .map(session -> one(session, hereId))
                .sorted(Comparator.comparing(SessionDto::here)
                        .thenComparing(SessionDto::lastSeen)
                        .reversed())
                .toList();
    }

    private static SessionDto one(Session session, String hereId) {
        String browser = session.getAttributeOrDefault(BROWSER, "a browser");
        return new SessionDto(
                handle(session.getId()),
                browser,
                session.getCreationTime(),
                session.getLastAccessedTime(),
                session.getId().equals(hereId));
    }

    private static String handle(String id) {
        return HexFormat.of().formatHex(Digest.of(id)).substring(0, HANDLE_LENGTH);
    }

    /** Ends the session of that handle, if the account has it. */
    void end(SignedIn who, String handle) {
        repository.findByPrincipalName(who.getName()).keySet().stream()
                .filter(id -> handle(id).equals(handle))
                .forEach(repository::deleteById);
    }

    void endAll(SignedIn who) {
        repository.findByPrincipalName(who.getName()).keySet().forEach(repository::deleteById);
    }

    /** Ends what has lasted long enough, before anybody is taken to be signed in by it. */
    static final class Lifetime extends OncePerRequestFilter {

        private final Clock clock;

        Lifetime(Clock clock) {
            this.clock = clock;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            HttpSession session = request.getSession(false);
            if (session != null
                    && Instant.ofEpochMilli(session.getCreationTime())
                            .plus(LONGEST)
                            .isBefore(clock.instant())) {
                session.invalidate();
            }
            chain.doFilter(request, response);
        }
    }
}

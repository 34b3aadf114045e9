package tachylim.server.account;

import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.transaction.support.TransactionOperations;
import tachylim.server.cluster.Again;

/**
 * The sessions of the database, written only when there is something to write: when one begins or ends, and when it was last
 * used to the minute. That time is written after a request was answered, and so is it looked whether the session is still
 * there: neither is worth an error then, since what the answer says was kept is kept.
 */
class LastUsed implements FindByIndexNameSessionRepository<LastUsed.Looked> {

    private static final Logger LOG = LoggerFactory.getLogger(LastUsed.class);

    static final Duration TO_THE_MINUTE = Duration.ofMinutes(1);

    /** What the request at hand has looked up, which need not be asked again when it has been answered. */
    private static final ThreadLocal<Map<String, Optional<Looked>>> LOOKED_UP = new ThreadLocal<>();

    private final FindByIndexNameSessionRepository<Session> kept;
    private final TransactionOperations together;

    LastUsed(FindByIndexNameSessionRepository<Session> kept, TransactionOperations together) {
        this.kept = kept;
        this.together = together;
    }

    @Override
    public Looked createSession() {
        return new Looked(kept.createSession(), null);
    }

    @Override
    public Looked findById(String id) {
        Map<String, Optional<Looked>> before = LOOKED_UP.get();
        return (before == null ? lookUp(id) : before.computeIfAbsent(id, this::lookUp)).orElse(null);
    }

    private Optional<Looked> lookUp(String id) {
        return Optional.ofNullable(kept.findById(id)).map(LastUsed::found);
    }

    private static Looked found(Session session) {
        return new Looked(session, session.getLastAccessedTime());
    }

    @Override
    public void save(Looked session) {
        if (session.isWorthKeeping()) {
            together.executeWithoutResult(status -> kept.save(session.kept));
        } else if (session.wasUsedAMinuteAgo()) {
            try {
                Again.run(() -> kept.save(session.kept));
            } catch (RuntimeException later) {
                LOG.info("When a session was last used is written with its next use: {}", later.getMessage());
            }
        }
    }

    @Override
    public void deleteById(String id) {
        Map<String, Optional<Looked>> before = LOOKED_UP.get();
        if (before != null) {
            before.put(id, Optional.empty());
        }
        Again.run(() -> kept.deleteById(id));
    }

    @Override
    public Map<String, Looked> findByIndexNameAndIndexValue(String index, String value) {
        return kept.findByIndexNameAndIndexValue(index, value).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, one -> found(one.getValue())));
    }

    /** Goes around everything that asks for sessions. */
    static final class OnceARequest implements Filter {

        @Override
        public void doFilter(ServletRequest request, ServletResponse response, FilterChain chain)
                throws IOException, ServletException {
            LOOKED_UP.set(new HashMap<>());
            try {
                chain.doFilter(request, response);
            } finally {
                LOOKED_UP.remove();
            }
        }
    }

    /** A session as one request sees it, with what has become of it since it was looked up. */
    static final class Looked implements Session {

        private final Session kept;
        private final Instant usedBefore;
        private boolean changed;

        private Looked(Session kept, Instant usedBefore) {
            this.kept = kept;
            this.usedBefore = usedBefore;
        }

        private boolean isWorthKeeping() {
            return changed || usedBefore == null;
        }

        private boolean wasUsedAMinuteAgo() {
            return !usedBefore.plus(TO_THE_MINUTE).isAfter(kept.getLastAccessedTime());
        }

        @Override
        public String getId() {
            return kept.getId();
        }

        @Override
        public String changeSessionId() {
            changed = true;
            return kept.changeSessionId();
        }

        @Override
        public <T> T getAttribute(String name) {
            return kept.getAttribute(name);
        }

        @Override
        public Set<String> getAttributeNames() {
            return kept.getAttributeNames();
        }

        @Override
        public void setAttribute(String name, Object value) {
            changed = true;
            kept.setAttribute(name, value);
        }

        @Override
        public void removeAttribute(String name) {
            changed = true;
            kept.removeAttribute(name);
        }

        @Override
        public Instant getCreationTime() {
            return kept.getCreationTime();
        }

        @Override
        public void setLastAccessedTime(Instant time) {
            kept.setLastAccessedTime(time);
        }

        @Override
        public Instant getLastAccessedTime() {
            return kept.getLastAccessedTime();
        }

        @Override
        public void setMaxInactiveInterval(Duration interval) {
            changed = true;
            kept.setMaxInactiveInterval(interval);
        }

        @Override
        public Duration getMaxInactiveInterval() {
            return kept.getMaxInactiveInterval();
        }

        @Override
        public boolean isExpired() {
            return kept.isExpired();
        }
    }
}

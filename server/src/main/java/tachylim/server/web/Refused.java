package tachylim.server.web;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/** A request that is refused, with the reason for it, to be said to a musician. */
public final class Refused extends RuntimeException {

    private final HttpStatus status;
    private final transient Reason reason;
    private final Map<String, Object> more = new LinkedHashMap<>();

    private Refused(HttpStatus status, Reason reason) {
        super(reason.toString());
        this.status = status;
        this.reason = reason;
    }

    public static Refused notFound(Reason reason) {
        return new Refused(HttpStatus.NOT_FOUND, reason);
    }

    public static Refused conflict(ProblemCode code, Reason reason) {
        return new Refused(HttpStatus.CONFLICT, reason).with("code", code);
    }

    /** Bad input, with the field it came from. */
    public static Refused field(String field, Reason reason) {
        return new Refused(HttpStatus.UNPROCESSABLE_CONTENT, reason).with("field", field);
    }

    public static Refused unauthorized(Reason reason) {
        return new Refused(HttpStatus.UNAUTHORIZED, reason);
    }

    public static Refused tooMany(Reason reason) {
        return new Refused(HttpStatus.TOO_MANY_REQUESTS, reason);
    }

    /** What cannot be done here now, but soon, or by another instance. */
    public static Refused later(Reason reason) {
        return new Refused(HttpStatus.SERVICE_UNAVAILABLE, reason);
    }

    /** What {@code core} makes of input; its refusal becomes one of {@code field}. */
    public static <T> T unlessValid(String field, Supplier<T> core) {
        try {
            return core.get();
        } catch (IllegalArgumentException refusal) {
            throw field(field, reason(refusal));
        }
    }

    /** Why {@code core} refused something; of what it does not say to players, that it does not fit. */
    public static Reason reason(IllegalArgumentException refusal) {
        return refusal instanceof Refusal known ? known.reason() : Reason.of("refusal.cannotBe");
    }

    public Refused with(String name, Object value) {
        more.put(name, value);
        return this;
    }

    public Reason reason() {
        return reason;
    }

    HttpStatus status() {
        return status;
    }

    Map<String, Object> more() {
        return more;
    }
}

package tachylim.server.web;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;

/** A request that is refused, with a sentence a musician can act on. */
public final class Refused extends RuntimeException {

    private final HttpStatus status;
    private final Map<String, Object> more = new LinkedHashMap<>();

    private Refused(HttpStatus status, String message) {
        super(message);
        this.status = status;
    }

    public static Refused notFound(String what) {
        return new Refused(HttpStatus.NOT_FOUND, what + " is not here.");
    }

    public static Refused conflict(ProblemCode code, String message) {
        return new Refused(HttpStatus.CONFLICT, message).with("code", code);
    }

    /** Bad input, with the field it came from. */
    public static Refused field(String field, String message) {
        return new Refused(HttpStatus.UNPROCESSABLE_CONTENT, message).with("field", field);
    }

    public static Refused unauthorized(String message) {
        return new Refused(HttpStatus.UNAUTHORIZED, message);
    }

    public static Refused tooMany(String message) {
        return new Refused(HttpStatus.TOO_MANY_REQUESTS, message);
    }

    /** What cannot be done here now, but soon, or by another instance. */
    public static Refused later(String message) {
        return new Refused(HttpStatus.SERVICE_UNAVAILABLE, message);
    }

    /** What {@code core} makes of input; its refusal becomes one of {@code field}. */
    public static <T> T unlessValid(String field, Supplier<T> core) {
        try {
            return core.get();
        } catch (IllegalArgumentException refusal) {
            throw field(field, refusal.getMessage() + ".");
        }
    }

    public Refused with(String name, Object value) {
        more.put(name, value);
        return this;
    }

    HttpStatus status() {
        return status;
    }

    Map<String, Object> more() {
        return more;
    }
}

package tachylim.server.web;

import jakarta.validation.ConstraintViolation;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;
import tachylim.server.cluster.Collision;
import tachylim.server.words.Words;
import tachylim.words.Reason;
import tools.jackson.databind.DatabindException;

/** Turns every failure into a problem detail (RFC 9457) with a sentence for people, in their language. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler
    ProblemDetail refused(Refused refused) {
        ProblemDetail problem = problem(refused.status(), words().say(refused.reason()));
        refused.more().forEach((name, value) -> problem.setProperty(name, shown(value)));
        return problem;
    }

    /** Reasons among what is told besides are put into words as well. */
    private static Object shown(Object value) {
        return value instanceof List<?> list
                ? list.stream().map(ProblemAdvice::shown).toList()
                : value instanceof Reason reason ? words().say(reason) : value;
    }

    /** Two requests changed the same thing at once, however often it was tried: whoever was later looks again. */
    @ExceptionHandler({ObjectOptimisticLockingFailureException.class, DataIntegrityViolationException.class})
    ProblemDetail atOnce(Exception collision) {
        LOG.info("Two changes at once: {}", collision.getMessage());
        ProblemDetail problem = problem(HttpStatus.CONFLICT, words().say("refusal.changedAtOnce"));
        problem.setProperty("code", ProblemCode.CHANGED);
        return problem;
    }

    static final String FAILED = "refusal.failed";

    @ExceptionHandler
    ResponseEntity<ProblemDetail> failed(Exception failure) throws Exception {
        if (failure instanceof AccessDeniedException denied) {
            throw denied;
        }
        if (DatabaseTrouble.isBehind(failure) || Collision.isBehind(failure)) {
            LOG.warn("The database does not answer: {}", failure.getMessage());
            ProblemDetail problem = problem(HttpStatus.SERVICE_UNAVAILABLE, words().say(DatabaseTrouble.SENTENCE));
            problem.setProperty("code", ProblemCode.DATABASE);
            return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                    .header(HttpHeaders.RETRY_AFTER, DatabaseTrouble.RETRY_AFTER_SECONDS)
                    .body(problem);
        }
        if (DisconnectedClientHelper.isClientDisconnectedException(failure)) {
            LOG.debug("Somebody left before the answer was written");
        } else {
            LOG.error("A request failed", failure);
        }
        return ResponseEntity.internalServerError()
                .body(problem(HttpStatus.INTERNAL_SERVER_ERROR, words().say(FAILED)));
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException invalid, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        Map<String, String> fields = new LinkedHashMap<>();
        invalid.getFieldErrors().forEach(error -> fields.putIfAbsent(error.getField(), words().say(reason(error))));
        String first = fields.values().stream().findFirst().orElseGet(() -> words().say("refusal.outOfRange"));
        ProblemDetail problem = problem(HttpStatus.UNPROCESSABLE_CONTENT, first);
        problem.setProperty("fields", fields);
        fields.keySet().stream().findFirst().ifPresent(field -> problem.setProperty("field", field));
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(problem);
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException unreadable,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        if (DatabaseTrouble.isBehind(unreadable) || !(unreadable.getCause() instanceof DatabindException odd)) {
            return ResponseEntity.badRequest().body(problem(HttpStatus.BAD_REQUEST, words().say("refusal.wrongKind")));
        }
        String place = odd.getPath().stream()
                .map(step ->
                        step.getPropertyName() == null ? String.valueOf(step.getIndex() + 1) : step.getPropertyName())
                .collect(Collectors.joining(" "));
        String said = odd.getOriginalMessage();
        String code = said.startsWith("refusal.") ? said : "refusal.wrongKind";
        String sentence = words().say(Reason.parse(code));
        ProblemDetail problem = problem(
                HttpStatus.BAD_REQUEST,
                place.isEmpty()
                        ? sentence
                        : words().say(Reason.of("refusal.lookAt", "sentence", sentence, "place", place)));
        if (!place.isEmpty()) {
            problem.setProperty("field", place);
        }
        return ResponseEntity.badRequest().body(problem);
    }

    /** The words of the language that was asked for. */
    private static Words words() {
        return Words.spoken();
    }

    /** What a constraint says; one without a message of ours, by its bound. */
    private static Reason reason(FieldError error) {
        String message = String.valueOf(error.getDefaultMessage());
        if (message.startsWith("refusal.")) {
            return Reason.parse(message);
        }
        Map<String, Object> bounds = error.contains(ConstraintViolation.class)
                ? error.unwrap(ConstraintViolation.class)
                        .getConstraintDescriptor()
                        .getAttributes()
                : Map.of();
        String code = String.valueOf(error.getCode());
        return !bounds.containsKey("value")
                ? Reason.of("refusal.outOfRange")
                : Reason.of(code.endsWith("Min") ? "refusal.atLeast" : "refusal.atMost", "value", bounds.get("value"));
    }

    private static ProblemDetail problem(HttpStatus status, String message) {
        return ProblemDetail.forStatusAndDetail(status, message);
    }
}

package tachylim.server.web;

import java.util.LinkedHashMap;
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
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;
import tachylim.server.ensemble.Collision;
import tools.jackson.databind.DatabindException;

/** Turns every failure into a problem detail (RFC 9457) with a sentence for people. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler
    ProblemDetail refused(Refused refused) {
        ProblemDetail problem = problem(refused.status(), refused.getMessage());
        refused.more().forEach(problem::setProperty);
        return problem;
    }

    /** Two requests changed the same thing at once, however often it was tried: whoever was later looks again. */
    @ExceptionHandler({ObjectOptimisticLockingFailureException.class, DataIntegrityViolationException.class})
    ProblemDetail atOnce(Exception collision) {
        LOG.info("Two changes at once: {}", collision.getMessage());
        ProblemDetail problem = problem(
                HttpStatus.CONFLICT,
                "This was changed somewhere else at the same moment. Look at it again and repeat your change.");
        problem.setProperty("code", ProblemCode.CHANGED);
        return problem;
    }

    static final String FAILED =
            "Something went wrong here. What you typed is still on the page; try again in a moment.";

    @ExceptionHandler
    ResponseEntity<ProblemDetail> failed(Exception failure) throws Exception {
        if (failure instanceof AccessDeniedException denied) {
            throw denied;
        }
        if (DatabaseTrouble.isBehind(failure) || Collision.isBehind(failure)) {
            LOG.warn("The database does not answer: {}", failure.getMessage());
            ProblemDetail problem = problem(HttpStatus.SERVICE_UNAVAILABLE, DatabaseTrouble.SENTENCE);
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
        return ResponseEntity.internalServerError().body(problem(HttpStatus.INTERNAL_SERVER_ERROR, FAILED));
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException invalid, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        Map<String, String> fields = new LinkedHashMap<>();
        invalid.getFieldErrors().forEach(error -> fields.putIfAbsent(error.getField(), error.getDefaultMessage()));
        String first = fields.values().stream().findFirst().orElse("Something is missing or out of range.");
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
            return ResponseEntity.badRequest()
                    .body(problem(HttpStatus.BAD_REQUEST, "A value in this request is of the wrong kind."));
        }
        String place = odd.getPath().stream()
                .map(step ->
                        step.getPropertyName() == null ? String.valueOf(step.getIndex() + 1) : step.getPropertyName())
                .collect(Collectors.joining(" "));
        boolean sign = odd.getOriginalMessage().contains(PlainText.REFUSAL);
        ProblemDetail problem = problem(
                HttpStatus.BAD_REQUEST,
                (sign ? PlainText.REFUSAL : "A value in this request is of the wrong kind.")
                        + (place.isEmpty() ? "" : " Look at: " + place + "."));
        if (!place.isEmpty()) {
            problem.setProperty("field", place);
        }
        return ResponseEntity.badRequest().body(problem);
    }

    private static ProblemDetail problem(HttpStatus status, String message) {
        return ProblemDetail.forStatusAndDetail(status, message);
    }
}

package potamos.server.problems;

import java.net.URI;
import java.util.LinkedHashMap;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import potamos.core.quantity.Refusal;
import tools.jackson.core.JacksonException;

/** Turns whatever was thrown into a problem that a person or a program can act on. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
public class Problems {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    /**
     * What is wrong with one field.
     *
     * @param reason why
     * @param low    least accepted value, where there is a range
     * @param high   greatest accepted value
     * @param unit   of both
     */
    public record FieldProblem(String reason, Double low, Double high, String unit) {

        private static FieldProblem of(String reason) {
            return new FieldProblem(reason, null, null, null);
        }
    }

    /**
     * A problem, as the contract tells of it.
     *
     * @param type     {@code urn:potamos:problem:…}
     * @param title    of the status
     * @param status   of the answer
     * @param detail   in words for a person
     * @param instance the address that was asked
     * @param fields   what is wrong with each field, by its path
     */
    public record Problem(
            String type, String title, int status, String detail, String instance, Map<String, FieldProblem> fields) {}

    /**
     * Said when the database was lost under a request. It may have been lost with the commit's acknowledgement, or with the session, after all was
     * written: nothing else would be true.
     */
    public static final String STORE_AWAY =
            "The store does not answer just now. Whether this was written is not sure: look before you do it again.";

    /**
     * A problem as it is written where no endpoint is reached yet.
     *
     * @param detail words of ours, without quotes
     */
    public static String written(int status, String type, String detail) {
        return "{\"type\":\"urn:potamos:problem:%s\",\"status\":%d,\"detail\":\"%s\",\"fields\":{}}"
                .formatted(type, status, detail);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> refusal(Refusal refusal) {
        Map<String, FieldProblem> fields = new LinkedHashMap<>();
        fields.put(refusal.field(), problem(refusal));
        for (Throwable other : refusal.getSuppressed()) {
            if (other instanceof Refusal also) {
                fields.putIfAbsent(also.field(), problem(also));
            }
        }
        return problem(HttpStatus.UNPROCESSABLE_CONTENT, "refused", refusal.getMessage(), fields);
    }

    private static FieldProblem problem(Refusal refusal) {
        return refusal.hasRange()
                ? new FieldProblem(refusal.getMessage(), refusal.low(), refusal.high(), refusal.unit())
                : FieldProblem.of(refusal.getMessage());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> invalid(MethodArgumentNotValidException invalid) {
        Map<String, FieldProblem> fields = new LinkedHashMap<>();
        invalid.getBindingResult()
                .getFieldErrors()
                .forEach(e -> fields.put(e.getField(), FieldProblem.of(e.getDefaultMessage())));
        return invalid(fields);
    }

    private static ResponseEntity<ProblemDetail> invalid(Map<String, FieldProblem> fields) {
        return problem(HttpStatus.BAD_REQUEST, "invalid", "Some fields cannot be used as they are.", fields);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unreadable(HttpMessageNotReadableException unreadable) {
        Map<String, FieldProblem> fields = new LinkedHashMap<>();
        if (unreadable.getCause() instanceof JacksonException json) {
            // A refusal thrown inside a constructor while reading keeps its own field and range.
            if (json.getCause() instanceof Refusal refusal) {
                return refusal(refusal);
            }
            String path = Unreadable.path(json);
            fields.put(path.isEmpty() ? "body" : path, FieldProblem.of(Unreadable.reason(json)));
        }
        return problem(HttpStatus.BAD_REQUEST, "unreadable", "The request could not be read.", fields);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unsaid(MissingServletRequestParameterException unsaid) {
        return invalid(Map.of(unsaid.getParameterName(), FieldProblem.of(Unreadable.MISSING)));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> mismatch(MethodArgumentTypeMismatchException mismatch) {
        if (mismatch.getParameter().hasParameterAnnotation(RequestParam.class)) {
            return refusal(Refusal.of(mismatch.getName(), "not of the kind that belongs here"));
        }
        return problem(HttpStatus.NOT_FOUND, "not-found", "There is no such address.", Map.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> noResource(NoResourceFoundException missing) {
        return problem(HttpStatus.NOT_FOUND, "not-found", "There is no such address.", Map.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> notFound(NotFound missing) {
        return problem(HttpStatus.NOT_FOUND, "not-found", missing.getMessage(), Map.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> forbidden(Forbidden forbidden) {
        return problem(HttpStatus.FORBIDDEN, "forbidden", forbidden.getMessage(), Map.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> conflict(Conflict conflict) {
        return problem(
                HttpStatus.CONFLICT,
                "conflict",
                conflict.getMessage(),
                Map.of(conflict.field(), FieldProblem.of(conflict.getMessage())));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> tooMany(TooMany tooMany) {
        ProblemDetail detail = detail(HttpStatus.TOO_MANY_REQUESTS, "too-many", tooMany.getMessage(), Map.of());
        return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                .header(HttpHeaders.RETRY_AFTER, Long.toString(tooMany.retryAfterS()))
                .body(detail);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> busy(Busy busy) {
        ProblemDetail detail = detail(HttpStatus.SERVICE_UNAVAILABLE, "busy", busy.getMessage(), Map.of());
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                .header(HttpHeaders.RETRY_AFTER, Long.toString(busy.retryAfterS()))
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(detail);
    }

    /** Two of the same at the same moment, of which the other was first. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> there(DuplicateKeyException there) {
        return problem(HttpStatus.CONFLICT, "conflict", "Something with that id or name is there already.", Map.of());
    }

    /** What gets so far and cannot be kept is a hole in what was checked, and not the store's fault. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> unkeepable(DataIntegrityViolationException unkeepable) {
        LOG.warn("Refused by the tables alone: {}", unkeepable.getMessage());
        return problem(
                HttpStatus.UNPROCESSABLE_CONTENT, "refused", "Something in this cannot be kept as it is.", Map.of());
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ResponseEntity<ProblemDetail> away(RuntimeException away) {
        LOG.warn("The database does not answer: {}", away.getMessage());
        ProblemDetail detail = detail(HttpStatus.SERVICE_UNAVAILABLE, "unavailable", STORE_AWAY, Map.of());
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                .header(HttpHeaders.RETRY_AFTER, "5")
                .body(detail);
    }

    private static ResponseEntity<ProblemDetail> problem(
            HttpStatus status, String type, String message, Map<String, FieldProblem> fields) {
        return ResponseEntity.status(status).body(detail(status, type, message, fields));
    }

    private static ProblemDetail detail(
            HttpStatus status, String type, String message, Map<String, FieldProblem> fields) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(status, message);
        detail.setType(URI.create("urn:potamos:problem:" + type));
        detail.setProperty("fields", fields);
        return detail;
    }
}

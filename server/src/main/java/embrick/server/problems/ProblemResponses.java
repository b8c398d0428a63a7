package embrick.server.problems;

import embrick.server.problems.ProblemException.ProblemDetail;
import java.io.IOException;
import java.net.URI;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** The one place where failures become RFC 9457 responses. */
@RestControllerAdvice
class ProblemResponses {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemResponses.class);

    /** The body: RFC 9457's members, and all problems with their remedies. */
    record Body(
            URI type,
            String title,
            int status,
            String detail,
            String code,
            String remedy,
            List<ProblemDetail> problems) {}

    private static ResponseEntity<Body> respond(HttpStatus status, List<ProblemDetail> problems) {
        ProblemDetail first = problems.getFirst();
        Body body = new Body(
                URI.create("urn:embrick:problem:" + first.code()),
                status.getReasonPhrase(),
                status.value(),
                first.text(),
                first.code(),
                first.remedy(),
                problems);
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(body);
    }

    private static ResponseEntity<Body> respond(
            HttpStatus status, String code, String subject, String text, String remedy) {
        return respond(status, List.of(new ProblemDetail(code, subject, text, remedy)));
    }

    @ExceptionHandler
    ResponseEntity<Body> known(ProblemException problem) {
        return respond(problem.status(), problem.problems());
    }

    @ExceptionHandler
    ResponseEntity<Body> stale(OptimisticLockingFailureException stale) {
        ProblemException problem = ProblemException.stale("entry");
        return respond(problem.status(), problem.problems());
    }

    @ExceptionHandler
    ResponseEntity<Body> conflict(DataIntegrityViolationException conflict) {
        return respond(
                HttpStatus.CONFLICT,
                "conflict",
                "entry",
                "What it belongs to is gone, or the same came from another window at the same moment.",
                "Load the page again and repeat it.");
    }

    @ExceptionHandler({HttpMessageNotReadableException.class, MethodArgumentTypeMismatchException.class})
    ResponseEntity<Body> unreadable(Exception unreadable) {
        String reason = unreadable.getCause() instanceof Exception cause ? firstLine(cause) : firstLine(unreadable);
        return respond(
                HttpStatus.BAD_REQUEST, "unreadable", "request", reason, "Correct the value named and send it again.");
    }

    private static String firstLine(Exception failed) {
        Throwable deepest = failed;
        while (deepest.getCause() != null) {
            deepest = deepest.getCause();
        }
        return String.valueOf(deepest.getMessage()).lines().findFirst().orElse("The request cannot be read.");
    }

    @ExceptionHandler
    ResponseEntity<Body> invalid(MethodArgumentNotValidException invalid) {
        List<ProblemDetail> problems = invalid.getFieldErrors().stream()
                .map(error -> new ProblemDetail(
                        "invalid", error.getField(), error.getField() + " " + error.getDefaultMessage(), "Correct it."))
                .toList();
        return respond(HttpStatus.UNPROCESSABLE_CONTENT, problems);
    }

    @ExceptionHandler
    ResponseEntity<Body> missing(NoResourceFoundException missing) {
        ProblemException problem = ProblemException.notFound("address");
        return respond(problem.status(), problem.problems());
    }

    @ExceptionHandler
    void gone(AsyncRequestNotUsableException gone) {
        // The asker has left; there is nobody to answer.
    }

    @ExceptionHandler
    ResponseEntity<Body> storage(IOException failed) {
        LOG.error("storage failed", failed);
        return respond(
                HttpStatus.INSUFFICIENT_STORAGE,
                "storage-failed",
                "storage",
                "The storage folder could not be read or written: " + failed.getMessage(),
                "See that its disk is there and has room, then try again.");
    }

    @ExceptionHandler
    ResponseEntity<Body> unexpected(Exception failed) {
        if (failed instanceof org.springframework.web.ErrorResponse known) {
            HttpStatus status = HttpStatus.valueOf(known.getStatusCode().value());
            return respond(status, "request", "request", known.getBody().getDetail() + "", "Correct the request.");
        }
        LOG.error("unexpected failure", failed);
        return respond(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unexpected",
                "server",
                "Something went wrong inside Embrick.",
                "Try again; if it stays, look into its log.");
    }
}

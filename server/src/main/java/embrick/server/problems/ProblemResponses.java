package embrick.server.problems;

import embrick.core.problem.Problem;
import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.UnusablePictureException;
import embrick.server.Failures;
import embrick.server.storage.AskerGoneException;
import embrick.server.storage.BusyException;
import embrick.server.storage.OriginalLostException;
import embrick.server.storage.Storage;
import embrick.server.storage.UploadRefusedException;
import java.io.EOFException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.SocketTimeoutException;
import java.nio.file.FileSystemException;
import java.util.List;
import org.apache.catalina.connector.ClientAbortException;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.core.JacksonException;

/** The one place where failures become RFC 9457 responses. */
@RestControllerAdvice
class ProblemResponses {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemResponses.class);

    private static final String RETRY_SECONDS = "3";

    private static ResponseEntity<ProblemBody> respond(HttpStatus status, List<Problem> problems) {
        ResponseEntity.BodyBuilder answer =
                ResponseEntity.status(status).contentType(MediaType.APPLICATION_PROBLEM_JSON);
        if (status == HttpStatus.SERVICE_UNAVAILABLE) {
            answer.header(HttpHeaders.RETRY_AFTER, RETRY_SECONDS);
        }
        return answer.body(ProblemBody.of(status, problems));
    }

    private static ResponseEntity<ProblemBody> respond(
            HttpStatus status, String code, String subject, String text, String remedy) {
        return respond(status, List.of(new Problem(code, subject, text, remedy)));
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> known(ProblemException problem) {
        return respond(problem.status(), problem.problems());
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> stale(OptimisticLockingFailureException stale) {
        ProblemException problem = ProblemException.stale("entry");
        return respond(problem.status(), problem.problems());
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> conflict(DataIntegrityViolationException conflict) {
        LOG.warn("conflict: {}", conflict.getMostSpecificCause().getMessage());
        return respond(
                HttpStatus.CONFLICT,
                "conflict",
                "entry",
                "It was deleted or changed in another window.",
                "Reload and try again.");
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> unreadable(HttpMessageNotReadableException unreadable) {
        for (Throwable cause = unreadable; cause != null; cause = cause.getCause()) {
            switch (cause) {
                case JacksonException wrong -> {
                    Problem told = Expected.of(wrong);
                    boolean isUnderstood =
                            List.of(Expected.TOO_LONG, Expected.OTHER_VERSION).contains(told.code());
                    return respond(
                            isUnderstood ? HttpStatus.UNPROCESSABLE_CONTENT : HttpStatus.BAD_REQUEST, List.of(told));
                }
                case SocketTimeoutException _ -> {
                    return tooSlow();
                }
                default -> {}
            }
        }
        return respond(
                HttpStatus.BAD_REQUEST, "unreadable", "body", "The body is missing or cannot be read.", "Send JSON.");
    }

    /** Of a document that came inside another one. */
    @ExceptionHandler
    ResponseEntity<ProblemBody> unreadable(JacksonException wrong) {
        return respond(HttpStatus.UNPROCESSABLE_CONTENT, List.of(Expected.of(wrong)));
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> unreadable(MethodArgumentTypeMismatchException unreadable) {
        return respond(HttpStatus.BAD_REQUEST, List.of(Expected.of(unreadable)));
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> unreadable(InvalidParameterException notUtf8) {
        return respond(
                HttpStatus.BAD_REQUEST,
                "unreadable",
                "address",
                "The address's query is not UTF-8, percent-encoded.",
                "Encode it so and send it again.");
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> invalid(MethodArgumentNotValidException invalid) {
        List<Problem> problems = invalid.getFieldErrors().stream()
                .map(error -> new Problem(
                        "invalid",
                        error.getField(),
                        error.getField() + ": " + error.getDefaultMessage(),
                        "Correct it."))
                .toList();
        return respond(HttpStatus.UNPROCESSABLE_CONTENT, problems);
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> invalid(HandlerMethodValidationException invalid) {
        List<Problem> problems = invalid.getParameterValidationResults().stream()
                .flatMap(result -> result.getResolvableErrors().stream().map(error -> {
                    String name = String.valueOf(result.getMethodParameter().getParameterName());
                    return new Problem("invalid", name, name + ": " + error.getDefaultMessage(), "Correct it.");
                }))
                .toList();
        return respond(HttpStatus.UNPROCESSABLE_CONTENT, problems);
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> missing(NoResourceFoundException missing) {
        ProblemException problem = ProblemException.notFound("address");
        return respond(problem.status(), problem.problems());
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> busy(BusyException busy) {
        return respond(
                HttpStatus.SERVICE_UNAVAILABLE,
                "busy",
                "server",
                "More pictures are asked for than can be made right now.",
                "Ask again in a few seconds.");
    }

    /** Should they be there after all, they must not take an empty answer for a picture. */
    @ExceptionHandler
    ResponseEntity<ProblemBody> gone(AskerGoneException gone) {
        return respond(
                HttpStatus.SERVICE_UNAVAILABLE,
                "asker-gone",
                "server",
                "The connection was taken to be closed.",
                "Ask again.");
    }

    @ExceptionHandler({AsyncRequestNotUsableException.class, ClientAbortException.class})
    void gone(Exception gone) {
        // The asker has left; there is nobody to answer.
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> refused(UploadRefusedException refused) {
        return switch (refused.reason()) {
            case TOO_LARGE ->
                respond(
                        HttpStatus.CONTENT_TOO_LARGE,
                        "upload-too-large",
                        "file",
                        "The file " + refused.getMessage() + ".",
                        "Save it smaller, or have embrick.largest-upload raised.");
            case TOO_SLOW -> tooSlow();
            case BROKEN_OFF ->
                respond(
                        HttpStatus.BAD_REQUEST,
                        "upload-broken-off",
                        "file",
                        "The file " + refused.getMessage() + ".",
                        "Send it again.");
        };
    }

    private static ResponseEntity<ProblemBody> tooSlow() {
        return respond(
                HttpStatus.REQUEST_TIMEOUT,
                "too-slow",
                "request",
                "Nothing, or next to nothing, of the request came for half a minute.",
                "See to the connection and send it again.");
    }

    /** Failures of reading and writing, told apart by whose they are. */
    @ExceptionHandler({IOException.class, UncheckedIOException.class})
    ResponseEntity<ProblemBody> storage(Exception wrapped) {
        Throwable failed = wrapped instanceof UncheckedIOException ? wrapped.getCause() : wrapped;
        if (Storage.isFull(failed)) {
            return respond(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "no-room",
                    "storage",
                    "The storage disk is full.",
                    "Make room on it, then try again.");
        }
        return switch (failed) {
            case OriginalLostException lost ->
                respond(
                        HttpStatus.CONFLICT,
                        "original-lost",
                        "original",
                        "The picture " + lost.text() + ".",
                        lost.remedy());
            case NotExaminedException failing -> {
                LOG.warn("a picture could not be examined", failing);
                yield respond(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "not-examined",
                        "picture",
                        "The picture could not be examined: " + failing.getMessage() + ".",
                        NotExaminedException.REMEDY);
            }
            case UnusablePictureException unusable ->
                respond(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        unusable.code(),
                        "picture",
                        "The picture " + unusable.getMessage() + ".",
                        unusable.remedy());
            case SocketTimeoutException _ -> tooSlow();
            case EOFException _ ->
                respond(
                        HttpStatus.BAD_REQUEST,
                        "broken-off",
                        "request",
                        "The request ended before all of it had come.",
                        "Send it again.");
            case FileSystemException away -> {
                LOG.error("storage failed", away);
                yield respond(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "storage-away",
                        "storage",
                        "The storage folder could not be read or written: " + Failures.words(away) + ".",
                        "See that its disk is there and may be written to, then try again.");
            }
            default -> {
                LOG.error("reading or writing failed", failed);
                yield respond(
                        HttpStatus.INTERNAL_SERVER_ERROR,
                        "io-failed",
                        "server",
                        "Something could not be read or written.",
                        "Try again; if it stays, look into Embrick's log.");
            }
        };
    }

    @ExceptionHandler
    ResponseEntity<ProblemBody> unexpected(Exception failed) {
        if (Failures.isBusy(failed)) {
            LOG.warn("all connections to the database are in use: {}", failed.toString());
            return respond(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "busy",
                    "server",
                    "Embrick has more to do than it can do at once.",
                    "Nothing is lost: try again in a moment.");
        }
        if (Failures.isDatabaseAway(failed)) {
            LOG.warn("the database is away: {}", failed.toString());
            return respond(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "database-away",
                    "database",
                    "The database does not answer.",
                    "Nothing is lost: try again in a moment. If it stays, see that PostgreSQL is running.");
        }
        if (failed instanceof ErrorResponse known) {
            HttpStatus status = HttpStatus.valueOf(known.getStatusCode().value());
            return respond(
                    status,
                    "request",
                    "request",
                    String.valueOf(known.getBody().getDetail()),
                    "Correct the request; /api/openapi tells what there is.");
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

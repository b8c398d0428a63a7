package embrick.standins.common;

import java.io.IOException;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Refusals are answered as problem details (RFC 9457) with a stable {@code code}. */
@RestControllerAdvice
class Refusals extends ResponseEntityExceptionHandler {
    @ExceptionHandler
    ResponseEntity<ProblemDetail> refused(RefusedException refused) {
        ProblemDetail body = ProblemDetail.forStatusAndDetail(refused.status(), refused.getMessage());
        body.setProperty("code", refused.code());
        ResponseEntity.BodyBuilder answer = ResponseEntity.status(refused.status());
        if (refused.status() == HttpStatus.SERVICE_UNAVAILABLE) {
            answer.header(HttpHeaders.RETRY_AFTER, "5");
        }
        return answer.body(body);
    }

    /** Whoever asked is gone, or was cut off: there is nobody to answer. */
    @ExceptionHandler
    void gone(IOException gone) {
        logger.info("a connection broke: " + gone.getMessage());
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException invalid, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ProblemDetail body = ProblemDetail.forStatusAndDetail(
                status,
                invalid.getFieldErrors().stream()
                        .map(field -> field.getField() + ": " + field.getDefaultMessage())
                        .collect(Collectors.joining("; ")));
        body.setProperty("code", "invalid-request");
        return ResponseEntity.status(status).headers(headers).body(body);
    }
}

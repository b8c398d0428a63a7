package embrick.server.web;

import embrick.server.problems.ProblemBody;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the container answers by itself is told as all problems are. */
@RestController
@Hidden
class ErrorAddress implements ErrorController {
    @RequestMapping("/error")
    ResponseEntity<ProblemBody> told(HttpServletRequest request) {
        HttpStatus status = Optional.ofNullable(request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE))
                .map(code -> HttpStatus.resolve((Integer) code))
                .orElse(HttpStatus.NOT_FOUND);
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(ProblemBody.of(
                        status,
                        "request",
                        "request",
                        "The request was refused: " + status.getReasonPhrase() + ".",
                        "Correct the request; /api/openapi tells what there is."));
    }
}

package embrick.server.problems;

import embrick.core.problem.Problem;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import tools.jackson.databind.json.JsonMapper;

/** The body of an answer that is a problem: RFC 9457's members, and all problems with their remedies. */
public record ProblemBody(
        URI type, String title, int status, String detail, String code, String remedy, List<Problem> problems) {
    public static ProblemBody of(HttpStatus status, List<Problem> problems) {
        Problem first = problems.getFirst();
        return new ProblemBody(
                URI.create("urn:embrick:problem:" + first.code()),
                status.getReasonPhrase(),
                status.value(),
                first.text(),
                first.code(),
                first.remedy(),
                problems);
    }

    public static ProblemBody of(HttpStatus status, String code, String subject, String text, String remedy) {
        return of(status, List.of(new Problem(code, subject, text, remedy)));
    }

    /** Answers with it where no controller does: in filters. */
    public void answer(HttpServletResponse response, JsonMapper json) throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        json.writeValue(response.getOutputStream(), this);
    }
}

package embrick.server.problems;

import embrick.core.problem.Problem;
import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that cannot be done, with a stable code, the picture or phrase concerned, and a remedy. */
public class ProblemException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final transient List<Problem> problems;

    public ProblemException(HttpStatus status, List<Problem> problems) {
        super(problems.getFirst().text());
        this.status = status;
        this.problems = List.copyOf(problems);
    }

    public ProblemException(HttpStatus status, String code, String subject, String text, String remedy) {
        this(status, List.of(new Problem(code, subject, text, remedy)));
    }

    public static ProblemException notFound(String what) {
        return new ProblemException(
                HttpStatus.NOT_FOUND,
                "not-found",
                what,
                "There is no such " + what + ".",
                "Go back to the list: it may have been removed.");
    }

    public static ProblemException stale(String what) {
        return new ProblemException(
                HttpStatus.PRECONDITION_FAILED,
                "stale-version",
                what,
                "The " + what + " was changed in another window meanwhile.",
                "Look at the new state, then make your change again.");
    }

    public static ProblemException invalid(String code, String subject, String text, String remedy) {
        return new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, code, subject, text, remedy);
    }

    public HttpStatus status() {
        return status;
    }

    public List<Problem> problems() {
        return problems;
    }
}

package embrick.core.plan;

import embrick.core.problem.Problem;
import java.util.List;
import java.util.Objects;

/** What planning comes to. */
public sealed interface Planning {
    record Ready(Plan plan, List<Notice> notices) implements Planning {
        public Ready {
            Objects.requireNonNull(plan);
            notices = List.copyOf(notices);
        }
    }

    /** All that stands against it at once. */
    record Refused(List<Problem> problems) implements Planning {
        public Refused {
            problems = List.copyOf(problems);
            if (problems.isEmpty()) {
                throw new IllegalArgumentException("problems: expected one or more, got none");
            }
        }
    }
}

package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.problems.ProblemException;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** All that may stand against the end of a run. */
@Component
class RunUses {
    private final List<RunInUse> uses;

    RunUses(List<RunInUse> uses) {
        this.uses = List.copyOf(uses);
    }

    /** Those that are asked here, or those that are asked of other services. */
    List<Problem> of(Collection<UUID> runIds, RunInUse.Ending ending, boolean outside) {
        return uses.stream()
                .filter(use -> use.asksOutside() == outside)
                .flatMap(use -> use.uses(runIds, ending).stream())
                .toList();
    }

    /** @throws ProblemException if something stands against it */
    void requireNone(UUID runId, RunInUse.Ending ending, boolean outside) {
        List<Problem> found = of(List.of(runId), ending, outside);
        if (!found.isEmpty()) {
            throw new ProblemException(HttpStatus.CONFLICT, found);
        }
    }
}

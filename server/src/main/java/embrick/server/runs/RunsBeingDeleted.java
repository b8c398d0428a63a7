package embrick.server.runs;

import embrick.server.problems.ProblemException;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Runs whose files are being deleted. That takes as long as their disk does, so no lock and no transaction is held meanwhile:
 * a run is claimed here instead, and whoever would do something else with it is refused. Claims end with the application,
 * the only one on its database.
 */
@Component
class RunsBeingDeleted {
    private final Set<UUID> claimed = ConcurrentHashMap.newKeySet();

    /**
     * Claims a run, before it is looked at with its row locked: whoever locks it next finds the claim.
     *
     * @throws ProblemException if somebody else has claimed it
     */
    void claim(UUID runId) {
        if (!claimed.add(runId)) {
            throw taken();
        }
    }

    void release(UUID runId) {
        claimed.remove(runId);
    }

    /**
     * Called with the run locked.
     *
     * @throws ProblemException if its files are being deleted
     */
    void requireNone(UUID runId) {
        if (claimed.contains(runId)) {
            throw taken();
        }
    }

    private static ProblemException taken() {
        return new ProblemException(
                HttpStatus.CONFLICT,
                "run-being-deleted",
                "run",
                "The files of this run are being deleted.",
                "Wait until they are; then look at the run again.");
    }
}

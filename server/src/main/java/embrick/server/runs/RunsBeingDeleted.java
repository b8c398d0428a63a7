package embrick.server.runs;

import embrick.server.problems.ProblemException;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Runs whose files are being deleted. A slow disk would keep a lock for as long, so the run is claimed here instead. Other
 * requests that need its files are refused until the claim is released. Claims live in memory: a database has one application.
 */
@Component
class RunsBeingDeleted {
    private final Set<UUID> claimed = ConcurrentHashMap.newKeySet();

    /**
     * Claims a run. Call this before checking the run under its row lock: whoever locks it next finds the claim.
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

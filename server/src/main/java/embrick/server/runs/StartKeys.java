package embrick.server.runs;

import embrick.server.Locks;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Storage;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Idempotency keys: a start that is sent again finds the run that it made first. */
@Component
class StartKeys {
    private final RunRepository runs;
    private final Locks locks;

    StartKeys(RunRepository runs, Locks locks) {
        this.runs = runs;
        this.locks = locks;
    }

    /**
     * Starts with one key follow one another, so that all but the first find its run.
     *
     * @throws ProblemException if the key has started something else
     */
    Optional<Run> startedWith(UUID jobId, String key, RunStart.Wanted wanted) {
        locks.hold(Storage.digestOfText(jobId + " " + key));
        return runs.findByJobIdAndIdempotencyKey(jobId, key).map(known -> requireSame(known, wanted));
    }

    private static Run requireSame(Run known, RunStart.Wanted wanted) {
        if (!known.wasAskedAs(wanted.digest())) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "idempotency-key-used",
                    "Idempotency-Key",
                    "This Idempotency-Key has started another run of this job, with another ticket or other pictures.",
                    "Use a new key for a new start.");
        }
        return known;
    }
}

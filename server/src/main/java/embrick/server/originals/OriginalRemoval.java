package embrick.server.originals;

import embrick.core.problem.Problem;
import embrick.server.problems.ProblemException;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Deletes originals from a job, with their framings; what was made of them stays. */
@Service
public class OriginalRemoval {
    private final OriginalRepository originals;
    private final Clearance clearance;
    private final List<OriginalUse> uses;
    private final TransactionTemplate transaction;

    OriginalRemoval(
            OriginalRepository originals,
            Clearance clearance,
            List<OriginalUse> uses,
            TransactionTemplate transaction) {
        this.originals = originals;
        this.clearance = clearance;
        this.uses = uses;
        this.transaction = transaction;
    }

    /**
     * Deletes all of them or none.
     *
     * @throws ProblemException if one is not of this job, or a run is at work on it
     */
    public void delete(UUID jobId, Collection<UUID> ids) {
        clearance.clear(transaction.execute(_ -> {
            // No picture of the job comes in, and none is replaced, meanwhile.
            if (originals.lockJob(jobId).isEmpty()) {
                throw ProblemException.notFound("job");
            }
            List<Original> wanted = originals.requireOf(jobId, ids);
            requireAtRest(wanted);
            List<UUID> notes = clearance.note(
                    wanted.stream().map(Original::digest).distinct().toList());
            originals.deleteAllByIdInBatch(wanted.stream().map(Original::id).toList());
            return notes;
        }));
    }

    /** @throws ProblemException naming each picture that a run is at work on */
    void requireAtRest(List<Original> wanted) {
        List<UUID> ids = wanted.stream().map(Original::id).toList();
        List<Problem> problems = uses.stream()
                .map(use -> use.atWork(ids))
                .flatMap(Set::stream)
                .flatMap(id -> wanted.stream().filter(original -> original.id().equals(id)))
                .map(original -> new Problem(
                        "picture-at-work",
                        original.path(),
                        original.path() + " is being made into a piece by a run.",
                        "Wait until the run has ended, or stop it."))
                .toList();
        if (!problems.isEmpty()) {
            throw new ProblemException(HttpStatus.CONFLICT, problems);
        }
    }
}

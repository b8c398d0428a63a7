package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.jobs.JobUse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Runs that are at work on a job, or that somebody needs, stand against deleting it. */
@Component
class RunsOfJob implements JobUse {
    private final RunRepository runs;
    private final PieceRepository pieces;
    private final RunUses uses;

    RunsOfJob(RunRepository runs, PieceRepository pieces, RunUses uses) {
        this.runs = runs;
        this.pieces = pieces;
        this.uses = uses;
    }

    @Override
    public List<Problem> uses(UUID jobId) {
        List<UUID> ids = runs.idsOfJob(jobId);
        List<Problem> found = new ArrayList<>();
        for (UUID id : ids) {
            long toMake = pieces.countByRunIdAndStateIn(id, List.of(Piece.State.WAITING, Piece.State.MAKING));
            if (toMake > 0) {
                found.add(new Problem(
                        "run-at-work",
                        "run",
                        "A run of this job is at work: " + (toMake == 1 ? "one piece is" : toMake + " pieces are")
                                + " still to be made.",
                        "Stop it or wait until it has ended, then delete the job."));
            }
        }
        found.addAll(uses.of(ids, RunInUse.Ending.REMOVED, false));
        return found;
    }
}

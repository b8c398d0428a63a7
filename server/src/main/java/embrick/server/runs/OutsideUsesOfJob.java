package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.jobs.JobUse;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** What other services still do with a job's runs stands against deleting it. */
@Component
class OutsideUsesOfJob implements JobUse {
    private final RunRepository runs;
    private final RunUses uses;

    OutsideUsesOfJob(RunRepository runs, RunUses uses) {
        this.runs = runs;
        this.uses = uses;
    }

    @Override
    public List<Problem> uses(UUID jobId) {
        return uses.of(runs.idsOfJob(jobId), RunInUse.Ending.REMOVED, true);
    }

    @Override
    public boolean asksOutside() {
        return true;
    }
}

package embrick.server.jobs;

import embrick.core.problem.Problem;
import java.util.List;
import java.util.UUID;

/** Whoever works on a job, or still needs what was made of it: it is not deleted meanwhile. */
public interface JobUse {
    /** What stands against deleting it, each with its remedy; asked while the job is locked, unless outside. */
    List<Problem> uses(UUID jobId);

    /** Whether another service is asked, which takes its time: then before the job is locked. */
    default boolean asksOutside() {
        return false;
    }
}

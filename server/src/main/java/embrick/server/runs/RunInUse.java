package embrick.server.runs;

import embrick.core.problem.Problem;
import java.util.Optional;
import java.util.UUID;

/** Whoever still needs the files of a run that has ended: it is neither deleted nor cleared meanwhile. */
public interface RunInUse {
    /** What stands against it, with its remedy; empty if nothing does. */
    Optional<Problem> use(UUID runId);
}

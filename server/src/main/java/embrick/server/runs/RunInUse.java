package embrick.server.runs;

import embrick.core.problem.Problem;
import java.util.Collection;
import java.util.List;
import java.util.UUID;

/** Whoever still needs runs that have ended, or their files: they are neither deleted nor cleared meanwhile. */
public interface RunInUse {
    /** What is about to become of a run. */
    enum Ending {
        /** Its files go, and all that is known of it stays. */
        CLEARED,
        /** It is forgotten. */
        REMOVED
    }

    /** What stands against it, each with its remedy. */
    List<Problem> uses(Collection<UUID> runIds, Ending ending);

    /** Whether another service is asked, which takes its time: then before the run is locked. */
    default boolean asksOutside() {
        return false;
    }
}

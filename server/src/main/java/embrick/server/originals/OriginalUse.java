package embrick.server.originals;

import java.util.Collection;
import java.util.Set;
import java.util.UUID;

/** Whoever works on originals, and says so: a picture at work stays as it is until the work has ended. */
public interface OriginalUse {
    /** Of these originals, those that something waits to be made of, or is being made of. */
    Set<UUID> atWork(Collection<UUID> originals);
}

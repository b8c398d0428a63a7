package embrick.server.workers;

import java.util.UUID;
import org.springframework.stereotype.Component;

/** Tells this process from all others, also from the one before it on the same machine. */
@Component
public class ProcessId {
    private final UUID id = UUID.randomUUID();

    public UUID get() {
        return id;
    }
}

package embrick.server.runs;

import java.util.UUID;
import org.springframework.stereotype.Component;

/** Tells this process from all others, also from the one before it on the same machine. */
@Component
class ProcessId {
    private final UUID id = UUID.randomUUID();

    UUID get() {
        return id;
    }
}

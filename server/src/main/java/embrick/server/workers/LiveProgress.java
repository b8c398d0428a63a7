package embrick.server.workers;

import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** What this process is making right now, for pages; lost with the process, and no harm done. */
@Component
public class LiveProgress {
    /** How often a piece asks whether its run was stopped. */
    private static final long LOOK_NANOS = 300_000_000L;

    /** A piece under way. */
    public record Making(UUID runId, int strip, int strips, boolean checking, long lookedAtNanos) {}

    private final Map<UUID, Making> making = new ConcurrentHashMap<>();

    public void began(UUID pieceId, UUID runId) {
        making.put(pieceId, new Making(runId, 0, 0, false, System.nanoTime()));
    }

    /** Notes a strip; true when it is time to see whether the run was stopped. */
    public boolean strip(UUID pieceId, int done, int all) {
        long now = System.nanoTime();
        Making before = making.get(pieceId);
        if (before == null) {
            return false;
        }
        boolean due = now - before.lookedAtNanos() > LOOK_NANOS;
        making.put(pieceId, new Making(before.runId(), done, all, false, due ? now : before.lookedAtNanos()));
        return due;
    }

    public void checking(UUID pieceId) {
        making.computeIfPresent(
                pieceId, (_, at) -> new Making(at.runId(), at.strip(), at.strips(), true, at.lookedAtNanos()));
    }

    public void ended(UUID pieceId) {
        making.remove(pieceId);
    }

    /** Every piece that this process is at. */
    public Map<UUID, Making> all() {
        return Map.copyOf(making);
    }
}

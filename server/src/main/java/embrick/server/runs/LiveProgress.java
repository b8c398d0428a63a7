package embrick.server.runs;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** What this process is making right now, for the page; lost with the process, and no harm done. */
@Component
class LiveProgress {
    /** How often a piece asks whether its run was stopped. */
    private static final long LOOK_NANOS = 300_000_000L;

    /** A piece under way. */
    record Making(UUID runId, int strip, int strips, boolean checking, long lookedAtNanos) {}

    private final Map<UUID, Making> making = new ConcurrentHashMap<>();

    void began(UUID pieceId, UUID runId) {
        making.put(pieceId, new Making(runId, 0, 0, false, System.nanoTime()));
    }

    /** Notes a strip; true when it is time to see whether the run was stopped. */
    boolean strip(UUID pieceId, int done, int all) {
        long now = System.nanoTime();
        Making before = making.get(pieceId);
        if (before == null) {
            return false;
        }
        boolean due = now - before.lookedAtNanos() > LOOK_NANOS;
        making.put(pieceId, new Making(before.runId(), done, all, false, due ? now : before.lookedAtNanos()));
        return due;
    }

    void checking(UUID pieceId) {
        making.computeIfPresent(
                pieceId, (_, at) -> new Making(at.runId(), at.strip(), at.strips(), true, at.lookedAtNanos()));
    }

    void ended(UUID pieceId) {
        making.remove(pieceId);
    }

    /** The pieces of a run that this process is at. */
    List<UUID> piecesOf(UUID runId) {
        return making.entrySet().stream()
                .filter(one -> one.getValue().runId().equals(runId))
                .map(Map.Entry::getKey)
                .toList();
    }

    Optional<Making> of(UUID pieceId) {
        return Optional.ofNullable(making.get(pieceId));
    }
}
